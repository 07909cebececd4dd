import type { PageElement } from '../document/element';
import { kept } from '../document/expand';
import type { Project } from '../document/project';
import type { Styled } from '../document/style-sets';
import { allDeclarations } from '../document/style-sets';
import { treesOf } from '../document/tree';
import { carried } from '../document/versions';

/** The families that ship with the program, by the name that a page's `font-family` uses. */
export interface BundledFont {
  readonly family: string;
  readonly file: string;
  readonly weights: string;
}

export const BUNDLED_FONTS: readonly BundledFont[] = [
  { family: 'Schibsted Grotesk Variable', file: 'schibsted-grotesk.woff2', weights: '400 900' },
  { family: 'Spline Sans Mono Variable', file: 'spline-sans-mono.woff2', weights: '300 700' },
];

/** What may name a family: families, and variables. */
const namedIn = (styled: Styled): string[] =>
  allDeclarations(styled).flatMap((declarations) =>
    Object.keys(declarations).flatMap((name) => (name === 'font-family' || name.startsWith('--') ? [declarations[name]!] : [])),
  );

const namedBy = (element: PageElement | undefined): string[] =>
  element ? [...namedIn(element), ...Object.values(element.use?.says ?? {}).flatMap(namedIn)] : [];

const namedAmong = carried(
  (elements) => new Set(Object.keys(elements).flatMap((id) => namedBy(elements[id]))),
  (before, after) => namedBy(before).join() !== namedBy(after).join(),
);

/** The bundled families that any value of the project names, in the order of `BUNDLED_FONTS`. */
export function fontsUsed(project: Project): BundledFont[] {
  const values = new Set(project.sheets.map(({ css }) => css));
  for (const styles of Object.values(project.kinds)) for (const value of namedIn({ styles })) values.add(value);
  for (const style of project.shared) for (const value of namedIn(style)) values.add(value);
  // As they are kept: what thousands of uses show is said once by their part.
  for (const { elements } of treesOf(kept(project))) for (const value of namedAmong(elements)) values.add(value);
  const all = [...values].join(' ').toLowerCase();
  return BUNDLED_FONTS.filter((font) => all.includes(font.family.toLowerCase()));
}

/** @param address where the font's file is found */
export function writeFontFaces(fonts: readonly BundledFont[], address: (font: BundledFont) => string): string {
  return fonts
    .map(
      (font) =>
        `@font-face {\n  font-family: "${font.family}";\n  font-style: normal;\n  font-weight: ${font.weights};\n  src: url("${address(font)}") format("woff2");\n}\n`,
    )
    .join('\n');
}
