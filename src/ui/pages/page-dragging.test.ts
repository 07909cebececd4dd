import { cardBefore } from './page-dragging';

const card = (id: string, column: number, row: number) => ({
  id,
  box: { left: column * 250, top: row * 180, width: 230, bottom: row * 180 + 170 },
});
const cards = [card('a', 0, 0), card('b', 1, 0), card('c', 0, 1), card('d', 1, 1)];

test.each([
  ['the left half of a card', 300, 100, 'b'],
  ['the right half of one', 200, 100, 'b'],
  ['the right end of a row', 900, 100, 'c'],
  ['between two rows', 300, 175, 'c'],
  ['the right half of the last', 450, 250, undefined],
  ['below all', 20, 900, undefined],
  ['above all', 900, -20, 'a'],
])('dropped at %s', (_, x, y, before) => {
  expect(cardBefore(cards, x, y)).toBe(before);
});
