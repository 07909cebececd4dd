import fc from 'fast-check';
import type { Browser, Page } from 'playwright-core';
import { balanced } from '@/core/read/balanced';
import { importsOf } from '@/core/read/imports';
import { addressesIn, withAddresses } from '@/core/read/references';
import { launchChromium } from '@/server/browser/chromium';

/* What sheets ask for, and where they end, as anybody may write them, against Chromium. */

const one = fc.constantFrom;
const often = <T>(usual: T, ...others: T[]) => fc.oneof({ arbitrary: fc.constant(usual), weight: 3 }, one(...others));
const space = one('', '', ' ', '\n', '/**/', '/* ) " */');
const joined = (...parts: fc.Arbitrary<string>[]) => fc.tuple(...parts).map((all) => all.join(''));

const quoted = one(
  '"a.png"',
  "'a.png'",
  '"a\\"b.png"',
  "'a\\'b'",
  '"a\\\nb.png"',
  '"\\61 .png"',
  '"a)b.png"',
  '""',
  '"a /* b"',
  '"a',
);
const bare = one(
  'a.png',
  'a\\)b.png',
  '\\61 .png',
  'a\\ b.png',
  '',
  '  a.png\n',
  'a b.png',
  'a"b.png',
  'a(b.png',
  'a\\',
  '/*a*/',
  'a//b.png?c#d',
);
const names = often('url', 'URL', 'u\\72l', '\\75 rl', 'uRl', 'src', 'urls', 'ur\\6c ');
const address = fc.oneof(
  joined(names, fc.constant('('), one('', ' ', '\n'), fc.oneof(quoted, bare), one('', ' '), fc.constant(')')),
  quoted,
);

let browser: Browser;
let page: Page;
beforeAll(async () => {
  browser = await launchChromium();
  page = await browser.newPage();
  await page.setContent('<p></p>');
}, 60_000);
afterAll(() => browser.close());

/** What a browser makes of sheets: the imports that count. */
const importsInBrowser = (sheets: readonly string[]) =>
  page.evaluate(
    (all) =>
      all.map((css) => {
        const style = document.createElement('style');
        style.textContent = css;
        document.head.append(style);
        const found = [...style.sheet!.cssRules]
          .filter((rule) => rule instanceof CSSImportRule)
          .map((rule) => [rule.href, rule.layerName, rule.supportsText, rule.media.mediaText.replace(/\/\*.*?\*\//g, '').trim()]);
        style.remove();
        return found;
      }),
    sheets,
  );

/** Lists of media as a browser writes them. */
const mediaInBrowser = (texts: readonly string[]) =>
  page.evaluate((all) => {
    const style = document.head.appendChild(document.createElement('style'));
    const written = all.map(
      (text) => ((style.sheet!.media.mediaText = text), style.sheet!.media.mediaText.replace(/\/\*.*?\*\//g, '').trim()),
    );
    style.remove();
    return written;
  }, texts);

const layer = often(
  '',
  'layer',
  'layer(x)',
  'LAYER',
  'layer( x.y )',
  'layer()',
  'layer(1)',
  'layer (x)',
  'layer(x y)',
  'layers',
  'layer(\\78 )',
);
const supports = often(
  '',
  'supports(display: grid)',
  'supports((display: grid) and (gap: 1px))',
  'SUPPORTS(not (a: b))',
  'supports(not (a: ")"))',
);
const media = often('', 'screen', '(width > 1px)', 'screen and (color), print', 'not all', 'nonsense (');
const importRule = joined(
  often('@import', '@IMPORT', '@imp\\6frt', '@imports'),
  one('', ' ', '\n', '/**/'),
  address,
  space,
  layer,
  often(' ', '', '/**/'),
  supports,
  often(' ', ''),
  media,
  space,
  often(';', '', '{}', ';;'),
);
const before = often(
  '',
  '@charset "utf-8";',
  '@layer a, b;',
  '@layer a {}',
  'p {}',
  '@namespace url(x);',
  ';',
  '<!--',
  '-->',
  '@foo;',
  '@foo {}',
  '1 {}',
  '@namespace;',
  '@media;',
  '}',
  '@media print {}',
  '/* @import "x"; */',
  '@layer;',
);

test('the imports that count are those that Chromium has', async () => {
  const sheets = fc
    .sample(joined(before, space, importRule, space, before, importRule), 3_000)
    .sort((a, b) => a.length - b.length);
  const told = await importsInBrowser(sheets);
  const read = sheets.map((css) => importsOf(css));
  const written = await mediaInBrowser(read.flat().map((rule) => rule.media ?? ''));
  let at = 0;
  const ours = read.map((rules) =>
    rules.map((rule) => [rule.address, rule.layer ?? null, rule.supports ?? null, written[at++]!]),
  );
  const differing = sheets.flatMap((css, i) =>
    JSON.stringify(ours[i]) === JSON.stringify(told[i]) ? [] : [{ css, ours: ours[i], told: told[i] }],
  );
  expect(differing.slice(0, 5)).toEqual([]);
  expect(told.flat().length).toBeGreaterThan(1_000);
});

const value = joined(
  one('', 'linear-gradient(red, blue), ', 'image-set(', '-webkit-image-set(', 'none, '),
  address,
  one('', ')', ' 1x)', ', url(b.png)', ' 1x, url(c.png) 2x)'),
);
const declaration = joined(
  often('background-image:', 'background-image :', 'background-image: /* url(no.png) */'),
  space,
  value,
  often('', ';', '!important', '; color: red'),
);

/** The pictures that a browser takes a list of declarations to name; undefined where it takes none of it. */
const picturesInBrowser = (texts: readonly string[]) =>
  page.evaluate(
    (all) =>
      all.map((text) => {
        const p = document.querySelector('p')!;
        p.setAttribute('style', text);
        const said = p.style.backgroundImage;
        return [...said.matchAll(/url\("((?:[^"\\]|\\.)*)"\)/g)].map(([, quoted]) => quoted!.replace(/\\(.)/g, '$1'));
      }),
    texts,
  );

test('every address in a declaration that Chromium takes is found, and can be another', async () => {
  const texts = fc.sample(declaration, 3_000).sort((a, b) => a.length - b.length);
  const told = await picturesInBrowser(texts);
  const taken = texts.flatMap((text, i) => (told[i]!.length > 0 ? [{ text, told: told[i]! }] : []));
  expect(taken.length).toBeGreaterThan(500);
  const found = taken.map(({ text }) => ({ text, told: addressesIn(text).map((each) => each.address) }));
  expect(found).toEqual(taken);
  const other = await picturesInBrowser(taken.map(({ text }) => withAddresses(text, (each) => `other/${each}`)));
  expect(other.map((all, i) => ({ text: taken[i]!.text, all }))).toEqual(
    taken.map(({ text, told: all }) => ({ text, all: all.map((each) => `other/${each}`) })),
  );
});

const piece = one(
  ...[
    'a',
    '.b',
    ' ',
    ' ',
    '{',
    '{',
    '}',
    '}',
    '(',
    ')',
    '[',
    ']',
    '"',
    "'",
    '\\',
    '/*',
    '*/',
    'url(',
    'url(a',
    ';',
    ':',
    ',',
    '\n',
  ],
  ...[
    'color: red',
    'color: red;',
    '--x:',
    '--x: {',
    '@media screen {',
    '@layer x;',
    '@foo',
    '!',
    '<!--',
    '-->',
    '\\}',
    '\\\n',
    '\\7d',
    '&',
    '>',
  ],
  ...[
    '.a { color: red }',
    '.b { color: blue; .c { color: tan } }',
    '@media print { .d { color: red } }',
    '"a"',
    '/* a */',
    'u\\72l(',
  ],
);
const soup = fc.array(piece, { minLength: 1, maxLength: 9 }).map((all) => all.join(''));

// Values of custom properties are kept as they are written, so that of what closes them is none where a sheet ends before.
test('a sheet with something around it has the rules that it has alone, and what follows is as it would be', async () => {
  const sheets = fc.sample(soup, 7_000).sort((a, b) => a.length - b.length);
  const rulesOf = (texts: readonly string[]) =>
    page.evaluate(
      (all) =>
        all.map((css) => {
          const sheet = new CSSStyleSheet();
          sheet.replaceSync(css);
          return [...sheet.cssRules].map((rule) => rule.cssText.replace(/[\s)\]}'"\\]|\*\/|fffd|\ufffd/g, ''));
        }),
      texts,
    );
  const alone = await rulesOf(sheets);
  const around = await page.evaluate(
    (all) =>
      all.map((css) => {
        const sheet = new CSSStyleSheet();
        sheet.replaceSync(css);
        const [first, second] = sheet.cssRules;
        const inside =
          first instanceof CSSMediaRule
            ? [...first.cssRules].map((rule) => rule.cssText.replace(/[\s)\]}'"\\]|\*\/|fffd|\ufffd/g, ''))
            : ['nothing'];
        return { inside, behind: sheet.cssRules.length === 2 ? second!.cssText : `${sheet.cssRules.length} rules` };
      }),
    sheets.map((css) => `@media all {${balanced(css)}}.behind { color: red; }`),
  );
  const differing = sheets.flatMap((css, i) =>
    JSON.stringify(around[i]) === JSON.stringify({ inside: alone[i], behind: '.behind { color: red; }' })
      ? []
      : [{ css, balanced: balanced(css), alone: alone[i], around: around[i] }],
  );
  expect(differing.slice(0, 5)).toEqual([]);
  expect(alone.filter((rules) => rules.length > 0).length).toBeGreaterThan(1_000);
});
