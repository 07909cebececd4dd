import fc from 'fast-check';
import { PICTURES } from '@/demo/pictures';
import { cleanSvg } from './clean-svg';
import { pictureSchema } from './project';

const svg = (inside: string, attributes = '') => `<svg xmlns="http://www.w3.org/2000/svg"${attributes}>${inside}</svg>`;

test('what the demo draws stays as it is, byte for byte', () => {
  for (const { svg: source = '' } of PICTURES) expect(cleanSvg(source)).toEqual({ svg: source, removed: [] });
});

const HOSTILE: readonly (readonly [string, string, RegExp])[] = [
  ['a script', svg('<script>alert(1)</script>'), /<script>/],
  ['a namespaced script', svg('<x:script xmlns:x="http://www.w3.org/2000/svg">alert(1)</x:script>'), /<x:script>/],
  ['a script by its case', svg('<SCRIPT>alert(1)</SCRIPT>'), /<SCRIPT>/],
  ['an event attribute', svg('<rect onload="alert(1)"/>'), /attribute onload/],
  ['an event attribute after a slash', svg('<rect/onclick="alert(1)"/>'), /onclick|rect/],
  ['a frame', svg('<iframe srcdoc="&lt;script&gt;alert(1)&lt;/script&gt;"/>'), /<iframe>/],
  [
    'HTML',
    svg('<foreignObject><body xmlns="http://www.w3.org/1999/xhtml"><img src="x"/></body></foreignObject>'),
    /<foreignObject>/,
  ],
  ['namespaced HTML', svg('<x:foreignObject xmlns:x="http://www.w3.org/2000/svg"/>'), /<x:foreignObject>/],
  ['a refresh', svg('<meta http-equiv="refresh" content="0;url=http://x"/>'), /<meta>/],
  ['pictures from elsewhere', svg('<img srcset="http://x 1x"/><video poster="http://x"/>'), /<img>.*<video>/],
  ['an image', svg('<image href="http://x/y.png"/>'), /<image>/],
  ['a sheet that imports', svg('<style>@import "http://x";</style>'), /<style>/],
  ['an address in a style', svg('<rect style="mask:url(http://x)"/>'), /address in style/],
  ['an escaped address', svg('<rect style="mask:u\\72l(http://x)"/>'), /escape in style/],
  ['an address by entities', svg('<rect fill="&#117;rl(http://x)"/>'), /address in fill/],
  ['a link', svg('<a href="javascript:alert(1)"><rect/></a>'), /a link \(javascript/],
  ['a use of another document', svg('<use xlink:href="http://x#a" xmlns:xlink="http://www.w3.org/1999/xlink"/>'), /a link/],
  ['a use of data', svg('<use href="data:image/svg+xml,x#a"/>'), /a link/],
  ['an animation that sets a link', svg('<set attributeName="href" to="javascript:alert(1)"/>'), /<set>/],
  ['entities', '<svg xmlns="http://www.w3.org/2000/svg"><!DOCTYPE x [<!ENTITY a "b">]><text>&a;</text></svg>', /document type/],
  ['a sheet by instruction', svg('<?xml-stylesheet href="http://x"?>'), /instruction/],
  ['a handler element', svg('<handler type="text/ecmascript">x</handler>'), /<handler>/],
];

test.each(HOSTILE)('%s is taken out, named and refused', (_, source, words) => {
  const { svg: cleaned, removed } = cleanSvg(source);
  expect(removed.join()).toMatch(words);
  expect(cleaned).not.toMatch(
    /script|iframe|foreignObject|http:\/\/(?!www\.w3\.org)|on(load|click)|javascript|ENTITY|@import|\\/i,
  );
  const result = pictureSchema.safeParse({ id: 'px', fileName: 'x.svg', svg: source });
  expect(result.success).toBe(false);
  expect(result.error?.issues[0]?.message).toMatch(/may not hold/);
});

test('cleaning twice is cleaning once, whatever it is made of', () => {
  const pieces = fc.constantFrom(
    ...[
      '<svg>',
      '</svg>',
      '<g',
      '>',
      '/>',
      '<rect ',
      'x="1"',
      "style='fill:url(#a)'",
      'href="#a"',
      '<x:script',
      '<!--',
      '-->',
      '<![CDATA[',
    ],
    ...[
      ']]>',
      '&lt;',
      '&amp;lt;',
      '&#60;script&#62;',
      '<title>',
      '</title>',
      '"',
      "'",
      'on',
      'load=',
      '\u0000',
      ' ',
      'text',
      '<text>',
      '</g>',
    ],
  );
  fc.assert(
    fc.property(fc.array(pieces, { maxLength: 24 }), (parts) => {
      const once = cleanSvg(parts.join('')).svg;
      expect(cleanSvg(once)).toEqual({ svg: once, removed: [] });
      expect(once).not.toMatch(/<(?!\/?(svg|g|rect|title|text)[\s/>])/);
    }),
    { numRuns: 2_000 },
  );
});
