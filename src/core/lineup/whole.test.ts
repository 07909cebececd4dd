import { keepIn } from './keep-in';
import type { Whole } from './whole';
import { cutInWords, nextWhole, WHOLE_MOST } from './whole';

/** Gives a page what it asks for until it asks for no more. */
function settle(natural: (height: number) => number, least = 600): Whole {
  let whole: Whole = { height: least, rounds: 0 };
  for (let i = 0; i < 100; i++) {
    const next = nextWhole(whole, natural(whole.height), least);
    if (next === whole || next.height === whole.height) return next;
    whole = next;
  }
  throw new Error('It never settles.');
}

test.each<[string, (height: number) => number, Whole]>([
  ['a plain page', () => 2400, { height: 2400, rounds: 1 }],
  ['a page shorter than the screen', () => 300, { height: 600, rounds: 0 }],
  ['a page that fills its viewport', (height) => height, { height: 600, rounds: 0 }],
  ['a page that grows once with it', (height) => (height < 900 ? 900 : 1000), { height: 1000, rounds: 2 }],
  ['a page that grows without end', (height) => height + 10, { height: 660, rounds: 6, cut: 'endless' }],
  ['a page twice as high as its viewport', (height) => height * 2, { height: WHOLE_MOST, rounds: 5, cut: 'long' }],
  ['a page that is far too long', () => 90_000, { height: WHOLE_MOST, rounds: 0, cut: 'long' }],
])('%s', (_, natural, whole) => {
  const settled = settle(natural);
  expect(settled).toEqual(whole);
  if (settled.cut) expect(cutInWords(settled.cut)).toMatch(/without end|20,000 px/);
});

test('the room that a band shares begins at its narrowest width and ends with the lowest of its devices', () => {
  const set = { baseName: 'Wide', breakpoints: [{ id: 'bm', name: 'Middle', condition: { from: 600, below: 900 } }] };
  const at = (width: number, height: number) => ({ width, height, pointer: 'finger' as const });
  const others = [at(400, 700), at(716, 750), at(800, 1044), at(1340, 700)];
  expect(keepIn(set, others[2]!, others)).toMatchObject({ width: 600, height: 750, band: { name: 'Middle' } });
  expect(keepIn(set, others[0]!, others)).toMatchObject({ width: 320, height: undefined });
  expect(keepIn(set, at(212, 252), others)).toMatchObject({ width: 212, height: 252 });
});
