import type { Project } from '../document/project';
import { treesOf } from '../document/tree';
import { allDeclarations } from '../document/style-sets';

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

/** The bundled families that any value of the project names, in the order of `BUNDLED_FONTS`. */
export function fontsUsed(project: Project): BundledFont[] {
  const values = new Set(project.sheets.map(({ css }) => css));
  const sets = [
    ...Object.values(project.kinds).map((styles) => ({ styles })),
    ...project.shared,
    ...treesOf(project).flatMap((page) => Object.values(page.elements)),
  ];
  for (const styled of sets)
    for (const declarations of allDeclarations(styled)) {
      if (declarations['font-family']) values.add(declarations['font-family']);
      for (const name in declarations) if (name.startsWith('--')) values.add(declarations[name]!);
    }
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
