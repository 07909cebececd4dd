import { takeTurn } from './turns';
import { TooLong, withinTime } from './within-time';

test('whoever somebody waits for comes before work in the background, each in the order of asking', async () => {
  const order: string[] = [];
  const first = await takeTurn();
  const later = ['later 1', 'later 2'].map(async (name) => {
    const done = await takeTurn('later');
    order.push(name);
    done();
  });
  const now = ['now 1', 'now 2'].map(async (name) => {
    const done = await takeTurn('now');
    order.push(name);
    done();
  });
  first();
  first();
  await Promise.all([...later, ...now]);
  expect(order).toEqual(['now 1', 'now 2', 'later 1', 'later 2']);
});

test('work in the browser that never ends is given up', async () => {
  const giveUp = jest.fn(() => Promise.resolve());
  await expect(withinTime(new Promise(() => undefined), 20, giveUp)).rejects.toThrow(TooLong);
  expect(giveUp).toHaveBeenCalledTimes(1);
  await expect(withinTime(Promise.resolve(7), 20, giveUp)).resolves.toBe(7);
  await expect(withinTime(Promise.reject(new Error('gone')), 20, giveUp)).rejects.toThrow('gone');
  expect(giveUp).toHaveBeenCalledTimes(1);
});
