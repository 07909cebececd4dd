import { ownTurn } from './own-turn';

test('each gets a round of the event loop of its own, in the order of asking', async () => {
  let round = 0;
  let over = false;
  const count = () => {
    round++;
    if (!over) setImmediate(count);
  };
  setImmediate(count);
  const given: [number, number][] = [];
  const take = async (n: number) => {
    await ownTurn();
    given.push([n, round]);
  };
  await Promise.all([0, 1, 2, 3, 4].map(take));
  over = true;
  expect(given.map(([n]) => n)).toEqual([0, 1, 2, 3, 4]);
  expect(new Set(given.map(([, at]) => at)).size).toBe(5);
});
