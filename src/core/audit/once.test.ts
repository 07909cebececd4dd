import { facts } from './checks/facts-for-tests';
import { oncePerGiven } from './once';

test('what follows from styles is worked out again where one of them is another, and only there', () => {
  const asked: number[] = [];
  const count = oncePerGiven(
    ({ elements, shown }) => [elements, shown],
    ({ viewport, shown }) => (asked.push(viewport.width), shown.reduce((sum, one) => sum + one)),
  );
  const page = facts(400, [{ id: 'a', box: [0, 0, 10, 10] }]);
  expect([page, { ...page, viewport: { width: 401, height: 800 } }, page].map((one) => count(one))).toEqual([2, 2, 2]);
  expect(asked).toEqual([400]);
  const hidden = { ...page, shown: Uint8Array.of(1, 0), viewport: { width: 402, height: 800 } };
  expect([hidden, page].map((one) => count(one))).toEqual([1, 2]);
  expect(asked).toEqual([400, 402, 400]);
});

test('what is asked with another limit is worked out anew', () => {
  const wider = oncePerGiven(
    ({ elements }) => [elements],
    ({ boxes }, limit) => boxes.filter((_, i) => i % 4 === 2 && boxes[i]! > limit).length,
  );
  const page = facts(400, [{ id: 'a', box: [0, 0, 10, 10] }]);
  expect([5, 50, 50, 5].map((limit) => wider(page, limit))).toEqual([2, 1, 1, 2]);
});
