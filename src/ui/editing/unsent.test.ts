import { demoProject } from '@/demo';
import * as requests from '../requests/requests';
import { commit } from './edits';
import { keepUnsent, keepWaiting, sendUnsent, stillHere } from './unsent';
import { openForTests } from '../state/store-for-tests';
import { useSession } from '../state/store';

jest.mock('./sync', () => ({ schedule: jest.fn(), settled: jest.fn() }));
jest.mock('../measuring/sweep', () => ({ invalidateSweeps: jest.fn(), continueSweep: jest.fn(), forgetSweeps: jest.fn() }));
jest.mock('../requests/requests', () => ({
  ...jest.requireActual('../requests/requests'),
  saveEdits: jest.fn(),
  openProject: jest.fn(),
}));

const demo = demoProject('00000000-0000-4000-8000-000000000000');
const [save, open] = [jest.mocked(requests.saveEdits), jest.mocked(requests.openProject)];
const { NoAnswer, Refused } = requests;
const answer = (refused: { id: string; why: string }[] = []) => ({ revision: 9, entries: [], refused, known: [] }) as never;
const kept = () => Object.keys(localStorage);
const write = (value: string) => commit({ type: 'setStyle', owner: 'efront1', at: 'base', property: 'width', value });

beforeEach(() => {
  globalThis.localStorage = {
    getItem(key: string) {
      return (this as unknown as Record<string, string>)[key] ?? null;
    },
    setItem(key: string, value: string) {
      (this as unknown as Record<string, string>)[key] = value;
    },
    removeItem(key: string) {
      delete (this as unknown as Record<string, string>)[key];
    },
  } as unknown as Storage;
  for (const name of ['getItem', 'setItem', 'removeItem']) Object.defineProperty(localStorage, name, { enumerable: false });
  jest.resetAllMocks();
  openForTests(demo, {});
  useSession.setState({ projectId: demo.id, revision: 7 });
});

test('what waits is kept when the window goes, and let go of when it is there again', () => {
  keepUnsent();
  expect(kept()).toEqual([]);
  write('300px');
  keepUnsent();
  expect(kept()).toHaveLength(1);
  stillHere();
  expect(kept()).toEqual([]);
});

test('it is sent once, by its ids and from its revision, and said; of other projects nothing is', async () => {
  write('300px');
  write('310px');
  keepUnsent();
  const ids = useSession.getState().pending.map(({ id }) => id);
  expect(await sendUnsent('another')).toEqual({ news: undefined, problems: [] });
  expect(save).not.toHaveBeenCalled();
  save.mockResolvedValue(answer());
  expect((await sendUnsent(demo.id)).news).toMatch(/^2 edits .* are saved now\.$/);
  expect([save.mock.calls[0]![1], save.mock.calls[0]![2].map(({ id }) => id)]).toEqual([7, ids]);
  expect(kept()).toEqual([]);
});

test('without an answer all is kept; a server that has gone back takes it from there', async () => {
  write('300px');
  keepUnsent();
  save.mockRejectedValueOnce(new NoAnswer('Nobody there.'));
  await expect(sendUnsent(demo.id)).rejects.toThrow(NoAnswer);
  expect(kept()).toHaveLength(1);
  save.mockRejectedValueOnce(new Refused(500, 'A fault.'));
  expect(await sendUnsent(demo.id)).toEqual({ news: undefined, problems: [expect.stringContaining('A fault.')] });
  expect(kept()).toHaveLength(1);
  save.mockRejectedValueOnce(new Refused(409, 'There is no such revision.'));
  open.mockResolvedValue({ revision: 3 } as never);
  save.mockResolvedValue(answer());
  expect((await sendUnsent(demo.id)).news).toMatch(/^1 edit .* is saved now\.$/);
  expect(save.mock.calls.at(-1)![1]).toBe(3);
});

test('refused as a whole, they are sent one by one, and each that can not be made is said', async () => {
  write('300px');
  write('310px');
  keepUnsent();
  save.mockRejectedValueOnce(new Refused(422, 'No.'));
  save.mockRejectedValueOnce(new Refused(422, 'The first is wrong.'));
  save.mockResolvedValue(answer());
  const { news, problems } = await sendUnsent(demo.id);
  expect(news).toMatch(/^1 edit /);
  expect(problems).toEqual([expect.stringContaining('The first is wrong.')]);
  localStorage.setItem(`mill-pond-unsent ${demo.id} x`, '{"revision":1');
  expect((await sendUnsent(demo.id)).problems).toEqual([expect.stringContaining('can’t be read')]);
  expect(kept()).toEqual([]);
});

test('an edit of a kind that there is no more is refused like any other; the project opens', async () => {
  const edits = [{ id: 'a', kind: 'do', edit: { type: 'nothing' } }];
  localStorage.setItem(`mill-pond-unsent ${demo.id} x`, JSON.stringify({ revision: 1, edits }));
  save.mockRejectedValue(new Refused(400, 'There is no such kind of edit.'));
  expect((await sendUnsent(demo.id)).problems).toEqual([expect.stringContaining('no such kind of edit')]);
  expect(kept()).toEqual([]);
});

/** Locks of two windows: those of windows that live are held. */
function fakeLocks(held: Set<string>) {
  const request = async (name: string, ...more: unknown[]) => {
    const run = more.pop() as (lock: unknown) => Promise<void>;
    if (held.has(name)) return run(null);
    held.add(name);
    await run({}).finally(() => held.delete(name));
  };
  Object.defineProperty(globalThis, 'navigator', { value: { locks: { request } }, configurable: true });
}

test('what waits for long is written down, for the case that the window is killed; while it lives nobody else sends it', async () => {
  jest.useFakeTimers();
  const held = new Set<string>();
  fakeLocks(held);
  save.mockResolvedValue(answer());
  keepWaiting();
  write('300px');
  jest.advanceTimersByTime(400);
  expect(kept()).toEqual([]);
  jest.advanceTimersByTime(200);
  expect(kept()).toHaveLength(1);
  // Saved after all.
  useSession.setState({ pending: [] });
  expect(kept()).toEqual([]);
  write('310px');
  write('320px');
  jest.advanceTimersByTime(600);
  expect(await sendUnsent(demo.id)).toEqual({ news: undefined, problems: [] });
  expect([save.mock.calls.length, kept().length]).toEqual([0, 1]);
  held.clear();
  expect((await sendUnsent(demo.id)).news).toMatch(/^2 edits /);
  expect(kept()).toEqual([]);
  jest.useRealTimers();
});
