import { together } from './together';

const later = (ms: number) => new Promise((done) => setTimeout(done, ms));

async function* counting(name: string, to: number, ended: string[], failsAt = Infinity): AsyncGenerator<string> {
  try {
    for (let i = 1; i <= to; i++) {
      await later(1);
      if (i === failsAt) throw new Error(`${name} failed`);
      yield `${name}${i}`;
    }
  } finally {
    ended.push(name);
  }
}

test('all that several sources tell comes, each in its order', async () => {
  const told: string[] = [];
  for await (const one of together([counting('a', 3, []), counting('b', 5, []), counting('c', 0, [])])) told.push(one);
  expect(told.filter((one) => one.startsWith('a'))).toEqual(['a1', 'a2', 'a3']);
  expect(told).toHaveLength(8);
});

test('the first that fails ends the others, and so does whoever has heard enough', async () => {
  const ended: string[] = [];
  const all = together([counting('a', 100, ended), counting('b', 100, ended, 3)]);
  await expect(
    (async () => {
      for await (const _ of all);
    })(),
  ).rejects.toThrow('b failed');
  expect(ended.sort()).toEqual(['a', 'b']);
  const left: string[] = [];
  for await (const _ of together([counting('c', 100, left), counting('d', 100, left)])) break;
  expect(left.sort()).toEqual(['c', 'd']);
});
