import type { Edit, LogEntry, PendingEntry } from './index';
import { applyEdit, EMPTY_HISTORY, joinEdits, made, opened, received, reopened, sent, stepped, takeIn } from './index';
import { HEADING, insert, MAIN, make, makeFrom, MIDDLE, set, START, TEXT } from './project-for-tests';

const PROJECT = make(MIDDLE);
const LOG = opened(PROJECT, 4, EMPTY_HISTORY);
const entry = (revision: number, id: string, edit: Edit): LogEntry => ({ revision, id, kind: 'do', edit, inverse: edit });
const edits = (...list: readonly Edit[]) => list.reduce((log, edit, i) => made(log, `own${i}`, edit).log, LOG);
const gesture = (at: number) => ({ key: 'padding', at });
const styleOf = ({ project }: { project: typeof PROJECT }, id: string) => project.pages[0]!.elements[id]!.styles.base;

test('steps of a gesture that write different values are one entry that holds them all', () => {
  // A handle dragged with Alt (all sides) and then without (one).
  const first = made(
    LOG,
    'a',
    {
      type: 'restyle',
      label: 'Padding',
      changes: ['left', 'right'].map((side) => ({ owner: TEXT, at: 'base', property: `padding-${side}`, value: '4px' })),
    },
    gesture(0),
  );
  const second = made(first.log, 'b', set(TEXT, 'base', 'padding-left', '9px'), gesture(100));
  expect(second.log.pending).toHaveLength(1);
  expect(styleOf(second.log, TEXT)).toEqual({ 'padding-left': '9px', 'padding-right': '4px' });
  // What the server will make of it is what the window shows.
  const { state } = takeIn({ revision: 4, project: PROJECT, history: EMPTY_HISTORY }, second.log.pending as PendingEntry[], []);
  expect(state.project).toEqual(second.log.project);
  expect(stepped(second.log, 'undo', 'c')!.log.project).toEqual(PROJECT);
});

test('a gesture is not joined once it was sent, after a pause, or with another one', () => {
  const first = made(LOG, 'a', set(TEXT, 'base', 'width', '1px'), gesture(0)).log;
  const later = (log: typeof first, at: number, key = 'padding') =>
    made(log, 'b', set(TEXT, 'base', 'width', '2px'), { key, at }).log.pending.length;
  expect([later(first, 100), later(first, 5_000), later(first, 100, 'other')]).toEqual([1, 2, 2]);
  expect(later(sent(first, 10).log, 100)).toBe(2);
  expect(made(stepped(first, 'undo', 'u')!.log, 'b', set(TEXT, 'base', 'width', '2px'), gesture(100)).log.pending).toHaveLength(
    3,
  );
});

test.each<[string, Edit, Edit, number]>([
  ['texts', { type: 'setText', node: TEXT, text: 'a' }, { type: 'setText', node: TEXT, text: 'b' }, 1],
  ['texts of two elements', { type: 'setText', node: TEXT, text: 'a' }, { type: 'setText', node: HEADING, text: 'b' }, 2],
  ['a shorthand and a longhand', set(TEXT, 'base', 'padding', '3px'), set(TEXT, 'base', 'padding-top', '4px'), 1],
  [
    'a value and its clearing',
    set(TEXT, 'base', 'width', '3px'),
    { type: 'clearStyle', owner: TEXT, at: 'base', property: 'width' },
    1,
  ],
  [
    'a post that is dragged on',
    { type: 'moveBreakpoint', id: 'bm', edge: 800 },
    { type: 'moveBreakpoint', id: 'bm', edge: 700 },
    1,
  ],
  [
    'a condition and a place',
    { type: 'changeBreakpoint', id: 'bm', condition: { below: 700 } },
    { type: 'changeBreakpoint', id: 'bm', index: 0 },
    1,
  ],
  ['a value and an insertion', set(TEXT, 'base', 'width', '3px'), insert('enew', 'p'), 2],
])('%s: joined they lead where both led', (_, first, second, entries) => {
  const log = made(made(LOG, 'a', first, gesture(0)).log, 'b', second, gesture(10)).log;
  expect(log.pending).toHaveLength(entries);
  expect(log.project).toEqual(makeFrom(PROJECT, first, second));
  const joined = joinEdits(first, second);
  if (entries === 1) expect(applyEdit(PROJECT, joined!).document).toEqual(log.project);
  else expect(joined).toBeUndefined();
});

test("others' edits go below one's own; what is confirmed in order changes nothing on screen", () => {
  const log = edits(set(TEXT, 'base', 'color', 'red'), set(TEXT, 'base', 'width', '1px'));
  const both = received(log, [
    { revision: 5, id: 'own0' },
    { revision: 6, id: 'own1' },
  ]);
  expect([both.log.project, both.log.confirmed]).toEqual([log.project, log.project]);
  expect(both.log.project).toBe(log.project);
  const mixed = received(log, [entry(5, 'theirs', set(HEADING, 'base', 'color', 'blue')), { revision: 6, id: 'own0' }]);
  expect([mixed.log.revision, mixed.log.pending.map(({ id }) => id), mixed.lost]).toEqual([6, ['own1'], []]);
  expect([styleOf(mixed.log, TEXT), styleOf(mixed.log, HEADING)]).toEqual([{ color: 'red', width: '1px' }, { color: 'blue' }]);
  expect(mixed.footprint!.gfirst!.elements).toEqual([HEADING]);
  expect(mixed.log.history.undo.map(({ id }) => id)).toEqual(['theirs', 'own0', 'own1']);
});

test('what comes a second time is passed over; what comes too early asks for what is before it', () => {
  const theirs = entry(5, 'theirs', set(HEADING, 'base', 'color', 'blue'));
  const once = received(LOG, [theirs]).log;
  expect(received(once, [theirs]).log).toBe(once);
  expect(received(LOG, [entry(6, 'later', theirs.edit)])).toMatchObject({ behind: 'entries', log: { revision: 4 } });
  expect(received(LOG, [{ revision: 5, id: 'unknown' }]).behind).toBe('entries');
  expect(received(LOG, [{ ...theirs, kind: 'restart' }])).toMatchObject({ behind: 'project', log: { revision: 4 } });
});

test('what can not be made on top of others is said; what came after it goes on', () => {
  const log = edits(set(TEXT, 'base', 'color', 'red'), set(HEADING, 'base', 'color', 'red'));
  const { log: after, lost, footprint } = received(log, [entry(5, 'theirs', { type: 'removeElement', node: TEXT })]);
  expect([after.pending.map(({ id }) => id), lost.length, footprint]).toEqual([['own1'], 1, undefined]);
  expect(lost[0]).toMatch(/has been removed/);
  const refused = received(log, [], [{ id: 'own0', why: 'No.' }]);
  expect([refused.lost, refused.log.pending.map(({ id }) => id), styleOf(refused.log, TEXT)]).toEqual([
    ['No.'],
    ['own1'],
    undefined,
  ]);
  const anew = reopened(log, applyEdit(PROJECT, { type: 'removeElement', node: TEXT }).document, 9, EMPTY_HISTORY);
  expect([anew.log.revision, anew.lost.length, styleOf(anew.log, HEADING)]).toEqual([9, 1, { color: 'red' }]);
});

test('a step that can not be undone any more is passed over, so that those before it can', () => {
  const log = edits(set(HEADING, 'base', 'color', 'red'), { type: 'setText', node: TEXT, text: 'Mine' });
  const gone = received(log, [
    { revision: 5, id: 'own0' },
    { revision: 6, id: 'own1' },
    entry(7, 'theirs', { type: 'removeElement', node: TEXT }),
  ]).log;
  const without = { ...gone, history: { undo: gone.history.undo.slice(0, 2), redo: [] } };
  const first = stepped(without, 'undo', 'u1')!;
  expect(first.problem).toMatch(/has been removed/);
  expect(first.log.pending[0]).toMatchObject({ kind: 'undo', of: 'own1', edit: { type: 'group', edits: [] } });
});

test('places keep their sense on top of what others have put in, moved or taken away', () => {
  const log = made(LOG, 'own', insert('emine', 'p', 2)).log;
  const children = (project: typeof PROJECT) => project.pages[0]!.elements[MAIN]!.children;
  expect(children(log.project)).toEqual([HEADING, TEXT, 'emine']);
  const before = received(log, [entry(5, 'x', insert('etheirs', 'p', 0))]).log;
  expect(children(before.project)).toEqual(['etheirs', HEADING, TEXT, 'emine']);
  const turned = received(log, [entry(5, 'x', { type: 'moveElement', node: TEXT, parent: MAIN, index: 0 })]).log;
  expect(children(turned.project)).toEqual([TEXT, 'emine', HEADING]);
  const gone = received(log, [entry(5, 'x', { type: 'removeElement', node: TEXT })]).log;
  expect(children(gone.project)).toEqual([HEADING, 'emine']);
  const first = made(LOG, 'own', insert('emine', 'p', 0)).log;
  expect(children(received(first, [entry(5, 'x', insert('etheirs', 'p', 0))]).log.project)).toEqual([
    'emine',
    'etheirs',
    HEADING,
    TEXT,
  ]);
});

test('a server compares what an id stands for, not the id alone', () => {
  const state = { revision: 0, project: START, history: EMPTY_HISTORY };
  const one = { id: 'a', kind: 'do' as const, edit: set(TEXT, 'base', 'color', 'red') };
  const other = { ...one, edit: set(TEXT, 'base', 'color', 'blue') };
  const once = takeIn(state, [one, one, other], []);
  expect([once.entries.length, once.refused]).toEqual([1, [{ id: 'a', why: expect.stringMatching(/same id/) as unknown }]]);
  const again = takeIn(once.state, [one], once.entries);
  expect([again.entries, again.refused]).toEqual([[], []]);
  expect(takeIn(once.state, [other], once.entries).refused).toHaveLength(1);
  const undo = { id: 'b', kind: 'undo' as const, of: 'a', edit: once.entries[0]!.inverse };
  const undone = takeIn(once.state, [undo, { ...undo, id: 'c' }], []);
  expect([undone.entries.length, undone.refused.map(({ id }) => id)]).toEqual([1, ['c']]);
  expect(undone.state.project).toEqual(START);
});
