import type { Edit } from '@/core/edits';
import { insert, make, makeFrom, MIDDLE, set } from '@/core/edits/project-for-tests';
import { select } from '../view/actions';
import { undo } from '../editing/edits';
import { lengthened, nudge, reorderHere } from './nudge';
import { shownPage, useSession } from '../state/store';
import { openForTests } from '../state/store-for-tests';

jest.mock('../editing/sync', () => ({ schedule: jest.fn(), settled: jest.fn() }));
jest.mock('../measuring/sweep', () => ({ invalidateSweeps: jest.fn(), continueSweep: jest.fn(), forgetSweeps: jest.fn() }));

const START = makeFrom(
  make(MIDDLE, insert('erow', 'div'), ...['ea', 'eb', 'ec'].map((id, i) => insert(id, 'p', i, 'erow'))),
  set('erow', 'base', 'display', 'flex'),
);
const state = () => useSession.getState();
const values = (id: string, at = 'base') => shownPage(state()).elements[id]!.styles[at] ?? {};
const open = (...edits: readonly Edit[]) => openForTests(makeFrom(START, ...edits));

const CONTEXT = { em: 20, rem: 16, viewport: { width: 1000, height: 800 } };
test.each([
  ['10px', 5, '15px'],
  ['1em', 5, '1.25em'],
  ['1rem', -8, '0.5rem'],
  ['2vw', 10, '3vw'],
  ['0', 3, '3px'],
  ['25%', 1, 'calc(25% + 1px)'],
  ['calc(25% + 1px)', 2, 'calc(25% + 3px)'],
  ['calc(25% + 3px)', -3, '25%'],
  ['calc(25% + 1px)', -3, 'calc(25% + -2px)'],
  ['clamp(1rem, 2vw, 3rem)', 1, 'calc(clamp(1rem, 2vw, 3rem) + 1px)'],
  ['auto', 1, '1px'],
] as const)('%s and %d px more is %s', (value, px, wanted) => {
  expect(lengthened(value, px, CONTEXT)).toBe(wanted);
});

test('a margin that shares what is left goes on from what it is', () => {
  expect(lengthened('auto', 10, CONTEXT, 132.5)).toBe('142.5px');
});

test('in the flow margins move, placed freely offsets do, from the side that holds; one undo for a row of steps', () => {
  open(set('eb', 'base', 'position', 'absolute'), set('eb', 'base', 'right', '12px'));
  select(['ea', 'eb']);
  nudge(1, 0);
  nudge(10, 0);
  expect(values('ea')).toEqual({ 'margin-left': '11px' });
  expect(values('eb').right).toBe('1px');
  undo();
  expect(values('ea')).toEqual({});
  useSession.setState({ width: 700 });
  nudge(0, -3);
  // A paragraph's own margin of 1em, 3 px less.
  expect(values('ea', 'bm')).toEqual({ 'margin-top': '0.813em' });
  expect(values('eb', 'bm')).toEqual({ top: '-3px' });
});

test('nothing selected, or something locked, stays', () => {
  open();
  nudge(1, 0);
  expect(state().announcement).toMatch(/Select something to nudge/);
  open({ type: 'setLocked', node: 'ea', locked: true });
  select(['ea', 'eb']);
  nudge(1, 0);
  reorderHere(1);
  expect(state().problems.join()).toMatch(/ea is locked/);
  expect(values('eb')).toEqual({});
});

test('earlier and later as it looks, at the write target only, to the ends', () => {
  open();
  useSession.setState({ width: 700 });
  select(['ea']);
  reorderHere(1);
  expect([values('ea', 'bm').order, values('eb', 'bm').order, values('ec', 'bm').order]).toEqual(['1', undefined, '1']);
  reorderHere(1);
  expect([values('ea', 'bm').order, values('ec', 'bm').order]).toEqual(['1', '0']);
  reorderHere(1);
  expect(state().announcement).toMatch(/stands at the end/);
  reorderHere(-1);
  reorderHere(-1);
  expect(['ea', 'eb', 'ec'].map((id) => values(id, 'bm').order ?? '0')).toEqual(['0', '0', '0']);
  expect(shownPage(state()).elements.erow!.children).toEqual(['ea', 'eb', 'ec']);
});
