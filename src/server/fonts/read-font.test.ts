import { readFileSync } from 'node:fs';
import * as fontkit from 'fontkit';
import { readFont, UnreadableFont } from './read-font';
import { fontFor } from './subset';

const PACKAGES = 'node_modules/@fontsource-variable';
const variable = readFileSync(`${PACKAGES}/schibsted-grotesk/files/schibsted-grotesk-latin-wght-normal.woff2`);
const mono = readFileSync(`${PACKAGES}/spline-sans-mono/files/spline-sans-mono-latin-wght-normal.woff2`);

test('a font says what it is, and what stands in for it is as wide and as high', async () => {
  const { type, bytes, font } = await readFont(variable, 'a.woff2');
  expect([type, bytes, font.family, font.weight, font.style]).toEqual([
    'font/woff2',
    variable.length,
    'Schibsted Grotesk',
    '400 900',
    'normal',
  ]);
  expect(font.licence).toMatch(/OFL/);
  expect(font.fallback.local).toBe('Arial');
  // Lines are as high: the overrides count on the adjusted size.
  const { sizeAdjust, ascent, descent } = font.fallback;
  expect((ascent + descent) * (sizeAdjust / 100)).toBeCloseTo(((2000 + 528) / 2048) * 100, 0);
  expect((await readFont(mono, 'b.woff2')).font.fallback.local).toBe('Courier New');
});

test('only what is needed of a font is handed over, with its axes', async () => {
  const part = await fontFor('Moor', variable);
  const font = fontkit.create(Buffer.from(part)) as fontkit.Font;
  expect(part.length).toBeLessThan(variable.length / 5);
  expect('Mor'.split('').every((one) => font.hasGlyphForCodePoint(one.codePointAt(0)!))).toBe(true);
  expect(font.hasGlyphForCodePoint(0x78)).toBe(false);
  expect(Object.keys(font.variationAxes)).toEqual(['wght']);
  // The same of a font in another wrapping.
  const ttf = await readFont(await (await import('subset-font')).default(variable, 'Moor', { targetFormat: 'sfnt' }), 'c.ttf');
  expect([ttf.type, ttf.font.weight]).toEqual(['font/ttf', '400 900']);
});

test.each([
  ['a picture', new Uint8Array([0x89, 0x50, 0x4e, 0x47, 1, 2, 3])],
  ['nothing', new Uint8Array()],
  ['a font that is cut off', new Uint8Array(variable.subarray(0, 900))],
  ['a font that is damaged', Uint8Array.from(variable, (byte, i) => (i > 100 && i % 7 === 0 ? 0 : byte))],
])('%s is refused with a sentence', async (_, bytes) => {
  await expect(readFont(bytes, 'x.woff2')).rejects.toThrow(UnreadableFont);
});
