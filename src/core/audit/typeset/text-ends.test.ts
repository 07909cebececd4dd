import { paragraphOf } from './paragraph-for-tests';
import { apartAt, mayTurn, turnsAt } from './text-ends';

/** Two texts in the middle of their room: the last letter of the first comes nearer to the space behind it. */
function drawnAtItsEnd(exact = 0) {
  const { segments, ...rest } = paragraphOf([[30, 30], [90]], { align: 0.5 });
  return { ...rest, exact, segments: { ...segments, apart: Float64Array.from([0, 0.5, 0]) } };
}
const STARTS = Int32Array.from([0, 2]);

test('a line is wider where there is room for the space behind the text that it ends with', () => {
  const paragraph = drawnAtItsEnd();
  expect([64.2, 67.9, 68, 90].map((room) => apartAt(paragraph, 0, 2, room))).toEqual([0, 0, 0.5, 0.5]);
  expect([64.2, 67.9, 68, 90].map((room) => [...turnsAt(paragraph, STARTS, room, 0)!])).toEqual([
    [0, 0],
    [0, 0],
    [1, 0],
    [1, 0],
  ]);
  expect(mayTurn(paragraph)).toBe(true);
});

test('it isn’t known whether it is where room or letters are less well known', () => {
  expect(turnsAt(drawnAtItsEnd(), STARTS, 67.95, 1 / 16)).toBeUndefined();
  expect(turnsAt(drawnAtItsEnd(0.06), STARTS, 67.95, 0)).toBeUndefined();
  expect([...turnsAt(drawnAtItsEnd(0.03), STARTS, 67.9, 0)!]).toEqual([0, 0]);
});

test('nothing turns where letters stand apart anyhow, or the space stays', () => {
  const paragraph = drawnAtItsEnd();
  const { texts, segments } = paragraph;
  const others = [
    { ...paragraph, texts: { ...texts, spaceless: Uint8Array.from([0, 0]) } },
    { ...paragraph, segments: { ...segments, apart: Float64Array.from([0.5, 0, 0]) } },
  ];
  for (const one of others) expect([mayTurn(one), [...turnsAt(one, STARTS, 68, 1)!]]).toEqual([false, []]);
});
