import { strToU8, zipSync } from 'fflate';
import type { Zippable } from 'fflate';
import type { PackageLimits } from './unzip';
import { readZip, UnreadablePackage } from './unzip';

const zip = (files: Zippable) => zipSync(files, { level: 1 });
const read = (files: Zippable, limits?: PackageLimits) => {
  const { files: found, leftOut } = readZip(zip(files), limits);
  return { paths: found.map(({ path }) => path), left: leftOut.map(({ file, what }) => `${file}: ${what}`) };
};

test('the folder that everything stands in says nothing; what systems put in besides is passed by', () => {
  expect(
    read({
      'site/index.html': strToU8('x'),
      'site/css/a.css': strToU8('x'),
      '__MACOSX/site/._index.html': strToU8('x'),
      'site/.DS_Store': strToU8('x'),
    }),
  ).toEqual({ paths: ['index.html', 'css/a.css'], left: [] });
});

test('nothing is put outside of a package, and links are no files', () => {
  const link: Zippable = { 'link.html': [strToU8('/etc/passwd'), { os: 3, attrs: 0o120777 << 16 }] };
  expect(
    read({
      'index.html': strToU8('x'),
      '../up.html': strToU8('x'),
      '/root.html': strToU8('x'),
      'a/../../b.html': strToU8('x'),
      'C:\\c.html': strToU8('x'),
      ...link,
    }),
  ).toEqual({
    paths: ['index.html'],
    left: [
      '../up.html: a file that would be put outside of the package',
      '/root.html: a file that would be put outside of the package',
      'a/../../b.html: a file that would be put outside of the package',
      'C:\\c.html: a file that would be put outside of the package',
      'link.html: a link to another file',
    ],
  });
});

test('a small file that unpacks to much is not unpacked', () => {
  const limits = { unpacked: 5_000_000, file: 1_000_000, files: 10 };
  const large = new Uint8Array(limits.file + 1);
  expect(read({ 'index.html': strToU8('x'), 'large.png': large }, limits)).toEqual({
    paths: ['index.html'],
    left: ['large.png: a file of 1 MB; at most 1 MB can be'],
  });
  const files = (count: number, bytes: number) =>
    zip(Object.fromEntries(Array.from({ length: count }, (_, i) => [`${i}.png`, new Uint8Array(bytes)])));
  const many = files(6, limits.file);
  expect(many.length).toBeLessThan(limits.file / 10);
  expect(() => readZip(many, limits)).toThrow(/Unpacked this is over 5 MB/);
  expect(() => readZip(files(11, 1), limits)).toThrow(/at most 10 files/);
});

test.each<[string, Uint8Array, RegExp]>([
  ['nothing', new Uint8Array(), /isn’t a ZIP file/],
  ['a text', strToU8('<!doctype html>'), /isn’t a ZIP file/],
  ['a ZIP that is cut off', zip({ 'index.html': strToU8('x'.repeat(5_000)) }).subarray(0, 60), /isn’t a ZIP file/],
])('%s is refused in words', (_, bytes, why) => {
  expect(() => readZip(bytes)).toThrow(UnreadablePackage);
  expect(() => readZip(bytes)).toThrow(why);
});

test('whatever byte of a ZIP is another: it is read, or refused in words', () => {
  const whole = zip({ 'index.html': strToU8('<p>One</p>'.repeat(40)), 'a/b.css': strToU8('p { color: red }') });
  for (let at = 0; at < whole.length; at++)
    for (const value of [0, 0xff, whole[at]! ^ 0x55]) {
      const other = whole.slice();
      other[at] = value;
      try {
        readZip(other);
      } catch (error) {
        if (!(error instanceof UnreadablePackage)) throw error;
      }
    }
});
