import { facts } from '../checks/facts-for-tests';
import { Level } from '../codes';
import type { PageFacts } from '../facts';
import { boxHint } from './wrap-hint';

/** A box that holds 120 px of words, in a block that is half as wide as the window, less 10 px on both sides. */
function page(width: number, level: number = Level.inlineBlock, grows = false): PageFacts {
  const room = width / 2 - 20;
  const [wide, high] = room >= 120 ? [120, grows ? 60 : 18] : [room, 36];
  const one = facts(width, [
    { id: 'block', box: [0, 0, width / 2, 100] },
    { id: 'box', in: 'block', box: [10, 10, wide, high] },
  ]);
  return { ...one, level: one.level.map((own, i) => (i === 2 ? level : own)) };
}

test('a box in a line that is as wide as there is room is guessed to have room for its words where it first is as wide as at the wider end', () => {
  // Half the window less 20 px is 120 px at 280.
  expect(boxHint(page(201), page(400))).toBe(280);
  expect(boxHint(page(240), page(300))).toBe(280);
});

test('nothing is guessed where it is as high at both ends or higher at the wider one, is a block, or the place is an end', () => {
  expect(boxHint(page(201), page(270))).toBeUndefined();
  expect(boxHint(page(201, Level.inlineBlock, true), page(400, Level.inlineBlock, true))).toBeUndefined();
  expect(boxHint(page(201, Level.block), page(400, Level.block))).toBeUndefined();
  expect(boxHint(page(279), page(400))).toBeUndefined();
});
