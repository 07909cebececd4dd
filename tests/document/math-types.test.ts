import fc from 'fast-check';
import { checkNewValue, checkValue } from '@/core/styles';
import { launchChromium } from '@/server/browser/chromium';

/** What it stands in, to be filled in. */
const PLACES = [
  ['width', '#'],
  ['margin', '# auto'],
  ['padding-left', '#'],
  ['border-top-width', '#'],
  ['opacity', '#'],
  ['z-index', '#'],
  ['line-height', '#'],
  ['flex-grow', '#'],
  ['grid-template-columns', 'minmax(#, 1fr) #'],
  ['background-image', 'linear-gradient(#, red 2px, blue)'],
  ['color', 'rgb(# 20 30)'],
  ['transform', 'translate(#, 2px)'],
] as const;

/** Mostly what goes together, and now and then anything. */
const VALUES = [
  ['1px', '2em', '10vw'],
  ['3%', '1px', '2em'],
  ['2', '0', '1.5', 'pi', '-infinity'],
  ['45deg', '1turn'],
  ['1px', '3%', '45deg', '2', '0.2s', 'e', '1fr', '1foo', '5cqw', '2rlh', 'auto'],
];
const SIGNS = [' + ', ' - ', ' + ', ' - ', ' * 2 + ', ' / 2 - ', ' * ', ' / ', '*', '+', ' -', '+ '];
const NAMES = ['calc', 'min', 'max', 'clamp', 'round', 'mod', 'rem', 'abs', 'hypot', 'calc', 'min', 'round(up,', 'clamp(none,'];
const OF_NUMBERS = ['sign', 'sin', 'atan', 'atan2', 'pow', 'sqrt', 'log', 'exp'];

function mathOf(values: readonly string[]): fc.Arbitrary<string> {
  const { math } = fc.letrec<{ math: string; term: string; sum: string }>((tie) => ({
    math: fc
      .tuple(fc.constantFrom(...NAMES, ...NAMES, ...OF_NUMBERS), fc.array(tie('sum'), { minLength: 1, maxLength: 3 }))
      // Of some the first argument is a word.
      .map(
        ([called, list]) =>
          `${called.includes('(') ? called : `${called}(`}${(/calc|abs/.test(called) ? list.slice(0, 1) : list).join(', ')})`,
      ),
    term: fc.oneof(
      { depthSize: 'small', withCrossShrink: true },
      { weight: 6, arbitrary: fc.constantFrom(...values) },
      { weight: 1, arbitrary: tie('sum').map((sum) => `(${sum})`) },
      { weight: 1, arbitrary: tie('math') },
    ),
    sum: fc
      .tuple(tie('term'), fc.array(fc.tuple(fc.constantFrom(...SIGNS), tie('term')), { maxLength: 2 }))
      .map(([first, more]) => first + more.flat().join('')),
  }));
  return math;
}
const math = fc.oneof(...VALUES.map(mathOf));

/** Chromium takes logarithms and roots of some dimensions (`line-height: exp(10vw)`), which can't be (CSS Values 4, 10.5). */
const isOfDimensions = (text: string): boolean => /(exp|sqrt|log|pow)\(/.test(text) && /em|vw|deg|cqw|rlh/.test(text);
/** What percentages are shares of is told by the place, and where a number follows of them or they multiply something, browsers say it in their own ways. */
const multipliesShares = (text: string): boolean =>
  text.includes('%') &&
  (/(sign|sin|atan2?|exp|sqrt|log|pow)\(/.test(text) || /[*/]/.test(text.replace(/ ?[*/] ?(\d+(\.\d+)?|pi)(?![\w%.])/g, '')));

test('math is taken where Chromium takes it, of whatever types it is made', async () => {
  const all = fc
    .sample(fc.tuple(fc.constantFrom(...PLACES), math, math), { numRuns: 2_400, seed: Number(process.env.SEED ?? 20) })
    .map(([[property, place], a, b]) => [property, place.replace('#', a).replace('#', b)] as const);
  const browser = await launchChromium();
  const page = await browser.newPage();
  const taken = await page.evaluate((asked) => asked.map(([property, text]) => CSS.supports(property, text)), all);
  await browser.close();
  // What the grammar in use doesn't know is refused as before.
  const read = all.map((one, i) => ({ one, takes: taken[i] })).filter(({ one }) => checkValue(...one).ok);
  const wrong = read
    .filter(({ one, takes }) => checkNewValue(...one).ok !== takes)
    .filter(({ one: [, text], takes }) => !(takes && isOfDimensions(text)) && !multipliesShares(text))
    .map(({ one }) => one.join(': '));
  expect(wrong).toEqual([]);
  const refused = read.filter(({ takes }) => !takes).length;
  expect(refused).toBeGreaterThan(400);
  expect(read.length - refused).toBeGreaterThan(120);
});

test.each([
  ['width', 'calc(100% - 2)', /doesn't add up: a unit/],
  ['width', 'calc(2 * 3)', /comes to isn't what width can have/],
  ['grid-template-columns', 'minmax(min(2px, 1), 1fr)', /doesn't add up/],
])('%s: %s is refused, with the reason', (property, text, reason) => {
  expect(checkNewValue(property, text)).toEqual({ ok: false, message: expect.stringMatching(reason) });
  // What documents hold stays readable.
  expect(checkValue(property, text)).toMatchObject({ ok: true });
});
