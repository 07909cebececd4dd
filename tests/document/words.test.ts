import { definitionSyntax, lexer } from 'css-tree';
import type { DSNode } from 'css-tree';
import { checkNewValue, checkValue, isShorthand, PROPERTIES } from '@/core/styles';
import { launchChromium } from '@/server/browser/chromium';

/** The parts of the grammar's own that its types leave out. */
interface Grammar {
  readonly properties: Readonly<Record<string, { readonly syntax: DSNode | null }>>;
  readonly types: Readonly<Record<string, { readonly syntax: DSNode | null }>>;
}
const { properties, types } = lexer as unknown as Grammar;

/** Every word in the grammar of a property, in whatever it is made of. */
function wordsOf(property: string): ReadonlySet<string> {
  const words = new Set<string>();
  const seen = new Set<string>();
  const look = (syntax: DSNode | null | undefined) => {
    if (!syntax) return;
    definitionSyntax.walk(syntax, (node) => {
      if (node.type === 'Keyword') words.add(node.name);
      if ((node.type !== 'Type' && node.type !== 'Property') || seen.has(`${node.type} ${node.name}`)) return;
      seen.add(`${node.type} ${node.name}`);
      look((node.type === 'Type' ? types : properties)[node.name]?.syntax);
    });
  };
  look(properties[property]?.syntax);
  return words;
}

test('every word that a value may be written with is one that Chromium takes, and of those few are refused', async () => {
  const names = new Set([...PROPERTIES.map(({ name }) => name), ...Object.keys(properties).filter(isShorthand)]);
  const all = [...names].flatMap((property) =>
    [...wordsOf(property), 'inherit', 'initial', 'unset'].map((word) => [property, word] as const),
  );
  const browser = await launchChromium();
  const page = await browser.newPage();
  const taken = await page.evaluate((asked) => asked.map(([property, word]) => CSS.supports(property, word)), all);
  await browser.close();
  const differs = (takes: typeof checkValue) =>
    all.filter(([property, word], i) => takes(property, word).ok && !taken[i]).map((one) => one.join(': '));
  expect(differs(checkNewValue)).toEqual([]);
  // The grammar has many more.
  expect(differs(checkValue).length).toBeGreaterThan(500);
  // What both take is written as before.
  const lost = all.filter(
    ([property, word], i) => taken[i] && checkValue(property, word).ok && !checkNewValue(property, word).ok,
  );
  expect(lost).toEqual([]);
});

test.each([
  ['font-family', '-apple-system, Hand'],
  ['--width', 'intrinsic'],
  ['content', '"run-in"'],
  ['display', 'contents'],
])('a name or a text isn’t taken for such a word: %s: %s', (property, value) =>
  expect(checkNewValue(property, value)).toMatchObject({ ok: true }),
);

test.each([
  ['width', 'intrinsic', '"intrinsic" is no word that browsers take for width.'],
  ['background', 'url(picture:pa) -moz-Dialog', '"-moz-Dialog" is no word that browsers take for background.'],
])('%s: %s is refused with a reason', (property, value, message) =>
  expect(checkNewValue(property, value)).toEqual({ ok: false, message }),
);
