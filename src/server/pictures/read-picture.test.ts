import sharp from 'sharp';
import type { Sharp } from 'sharp';
import { rectangleFor } from '@/core/pictures';
import { readPicture } from './read-picture';
import { renditionsOf } from './renditions';

const noise = (width: number, height: number, channels: 3 | 4 = 3) =>
  sharp({ create: { width, height, channels, background: '#6b8', noise: { type: 'gaussian', mean: 120, sigma: 30 } } });
const id = 'p1';

test.each([
  ['jpg', (of: Sharp) => of.jpeg()],
  ['png', (of: Sharp) => of.png()],
  ['webp', (of: Sharp) => of.webp()],
  ['avif', (of: Sharp) => of.avif({ effort: 0 })],
] as const)('a %s comes with files of several widths in two kinds, and one for old browsers', async (ending, write) => {
  const bytes = await write(noise(700, 400)).toBuffer();
  const { picture, files, notes } = await readPicture(bytes, `Shop front.${ending}`, id);
  expect(notes).toEqual([]);
  expect(picture.fileName).toBe(`shop-front.${ending}`);
  const { photo } = picture;
  expect([photo!.width, photo!.height, photo!.bytes]).toEqual([700, 400, bytes.length]);
  expect(photo!.files.map((file) => `${file.width} ${file.type.slice(6)}`)).toEqual([
    ...[210, 308, 469, 700].flatMap((width) => [`${width} avif`, `${width} webp`]),
    '700 jpeg',
  ]);
  for (const { hash, width, bytes: size, type } of photo!.files) {
    const kept = files.get(hash)!;
    const about = await sharp(kept.bytes).metadata();
    expect([about.width, kept.bytes.length, kept.type]).toEqual([width, size, type]);
  }
  expect(files.has(photo!.small) && files.has(photo!.hash)).toBe(true);
});

test('a picture taken sideways stands upright, and is cut as it stands', async () => {
  // Left half red, right half blue, said to be turned by a quarter: upright it is red above and blue below.
  const half = (background: string) => ({ create: { width: 200, height: 200, channels: 3 as const, background } });
  const bytes = await sharp(half('#f00'))
    .extend({ right: 200, background: '#00f' })
    .withMetadata({ orientation: 6 })
    .jpeg()
    .toBuffer();
  const { picture } = await readPicture(bytes, 'a.jpg', id);
  expect([picture.photo!.width, picture.photo!.height]).toEqual([200, 400]);
  const of = [200, 400] as const;
  const crop = {
    ...rectangleFor(of, { ratio: 1, focus: [50, 100], zoom: 1 }),
    of: [200, 400] as [number, number],
    focus: [50, 100] as [number, number],
  };
  const { photo, files } = await renditionsOf(bytes, 'image/jpeg', { width: 200, height: 400 }, crop);
  expect([photo.width, photo.height]).toEqual([200, 200]);
  const { dominant } = await sharp(files.get(photo.small)!.bytes).stats();
  expect(dominant.b).toBeGreaterThan(200);
  expect(dominant.r).toBeLessThan(60);
});

test('what is clear stays clear for old browsers too', async () => {
  const { picture, files } = await readPicture(await noise(300, 200, 4).ensureAlpha(0.4).png().toBuffer(), 'a.png', id);
  const last = picture.photo!.files.at(-1)!;
  expect(last.type).toBe('image/png');
  expect((await sharp(files.get(last.hash)!.bytes).stats()).isOpaque).toBe(false);
});

const gif = () =>
  sharp(Buffer.alloc(40 * 80 * 3).fill(90, 40 * 40 * 3), { raw: { width: 40, height: 80, channels: 3, pageHeight: 40 } });

test.each([
  ['nothing', async () => Buffer.alloc(0), /empty/],
  ['words', async () => Buffer.from('no picture'), /isn’t a picture that is taken here/],
  ['a page', async () => Buffer.from('<!doctype html><html><svg></svg>'), /isn’t a picture that is taken here/],
  ['a cut off JPEG', async () => (await noise(900, 700).jpeg().toBuffer()).subarray(0, 60_000), /damaged or cut off/],
  ['a cut off PNG', async () => (await noise(300, 300).png().toBuffer()).subarray(0, 90_000), /damaged or cut off/],
  ['only the beginning of a WebP', async () => Buffer.from('RIFF....WEBPVP8 '), /damaged or cut off/],
  [
    'a picture that moves',
    async () =>
      gif()
        .webp({ loop: 0, delay: [100, 100] })
        .toBuffer(),
    /moves/,
  ],
  [
    'a PNG that moves',
    async () => {
      const png = await noise(20, 20).png().toBuffer();
      // After the signature and the header, 33 bytes.
      return Buffer.concat([
        png.subarray(0, 33),
        Buffer.from('\0\0\0\u0008acTL\0\0\0\u0002\0\0\0\0....', 'latin1'),
        png.subarray(33),
      ]);
    },
    /moves/,
  ],
  [
    'a small file that unpacks to very much',
    async () =>
      sharp({ create: { width: 6_400, height: 6_400, channels: 3, background: '#000' } })
        .toColourspace('b-w')
        .png({ compressionLevel: 1 })
        .toBuffer(),
    /million pixels/,
  ],
  ['half a drawing', async () => Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><path d="M0 0'), /whole SVG drawing/],
])('%s is refused with what is wrong', async (_, make, message) => {
  await expect(make().then((bytes) => readPicture(bytes, 'x.png', id))).rejects.toThrow(message);
});

test('a file with the ending of another kind is taken as what it is, and that is said', async () => {
  const { picture, notes } = await readPicture(await noise(200, 200).webp().toBuffer(), 'Harbour.png', id);
  expect(picture.fileName).toBe('harbour.webp');
  expect(notes).toEqual(['Harbour.png is a .webp file by what it holds, and is taken as one.']);
});

test('a drawing comes without what runs, and what was left out is said', async () => {
  const source =
    '<?xml version="1.0"?><!-- x --><svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script><path d="M0 0h9"/></svg>';
  const { picture, notes } = await readPicture(Buffer.from(source), 'a.svg', id);
  expect(picture.svg).toBe('<svg xmlns="http://www.w3.org/2000/svg"><path d="M0 0h9"/></svg>');
  expect(notes.join()).toMatch(/<script>/);
});
