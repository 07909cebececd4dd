import { DEFAULT_SLICE } from '../breakpoints';
import { laneFor } from '../cascade';
import type { Project } from '../document';
import { applyEdit, stylesOf } from '../edits';
import { HEADING, insert, make, makeFrom, MIDDLE, NARROW, set, shared, TEXT } from '../edits/project-for-tests';
import { fitClip, clipOf } from '../structure';
import { lintProject } from '../lints';
import type { Plan } from './index';
import {
  planClear,
  planCopy,
  planCreateShared,
  planDeleteShared,
  planGive,
  planMoveEnd,
  planRemoveBreakpoint,
  planStop,
} from './index';

// Plans do for what is written of a state what they do for what is written of rest.

const HOVER = `${TEXT}:hover`;
const after = (project: Project, plan: Plan) => applyEdit(project, plan.edit).document;
const across = (project: Project, pseudo = ':hover', id = TEXT) =>
  [1000, 700, 500].map((width) =>
    laneFor(project, project.pages[0]!, id, 'color', DEFAULT_SLICE, pseudo)
      .stretches.find(({ from, below }) => from <= width && width < below)!
      .value.toString(),
  );
const start = make(MIDDLE, NARROW, set(TEXT, 'base', 'color', 'black'), set(HOVER, 'base', 'color', 'red'));

test('values of a state are cleared, copied, given and stopped', () => {
  const middle = makeFrom(start, set(HOVER, 'bm', 'color', 'blue'));
  expect(across(middle)).toEqual(['red', 'blue', 'blue']);
  expect(across(after(middle, planClear(middle, DEFAULT_SLICE, { ids: [HOVER], at: 'bm' })))).toEqual(['red', 'red', 'red']);
  const copied = planCopy(middle, DEFAULT_SLICE, { ids: [HOVER], at: 'base' }, 'bn');
  expect([across(after(middle, copied)), copied.sentence]).toEqual([
    ['red', 'blue', 'red'],
    expect.stringContaining('when pointed at'),
  ]);
  const given = after(middle, planGive(middle, DEFAULT_SLICE, HOVER, 'base', { to: 'siblings' }));
  expect(across(given, ':hover', HEADING)).toEqual(['red', 'red', 'red']);
  expect(across(after(middle, planStop(middle, DEFAULT_SLICE, HOVER, 'color', 700, 'narrower')))).toEqual(['red', 'blue', 'red']);
  expect(across(after(middle, planMoveEnd(middle, DEFAULT_SLICE, HOVER, 'color', 900, 600, 'red', 'bnew')))[1]).toBe('red');
});

test('a shared style takes states along, and gives them back when it goes', () => {
  const made = after(start, planCreateShared(start, TEXT, 'Loud', 'sl'));
  expect(made.shared.at(-1)).toMatchObject({ pseudo: { ':hover': { base: { color: 'red' } } } });
  expect(across(made)).toEqual(['red', 'red', 'red']);
  const gone = after(made, planDeleteShared(made, DEFAULT_SLICE, 'sl', true));
  expect([across(gone), across(gone, ''), stylesOf(gone, HOVER)]).toEqual([
    ['red', 'red', 'red'],
    ['black', 'black', 'black'],
    { base: { color: 'red' } },
  ]);
});

test('keeping the look is refused where another state would show through', () => {
  const project = make(
    shared(TEXT),
    set('sx:hover', 'base', 'color', 'red'),
    { type: 'addShared', style: { id: 'sy', name: 'Later', styles: {} }, carriers: [{ node: TEXT, place: 1 }] },
    set('sy:active', 'base', 'color', 'blue'),
  );
  // Its own value when pointed at would be stronger than the later style's when pressed.
  expect(() => planDeleteShared(project, DEFAULT_SLICE, 'sx', true)).toThrow(/looks the same in every state/);
  expect(across(after(project, planDeleteShared(project, DEFAULT_SLICE, 'sx', false)))).toEqual(Array(3).fill('rgb(0, 0, 0)'));
});

test('a breakpoint that goes takes what is written of states with it, or folds it', () => {
  const project = makeFrom(start, set(HOVER, 'bm', 'color', 'blue'));
  expect(stylesOf(after(project, planRemoveBreakpoint(project, 'bm', { kind: 'drop' })), HOVER)).toEqual({
    base: { color: 'red' },
  });
  expect(across(after(project, planRemoveBreakpoint(project, 'bm', { kind: 'fold' })))[2]).toBe('blue');
});

test('a value of a state that says what holds anyway is found, and not where another state hides behind it', () => {
  const found = (project: Project) => lintProject(project).map(({ lint, owner }) => `${lint} ${owner}`);
  expect(found(makeFrom(start, set(HOVER, 'bm', 'color', 'red')))).toContain(`same-as-beneath ${HOVER}`);
  const hidden = makeFrom(start, shared(TEXT), set('sx:active', 'base', 'color', 'blue'), set(HOVER, 'base', 'color', 'black'));
  expect(found(hidden)).not.toContain(`same-as-beneath ${HOVER}`);
});

test('copies and clips take states along', () => {
  const project = makeFrom(start, insert('ebox', 'div'), set('ebox:hover::before', 'bm', 'content', '"x"'));
  const clip = clipOf(project, project.pages[0]!, ['ebox']);
  let n = 0;
  const { trees } = fitClip(make(), clip, () => `enew${n++}`);
  expect(trees[0]![0]!.pseudo).toBeUndefined();
  expect(fitClip(project, clip, () => `enew${n++}`).trees[0]![0]!.pseudo).toEqual({
    ':hover::before': { bm: { content: '"x"' } },
  });
});
