import { readFileSync } from 'node:fs';
import { chance as mulberry } from '@/core/audit/sweep/chance';

/** Of 2,048 units, and of 1,000 and all letters as wide: at most sizes those are no whole part of a px. */
const FONTS = ['schibsted-grotesk', 'spline-sans-mono'] as const;
const file = (name: string) =>
  readFileSync(`node_modules/@fontsource-variable/${name}/files/${name}-latin-wght-normal.woff2`, 'base64');

/** A style sheet with a font of its own. @param family under which name */
export const fontFace = (name: (typeof FONTS)[number], family: string = name): string =>
  `@font-face{font-family:"${family}";font-weight:400 900;src:url(data:font/woff2;base64,${file(name)})}`;

/**
 * A page with a font that it brings along, of a size and with spaces made of chance, here and there others: the same for the same seed.
 * @param html a page with at least one style sheet
 */
export function withOwnFont(html: string, seed: number): string {
  const random = mulberry(seed * 6151 + 5);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const name = pick(FONTS);
  const size = pick(['16px', '15px', '17px', '14.4px', '18px', '13px', '19.2px']);
  const spaced = ['letter-spacing:0.4px', 'word-spacing:2px', 'letter-spacing:0.02em;word-spacing:1px', 'font-kerning:none', ''];
  const rules = ['p', 'li', 'b', 'p + p'].map((one) => `${one}{${pick(spaced)}}`);
  const sheet = `${fontFace(name)}body,body *{font-family:"${name}"}body{font-size:${size}}${rules.join('')}`;
  return html.replace('</style>', `</style><style>${sheet}</style>`);
}
