import type { FontFace, ProjectFile } from '../document/brought';
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

/** A font that was added to the project by hand. */
export type AddedFont = ProjectFile & { readonly font: FontFace };

export const addedFonts = ({ files }: Pick<Project, 'files'>): AddedFont[] =>
  files.filter((file): file is AddedFont => file.font !== undefined);

/** What stands in for a family until its files are there. */
export const fallbackName = (family: string): string => `${family} fallback`;

export interface FontsUsed {
  readonly bundled: readonly BundledFont[];
  readonly added: readonly AddedFont[];
}

/** The fonts that any value of the project names: bundled ones in the order of `BUNDLED_FONTS`, then those that were added. */
export function fontsUsed(project: Project): FontsUsed {
  const values = new Set(project.sheets.map(({ css }) => css));
  for (const styles of Object.values(project.kinds)) for (const value of namedIn({ styles })) values.add(value);
  for (const style of project.shared) for (const value of namedIn(style)) values.add(value);
  // As they are kept: what thousands of uses show is said once by their part.
  for (const { elements } of treesOf(kept(project))) for (const value of namedAmong(elements)) values.add(value);
  const all = [...values].join(' ').toLowerCase();
  const isNamed = (family: string) => all.includes(family.toLowerCase());
  return {
    bundled: BUNDLED_FONTS.filter(({ family }) => isNamed(family)),
    added: addedFonts(project).filter(({ font }) => isNamed(font.family)),
  };
}

export interface FontAddresses {
  readonly bundled: (font: BundledFont) => string;
  /** With the media type of what is found there. */
  readonly added: (font: AddedFont) => { readonly address: string; readonly type: string };
}

/** The same by other names: fonts of the same widths, where the first isn't there. */
const TWINS: Readonly<Record<FontFace['fallback']['local'], readonly string[]>> = {
  Arial: ['Arial', 'Liberation Sans'],
  'Times New Roman': ['Times New Roman', 'Liberation Serif'],
  'Courier New': ['Courier New', 'Liberation Mono'],
};

const FORMATS: Readonly<Record<string, string>> = {
  'font/woff2': 'woff2',
  'font/woff': 'woff',
  'font/otf': 'opentype',
  'font/ttf': 'truetype',
};

/**
 * The `@font-face` rules of fonts, and for each added family that of what stands in for it meanwhile (CSS Fonts 5, 2.2): a font that
 * readers have, as wide and as high.
 */
export function writeFontFaces({ bundled, added }: FontsUsed, addresses: FontAddresses): string {
  const face = (lines: Readonly<Record<string, string>>) =>
    `@font-face {\n${Object.entries(lines)
      .map(([name, value]) => `  ${name}: ${value};\n`)
      .join('')}}\n`;
  const own = bundled.map((font) =>
    face({
      ...{ 'font-family': `"${font.family}"`, 'font-style': 'normal', 'font-weight': font.weights },
      src: `url("${addresses.bundled(font)}") format("woff2")`,
    }),
  );
  const others = added.map((file) => {
    const { family, style, weight } = file.font;
    const { address, type } = addresses.added(file);
    return face({
      ...{ 'font-family': `"${family}"`, 'font-style': style, 'font-weight': weight, 'font-display': 'swap' },
      src: `url("${address}") format("${FORMATS[type] ?? 'woff2'}")`,
    });
  });
  const families = new Map(added.map(({ font }) => [font.family, font.fallback]).reverse() as [string, FontFace['fallback']][]);
  const standIns = [...families].map(([family, { local, sizeAdjust, ascent, descent, lineGap }]) =>
    face({
      ...{
        'font-family': `"${fallbackName(family)}"`,
        src: TWINS[local].map((name) => `local("${name}")`).join(', '),
        'size-adjust': `${sizeAdjust}%`,
      },
      ...{ 'ascent-override': `${ascent}%`, 'descent-override': `${descent}%`, 'line-gap-override': `${lineGap}%` },
    }),
  );
  return [...own, ...others, ...standIns].join('\n');
}

/** A value of `font-family` with a font, what stands in for it, and what all readers have. */
export function familyValue({ family, fallback }: FontFace): string {
  const generic = { Arial: 'sans-serif', 'Times New Roman': 'serif', 'Courier New': 'monospace' }[fallback.local];
  return `"${family}", "${fallbackName(family)}", ${generic}`;
}
