import { demoProject } from '@/demo';
import type { Edit, LogEntry } from '@/core/edits';
import { applyEdit, EMPTY_HISTORY } from '@/core/edits';
import type { PendingEdit, SaveAnswer } from './api';
import { Refused, saveEdits } from './api';
import { commit } from './edits';
import { useSession } from './store';
import { settled } from './sync';

jest.mock('./sweep', () => ({ invalidateSweeps: jest.fn(), continueSweep: jest.fn(), allWidthsChanged: jest.fn() }));
jest.mock('./api', () => ({ ...jest.requireActual<object>('./api'), saveEdits: jest.fn() }));
const save = saveEdits as unknown as jest.Mock<Promise<SaveAnswer>, [string, number, readonly PendingEdit[]]>;

const demo = demoProject('00000000-0000-4000-8000-000000000000');
const [, first, second] = Object.keys(demo.pages[0]!.elements);
const colour = (node: string, value: string): Edit => ({
  type: 'setStyle',
  node,
  at: 'base',
  property: 'color',
  value,
});
const state = () => useSession.getState();
const colourOf = (node: string) => state().project.pages[0]!.elements[node]!.styles.base?.color;

beforeEach(() => {
  jest.useFakeTimers();
  save.mockReset();
  useSession.setState({
    project: demo,
    confirmed: demo,
    history: EMPTY_HISTORY,
    confirmedHistory: EMPTY_HISTORY,
    revision: 5,
    pending: [],
    problems: [],
    saving: 'saved',
    pageId: 'gfront',
  });
});
afterEach(() => jest.useRealTimers());

test('edits that follow quickly travel together, on the revision they were made on', async () => {
  save.mockResolvedValue({ status: 'saved', revision: 7 });
  commit(colour(first!, 'red'));
  commit(colour(second!, 'blue'));
  expect(state().saving).toBe('saving');
  await jest.advanceTimersByTimeAsync(300);
  expect(save).toHaveBeenCalledTimes(1);
  expect(save.mock.calls[0]![1]).toBe(5);
  expect(save.mock.calls[0]![2]).toHaveLength(2);
  expect([state().revision, state().saving, state().pending.length]).toEqual([7, 'saved', 0]);
  expect(state().confirmed).toEqual(state().project);
});

test('behind others: their edits are taken in, and one’s own sent again on top', async () => {
  const theirs: LogEntry = {
    revision: 6,
    id: 'theirs',
    kind: 'do',
    edit: colour(second!, 'blue'),
    inverse: applyEdit(demo, colour(second!, 'blue')).inverse,
  };
  save
    .mockResolvedValueOnce({ status: 'stale', revision: 6, missed: [theirs] })
    .mockResolvedValueOnce({ status: 'saved', revision: 7 });
  commit(colour(first!, 'red'));
  await jest.advanceTimersByTimeAsync(300);
  expect(save.mock.calls.map(([, revision]) => revision)).toEqual([5, 6]);
  expect([colourOf(first!), colourOf(second!), state().revision]).toEqual(['red', 'blue', 7]);
});

test('no answer: nothing is lost, and it is tried until there is one', async () => {
  save
    .mockRejectedValueOnce(new TypeError('no network'))
    .mockRejectedValueOnce(new Refused(503, 'The database does not answer.'))
    .mockResolvedValueOnce({ status: 'saved', revision: 6 });
  commit(colour(first!, 'red'));
  await jest.advanceTimersByTimeAsync(300);
  expect([state().saving, state().pending.length]).toEqual(['waiting', 1]);
  const done = settled();
  await jest.advanceTimersByTimeAsync(5_000);
  await done;
  expect([state().saving, state().pending.length, state().problems.length, colourOf(first!)]).toEqual([
    'saved',
    0,
    0,
    'red',
  ]);
});

test('refused by the server: taken back here and said; what came after stays', async () => {
  save.mockImplementationOnce(() => {
    commit(colour(second!, 'blue'));
    return Promise.reject(new Refused(422, 'No.'));
  });
  save.mockResolvedValueOnce({ status: 'saved', revision: 6 });
  commit(colour(first!, 'red'));
  await jest.advanceTimersByTimeAsync(1_000);
  expect([colourOf(first!), colourOf(second!), state().saving]).toEqual([undefined, 'blue', 'saved']);
  expect(state().problems).toEqual([expect.stringMatching(/refused an edit: No\./)]);
  expect(state().history.undo).toHaveLength(1);
});
