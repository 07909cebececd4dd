import { Aborted, Turns } from './turns';

const now = { urgency: 'now' } as const;
const later = { urgency: 'later' } as const;

function gate() {
  let open = () => {};
  const passed = new Promise<void>((resolve) => (open = resolve));
  return { passed, open };
}

test('whoever somebody waits for comes before work in the background, each in the order of asking', async () => {
  const turns = new Turns(1);
  const order: string[] = [];
  const first = gate();
  const all = [
    turns.run(now, () => first.passed),
    ...['later 1', 'later 2'].map((name) => turns.run(later, async () => void order.push(name))),
    ...['now 1', 'now 2'].map((name) => turns.run(now, async () => void order.push(name))),
  ];
  first.open();
  await Promise.all(all);
  expect(order).toEqual(['now 1', 'now 2', 'later 1', 'later 2']);
});

test('one that holds its turn doesn’t stop the others, and work in the background leaves a turn free', async () => {
  const turns = new Turns(3);
  const held = gate();
  let begun = 0;
  const background = [1, 2, 3].map(() =>
    turns.run(later, async () => {
      begun++;
      await held.passed;
    }),
  );
  await expect(turns.run(now, () => Promise.resolve('served'))).resolves.toBe('served');
  expect(begun).toBe(2);
  held.open();
  await Promise.all(background);
  expect(begun).toBe(3);
});

test('a turn comes back however the work ends: thrown before its first await, left by its reader, never read', async () => {
  const turns = new Turns(1);
  await expect(
    turns.run(now, () => {
      throw new Error('at once');
    }),
  ).rejects.toThrow('at once');
  let ended = 0;
  async function* work() {
    try {
      for (let i = 0; ; i++) yield i;
    } finally {
      ended++;
    }
  }
  for await (const i of turns.stream(now, work)) if (i === 2) break;
  expect(ended).toBe(1);
  const unread = turns.stream(now, work, 20);
  await unread.next();
  await expect(turns.run(now, () => Promise.resolve(1))).resolves.toBe(1);
  await expect(unread.next()).rejects.toThrow(/nobody took/);
  const failing = turns.stream(now, async function* (): AsyncGenerator<never> {
    throw new Error('broken');
  });
  await expect(failing.next()).rejects.toThrow('broken');
  await expect(turns.run(now, () => Promise.resolve(2))).resolves.toBe(2);
});

test('waiting has an end of its own, and whoever goes leaves the queue', async () => {
  const turns = new Turns(1);
  const held = gate();
  const holding = turns.run(now, () => held.passed);
  await expect(turns.run({ ...now, waitMostMs: 20 }, () => Promise.resolve())).rejects.toMatchObject({
    status: 503,
    message: expect.stringMatching(/busy with other measurements/) as unknown,
  });
  const stop = new AbortController();
  const gone = turns.run({ ...later, signal: stop.signal }, () => Promise.resolve());
  stop.abort();
  await expect(gone).rejects.toThrow(Aborted);
  held.open();
  await holding;
  await expect(turns.run(later, () => Promise.resolve('free'))).resolves.toBe('free');
});

test('work in the background is not put off for ever', async () => {
  const turns = new Turns(1);
  let stop = false;
  // Somebody always waits.
  const busy = [1, 2].map(async () => {
    while (!stop) await turns.run(now, () => new Promise((done) => setTimeout(done, 5)));
  });
  await turns.run(later, () => Promise.resolve());
  stop = true;
  await Promise.all(busy);
});
