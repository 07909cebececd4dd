import { demoProject } from '@/demo';
import type { Edit, LogEntry, PendingEntry } from '@/core/edits';
import { keepFile, lackingFiles } from '@/core/render';
import { applyEdit, EMPTY_HISTORY, opened } from '@/core/edits';
import type { SaveAnswer } from '../requests/requests';
import { openProject, Refused, saveEdits } from '../requests/requests';
import { commit } from './edits';
import { useSession } from '../state/store';
import { hear, settled } from './sync';

jest.mock('../measuring/sweep', () => ({ invalidateSweeps: jest.fn(), continueSweep: jest.fn(), allWidthsChanged: jest.fn() }));
jest.mock('../requests/requests', () => ({
  ...jest.requireActual<object>('../requests/requests'),
  saveEdits: jest.fn(),
  openProject: jest.fn(),
}));
const save = saveEdits as unknown as jest.Mock<Promise<SaveAnswer>, [string, number, readonly PendingEntry[]]>;
/** A server that takes all it is sent. */
const taken = (_: string, revision: number, batch: readonly PendingEntry[]): Promise<SaveAnswer> =>
  Promise.resolve({ entries: batch.map(({ id }, i) => ({ revision: revision + i + 1, id })), known: [], refused: [] });

const demo = demoProject('00000000-0000-4000-8000-000000000000');
// What its pictures hold is there already.
for (const hash of lackingFiles(demo)) keepFile(hash, 'data:,');
const [, first, second] = Object.keys(demo.pages[0]!.elements);
const colour = (node: string, value: string): Edit => ({ type: 'setStyle', owner: node, at: 'base', property: 'color', value });
const state = () => useSession.getState();
const colourOf = (node: string) => state().project.pages[0]!.elements[node]!.styles.base?.color;

beforeEach(() => {
  jest.useFakeTimers();
  save.mockReset();
  useSession.setState({ ...opened(demo, 5, EMPTY_HISTORY), problems: [], saving: 'saved', pageId: 'gfront' });
});
afterEach(() => jest.useRealTimers());

const theirs = (revision: number): LogEntry => ({
  revision,
  id: `theirs ${revision}`,
  kind: 'do',
  edit: colour(second!, 'blue'),
  inverse: applyEdit(demo, colour(second!, 'blue')).inverse,
});

test('edits that follow quickly travel together, on the revision they were made on', async () => {
  save.mockImplementation(taken);
  commit(colour(first!, 'red'));
  commit(colour(second!, 'blue'));
  expect(state().saving).toBe('saving');
  await jest.advanceTimersByTimeAsync(300);
  expect(save).toHaveBeenCalledTimes(1);
  expect(save.mock.calls[0]![1]).toBe(5);
  expect(save.mock.calls[0]![2]).toHaveLength(2);
  expect([state().revision, state().saving, state().pending.length]).toEqual([7, 'saved', 0]);
  expect(state().confirmed).toBe(state().project);
});

test('what was saved is told once, and not again when it comes back among all edits', async () => {
  save.mockImplementation(taken);
  commit(colour(first!, 'red'));
  const [{ edit, id, inverse }] = state().pending as [PendingEntry];
  const told: string[] = [];
  const unsubscribe = useSession.subscribe(({ saving, revision }) => void told.push(`${saving} ${revision}`));
  await jest.advanceTimersByTimeAsync(300);
  hear([{ revision: 6, id, kind: 'do', edit, inverse }]);
  unsubscribe();
  expect(told).toEqual(['saving 5', 'saved 6']);
});

test("others' edits come in with the answer or by themselves, and stay under one's own", async () => {
  save.mockImplementationOnce((_, __, [mine]) =>
    Promise.resolve({ entries: [theirs(6), { revision: 7, id: mine!.id }], known: [], refused: [] }),
  );
  commit(colour(first!, 'red'));
  await jest.advanceTimersByTimeAsync(300);
  expect([colourOf(first!), colourOf(second!), state().revision]).toEqual(['red', 'blue', 7]);
  commit(colour(first!, 'green'));
  hear([theirs(6), { ...theirs(8), edit: { type: 'setText', node: 'egone', text: 'x' } }].slice(0, 1));
  hear([{ ...theirs(8), edit: colour(first!, 'black') }]);
  expect([colourOf(first!), state().confirmed.pages[0]!.elements[first!]!.styles.base!.color, state().revision]).toEqual([
    'green',
    'black',
    8,
  ]);
});

test('no answer: nothing is lost, and it is tried as it was until there is one', async () => {
  save
    .mockRejectedValueOnce(new TypeError('no network'))
    .mockRejectedValueOnce(new Refused(503, 'The database does not answer.'))
    .mockImplementationOnce(taken);
  commit(colour(first!, 'red'), 'drag');
  await jest.advanceTimersByTimeAsync(900);
  expect([state().saving, state().pending.length]).toEqual(['waiting', 1]);
  // What was on its way takes nothing more in, though the gesture goes on.
  commit(colour(first!, 'green'), 'drag');
  expect(state().pending).toHaveLength(2);
  const done = settled();
  await jest.advanceTimersByTimeAsync(5_000);
  await done;
  expect([state().saving, state().pending.length, state().problems.length, colourOf(first!)]).toEqual(['saved', 0, 0, 'green']);
  const [once, twice, last] = save.mock.calls.map(([, , batch]) => batch[0]!);
  expect([twice!.edit, last!.edit]).toEqual([once!.edit, once!.edit]);
});

test('refused by the server: taken back here and said; what came after stays', async () => {
  save.mockImplementationOnce((_, __, [mine]) => {
    commit(colour(second!, 'blue'));
    return Promise.resolve({ entries: [], known: [], refused: [{ id: mine!.id, why: 'No.' }] });
  });
  save.mockImplementationOnce(taken);
  commit(colour(first!, 'red'));
  await jest.advanceTimersByTimeAsync(1_000);
  expect([colourOf(first!), colourOf(second!), state().saving]).toEqual([undefined, 'blue', 'saved']);
  expect(state().problems).toEqual([expect.stringMatching(/could not be made: No\./)]);
  expect(state().history.undo).toHaveLength(1);
});

test('a request that is refused as a whole is sent edit by edit, and only what is wrong goes', async () => {
  save.mockImplementation((id, revision, batch) =>
    batch.some(({ edit }) => edit.type === 'setStyle' && edit.value === 'red')
      ? Promise.reject(new Refused(413, 'Too large.'))
      : taken(id, revision, batch),
  );
  commit(colour(first!, 'red'));
  commit(colour(second!, 'blue'));
  await jest.advanceTimersByTimeAsync(1_000);
  expect([colourOf(first!), colourOf(second!), state().saving, state().pending.length]).toEqual([undefined, 'blue', 'saved', 0]);
  expect(state().problems).toEqual([expect.stringMatching(/Too large/)]);
});

test('a server that has gone back to before what this window knows: its project, with what waits on top', async () => {
  jest.mocked(openProject).mockResolvedValueOnce({ project: demo, revision: 2, history: EMPTY_HISTORY });
  save.mockRejectedValueOnce(new Refused(409, 'No such revision.')).mockImplementation(taken);
  commit(colour(first!, 'red'));
  await jest.advanceTimersByTimeAsync(1_000);
  expect(save.mock.calls.map(([, revision]) => revision)).toEqual([5, 2]);
  expect([colourOf(first!), state().revision, state().saving, state().problems]).toEqual(['red', 3, 'saved', []]);
});

test('a project that was put away keeps what waits until it is brought back', async () => {
  save.mockRejectedValueOnce(new Refused(404, 'There is no such project.')).mockImplementation(taken);
  commit(colour(first!, 'red'));
  await jest.advanceTimersByTimeAsync(300);
  expect([state().saving, state().pending.length, state().problems]).toEqual(['waiting', 1, []]);
  await jest.advanceTimersByTimeAsync(3_000);
  expect([state().saving, colourOf(first!)]).toEqual(['saved', 'red']);
});
