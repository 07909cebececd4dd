import { demoProject } from '@/demo';
import { commit, footprintOf, preview, redo, undo } from './edits';
import { addBreakpointHere, clearValues, jumpToBreakpoint, likelyDirection, select, setWidth, writeValue } from '../view/actions';
import { duplicateSelected, removeSelected } from '../arranging/tree';
import { shownPage, useSession, writeTarget } from '../state/store';
import { openForTests } from '../state/store-for-tests';

jest.mock('./sync', () => ({ schedule: jest.fn(), settled: jest.fn() }));
jest.mock('../measuring/sweep', () => ({ invalidateSweeps: jest.fn(), continueSweep: jest.fn(), forgetSweeps: jest.fn() }));

const demo = demoProject('00000000-0000-4000-8000-000000000000');
const named = (name: string) =>
  Object.values(shownPage(useSession.getState()).elements).find((element) => element.name === name)!;
const state = () => useSession.getState();

beforeEach(() => {
  openForTests(demo, { pageId: 'gcatalogue' });
});

test('the target follows the band; a chosen one stays while it holds', () => {
  expect(writeTarget(state())).toBe('base');
  setWidth(700);
  expect(writeTarget(state())).toBe('bmiddle');
  setWidth(400);
  expect(writeTarget(state())).toBe('bnarrow');
  useSession.setState({ chosenTarget: 'bmiddle' });
  expect(writeTarget(state())).toBe('bmiddle');
  setWidth(1000);
  expect(writeTarget(state())).toBe('base');
});

test('steps of one gesture are undone as one; others are not', () => {
  select([named('Notice').id]);
  for (const value of ['361px', '362px', '363px']) expect(writeValue('width', value, 'base', 'step')).toBeUndefined();
  expect(state().pending).toHaveLength(1);
  expect(named('Notice').styles.base!.width).toBe('363px');
  writeValue('height', '10px', 'base', 'step');
  expect(state().history.undo).toHaveLength(2);
  undo();
  undo();
  expect(named('Notice')).toEqual(Object.values(demo.pages[1]!.elements).find((element) => element.name === 'Notice'));
  redo();
  expect(named('Notice').styles.base!.width).toBe('363px');
});

test('an edit that is on its way takes nothing more in', () => {
  select([named('Notice').id]);
  writeValue('width', '361px', 'base', 'step');
  useSession.setState(({ pending }) => ({ pending: pending.map((edit) => ({ ...edit, sent: true })) }));
  writeValue('width', '362px', 'base', 'step');
  expect(state().pending).toHaveLength(2);
});

test('one edit to all that is selected, one step back', () => {
  select([named('Heading').id, named('Notice').id]);
  writeValue('color', 'red', 'base');
  expect([named('Heading').styles.base!.color, named('Notice').styles.base!.color]).toEqual(['red', 'red']);
  expect(state().history.undo).toHaveLength(1);
  clearValues(['color'], 'base');
  expect(named('Heading').styles.base?.color).toBeUndefined();
  undo();
  undo();
  expect(state().project).toEqual(demo);
});

test('what can not be written is said, and nothing changes', () => {
  select([named('Notice').id]);
  expect(writeValue('width', 'wide', 'base')).toMatch(/isn't a value that width/);
  const owner = named('Notice').id;
  expect(writeValue('width', 'intrinsic', 'base')).toMatch(/no word that browsers take/);
  expect(commit({ type: 'setStyle', owner, at: 'base', property: 'width', value: 'intrinsic' })).toMatch(
    /no word that browsers take/,
  );
  expect(commit({ type: 'renameBreakpoint', id: 'bgone', name: 'X' })).toMatch(/has been removed/);
  expect(state().project).toBe(demo);
  expect(state().pending).toEqual([]);
});

test('a preview shows and is forgotten; a footprint changes nothing', () => {
  preview({ type: 'moveBreakpoint', id: 'bmiddle', edge: 1000 });
  expect(state().draft!.breakpoints.map((breakpoint) => breakpoint.condition)).toContainEqual({ below: 1000 });
  preview(undefined);
  expect(state().draft).toBeUndefined();
  const footprint = footprintOf({ type: 'moveBreakpoint', id: 'bmiddle', edge: 1000 });
  expect(footprint!.gcatalogue!.widths).toEqual([{ from: 900, below: 1000 }]);
  expect(state().project).toBe(demo);
});

test('a new breakpoint at the cursor takes a free name and becomes the target', () => {
  setWidth(742);
  expect(likelyDirection()).toBe('narrower');
  addBreakpointHere('narrower');
  const added = state().project.breakpoints.find(
    (breakpoint) => 'below' in breakpoint.condition && breakpoint.condition.below === 743,
  )!;
  expect(added.name).toBe('Fairly narrow');
  expect(writeTarget(state())).toBe(added.id);
  addBreakpointHere('narrower');
  expect(state().announcement).toMatch(/already holds/);
});

test('jumping stops on both sides of each post', () => {
  setWidth(1200);
  const stops = [1, 2, 3].map(() => (jumpToBreakpoint(-1), state().width));
  expect(stops).toEqual([900, 899, 600]);
  setWidth(99_999);
  expect(state().width).toBe(2560);
  jumpToBreakpoint(1);
  expect(state().announcement).toMatch(/No further/);
});

test('removing takes the topmost of what is selected; the body stays', () => {
  select([named('Filters').id, named('Wood filter').id]);
  removeSelected();
  expect(named('Filters')).toBeUndefined();
  expect(state().history.undo).toHaveLength(1);
  expect(state().selection).toEqual([named('Main').id]);
  select([shownPage(state()).root]);
  removeSelected();
  expect(state().problems).toEqual([expect.stringMatching(/body of a page stays/)]);
});

test('a duplicate carries its overrides and is selected', () => {
  const original = named('Tool cards');
  select([original.id]);
  duplicateSelected();
  const [copy] = state().selection;
  expect(copy).not.toBe(original.id);
  expect(shownPage(state()).elements[copy!]!.styles).toEqual(original.styles);
});
