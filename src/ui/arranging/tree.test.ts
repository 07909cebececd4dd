import { HEADING, insert, MAIN, make, makeFrom, MIDDLE, set, shared, TEXT } from '@/core/edits/project-for-tests';
import { undo } from '../editing/edits';
import { acceptProposal } from '../editing/proposal';
import { select } from '../view/actions';
import { shownPage, useSession } from '../state/store';
import { openForTests } from '../state/store-for-tests';
import {
  duplicateSelected,
  groupSelected,
  moveIn,
  moveOut,
  moveSelected,
  removeSelected,
  selectAlike,
  selectInner,
  selectOuter,
  selectSiblings,
  toggleLock,
  ungroupSelected,
} from './tree';

jest.mock('../editing/sync', () => ({ schedule: jest.fn(), settled: jest.fn() }));
jest.mock('../measuring/sweep', () => ({ invalidateSweeps: jest.fn(), continueSweep: jest.fn(), forgetSweeps: jest.fn() }));

const START = makeFrom(
  make(MIDDLE, insert('erow', 'div'), insert('ea', 'p', 0, 'erow'), insert('eb', 'p', 1, 'erow'), insert('ec', 'p', 2, 'erow')),
  set('ea', 'bm', 'width', '50%'),
);
const state = () => useSession.getState();
const children = (id: string) => shownPage(state()).elements[id]?.children;
const said = () => state().announcement;
const wrong = () => state().problems.join(' ');

beforeEach(() => {
  openForTests(START);
});

test('moved among siblings, several at once, and no further than the ends', () => {
  select(['ea', 'eb']);
  moveSelected(1);
  expect(children('erow')).toEqual(['ec', 'ea', 'eb']);
  moveSelected(1);
  expect(said()).toMatch(/stands at the end/);
  moveSelected(-1);
  expect(children('erow')).toEqual(['ea', 'eb', 'ec']);
  undo();
  expect(children('erow')).toEqual(['ec', 'ea', 'eb']);
});

test('out of its parent and into the element before, asked first where a value meant the parent', () => {
  select(['eb']);
  moveOut();
  expect(children(MAIN)).toEqual([HEADING, TEXT, 'erow', 'eb']);
  expect(state().proposal).toBeUndefined();
  moveIn();
  expect(children('erow')).toEqual(['ea', 'ec', 'eb']);
  select(['ea']);
  moveOut();
  expect(state().proposal?.details.join()).toMatch(/width 50% \(899 and narrower\) of ea meant a share of erow/);
  expect(children('erow')).toContain('ea');
  acceptProposal();
  expect(children('erow')).toEqual(['ec', 'eb']);
  select([MAIN]);
  moveIn();
  expect(said()).toMatch(/No element stands before/);
  select([TEXT]);
  moveIn();
  expect(said()).toMatch(/can't stand in/);
  select([shownPage(state()).root]);
  moveOut();
  expect(said()).toMatch(/outermost/);
});

test('grouped and taken apart again; what goes with a group is asked about', () => {
  select(['ea', 'ec']);
  groupSelected();
  const [group] = state().selection;
  expect([children(group!), children('erow')]).toEqual([
    ['ea', 'ec'],
    [group, 'eb'],
  ]);
  ungroupSelected();
  expect([children('erow'), state().selection]).toEqual([
    ['ea', 'ec', 'eb'],
    ['ea', 'ec'],
  ]);
  select(['ea', HEADING]);
  groupSelected();
  expect(wrong()).toMatch(/one parent/);
  useSession.setState({ project: makeFrom(START, shared('erow')) });
  select(['erow']);
  ungroupSelected();
  expect(state().proposal?.details.join()).toMatch(/a shared style/);
});

test('siblings, those that are alike, outwards and inwards', () => {
  select(['ea']);
  selectSiblings();
  expect(state().selection).toEqual(['ea', 'eb', 'ec']);
  expect(said()).toBe('3 siblings selected.');
  select(['eb']);
  selectAlike();
  expect(state().selection).toEqual(['ea', 'eb', 'ec']);
  selectOuter();
  expect(state().selection).toEqual(['erow']);
  selectInner();
  expect(state().selection).toEqual(['ea']);
  selectInner();
  expect(state().selection).toEqual(['ea']);
});

test('a locked element is neither moved nor removed, alone or among others', () => {
  select(['ea', 'eb']);
  toggleLock();
  expect(shownPage(state()).elements.ea!.locked).toBe(true);
  removeSelected();
  moveSelected(1);
  groupSelected();
  expect(wrong()).toMatch(/ea is locked. Unlock it to remove it.*ea is locked. Unlock it to move it/);
  expect(children('erow')).toEqual(['ea', 'eb', 'ec']);
  select(['ea', 'ec']);
  toggleLock();
  expect(['ea', 'eb', 'ec'].map((id) => shownPage(state()).elements[id]!.locked)).toEqual([true, true, true]);
  toggleLock(['ea', 'eb', 'ec']);
  expect(['ea', 'eb', 'ec'].map((id) => shownPage(state()).elements[id]!.locked)).toEqual([undefined, undefined, undefined]);
  select([shownPage(state()).root]);
  toggleLock();
  expect(said()).toMatch(/body of a page is never locked/);
});

test('copies stand after what they are copies of, with its overrides; the body is neither copied nor removed', () => {
  select(['ea', 'ec']);
  duplicateSelected();
  const copies = state().selection;
  expect(children('erow')).toEqual(['ea', copies[0], 'eb', 'ec', copies[1]]);
  expect(shownPage(state()).elements[copies[0]!]!.styles).toEqual({ bm: { width: '50%' } });
  select([shownPage(state()).root]);
  duplicateSelected();
  removeSelected();
  expect(wrong()).toMatch(/Select something to duplicate.*body of a page stays/);
});
