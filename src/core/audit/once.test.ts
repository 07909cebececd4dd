import { facts } from './checks/facts-for-tests';
import { oncePerGiven } from './once';

test('what follows from styles is worked out again where one of them is another, and only there', () => {
  const asked: number[] = [];
  const count = oncePerGiven(
    ({ elements, shown }) => [elements, shown],
    ({ viewport, shown }) => (asked.push(viewport.width), shown.reduce((sum, one) => sum + one)),
  );
  const page = facts(400, [{ id: 'a', box: [0, 0, 10, 10] }]);
  expect([page, { ...page, viewport: { width: 401, height: 800 } }, page].map(count)).toEqual([2, 2, 2]);
  expect(asked).toEqual([400]);
  const hidden = { ...page, shown: Uint8Array.of(1, 0), viewport: { width: 402, height: 800 } };
  expect([hidden, page].map(count)).toEqual([1, 2]);
  expect(asked).toEqual([400, 402, 400]);
});
