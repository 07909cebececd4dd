import { demoProject } from '@/demo';
import type { Plan } from '@/core/plans';
import { planClear, planTurn } from '@/core/plans';
import { chooseBandOnly, lockTarget, setSlice, setWidth, targetsHere } from '../view/actions';
import { commit, undo } from './edits';
import { acceptProposal, carryOut, dismissProposal, foretell, propose, proposeLong } from './proposal';
import { shownPage, useSession, writeTarget } from '../state/store';
import { openForTests } from '../state/store-for-tests';
import { inBackground } from './background';

jest.mock('./sync', () => ({ schedule: jest.fn(), settled: jest.fn() }));
jest.mock('../measuring/sweep', () => ({
  allWidthsChanged: jest.fn(),
  invalidateSweeps: jest.fn(),
  continueSweep: jest.fn(),
  forgetSweeps: jest.fn(),
}));
jest.mock('./background', () => ({ inBackground: jest.fn() }));

const demo = demoProject('00000000-0000-4000-8000-000000000000');
const state = () => useSession.getState();
const cards = () => Object.values(shownPage(state()).elements).find(({ name }) => name === 'Tool cards')!;
const clear = (at: string) => propose((project, slice) => planClear(project, slice, { ids: [cards().id], at }));

beforeEach(() => {
  openForTests(demo, { pageId: 'gcatalogue', width: 700, slice: { height: 800, pointer: 'mouse' } });
});

test('a proposal changes nothing until it is accepted; its widths are marked', () => {
  clear('bmiddle');
  expect(state().proposal!.sentence).toMatch(/^Clears all \d values of Tool cards at 899 and narrower\.$/);
  // Narrow has columns of its own, but takes the gap from here.
  expect(state().marked).toEqual([{ from: 0, below: 900 }]);
  expect(state().project).toBe(demo);
  dismissProposal();
  expect([state().proposal, state().marked, state().project, state().announcement]).toEqual([
    undefined,
    [],
    demo,
    'Nothing was changed.',
  ]);
  clear('bmiddle');
  acceptProposal();
  expect(state().proposal).toBeUndefined();
  expect(cards().styles.bmiddle).toBeUndefined();
  undo();
  expect(state().project).toEqual(demo);
});

test('what can not be planned is a sentence, and no proposal', () => {
  clear('bnone');
  expect(state().proposal).toBeUndefined();
  expect(state().problems.length).toBeGreaterThan(0);
  expect(carryOut((project, slice) => planClear(project, slice, { ids: [cards().id], at: 'bnone' }))).toBe(false);
  expect(state().problems.join()).toMatch(/no own value/);
  expect(() =>
    propose(() => {
      throw new TypeError('a fault of ours');
    }),
  ).toThrow(TypeError);
});

test('a control foretells what it would do while it is pointed at', () => {
  foretell((project, slice) => planClear(project, slice, { ids: [cards().id], at: 'bmiddle', properties: ['row-gap'] }));
  expect(state().foretold).toMatch(
    /^Clears row-gap of Tool cards at 899 and narrower\. Narrow and Middle: row-gap 16px becomes 24px\./,
  );
  foretell(undefined);
  expect([state().foretold, state().marked]).toEqual(['', []]);
});

const task = { kind: 'turn', project: demo, direction: 'narrow-first', ids: [] } as const;
function background() {
  let settle!: { resolve: (plan: Plan) => void; reject: (error: Error) => void };
  const cancel = jest.fn();
  const result = new Promise<Plan>((resolve, reject) => (settle = { resolve, reject }));
  jest.mocked(inBackground).mockReturnValueOnce({ result, cancel } as never);
  return { ...settle, cancel };
}
let n = 0;
const turn = () => planTurn(demo, 'narrow-first', () => `bt${n++}`);

test('a plan that takes long can be left, and arrives as a proposal otherwise', async () => {
  const first = background();
  void proposeLong(task);
  expect(state().stopBackground).toBeDefined();
  dismissProposal();
  expect(first.cancel).toHaveBeenCalled();
  expect(state().stopBackground).toBeUndefined();

  const second = background();
  const done = proposeLong(task);
  second.resolve(turn());
  await done;
  expect(state().proposal!.sentence).toMatch(/^The base becomes Narrow/);
  expect(state().stopBackground).toBeUndefined();
});

test('a plan for a document that has changed meanwhile is not proposed', async () => {
  const late = background();
  const done = proposeLong(task);
  commit({ type: 'setStyle', owner: cards().id, at: 'base', property: 'width', value: '9px' });
  late.resolve(turn());
  await done;
  expect(state().proposal).toBeUndefined();
  expect(state().problems).toEqual([expect.stringMatching(/has changed since/)]);
  const failing = background();
  const failed = proposeLong({ ...task, project: state().project });
  failing.reject(new Error('Too many breakpoints.'));
  await failed;
  expect(state().problems).toContain('Too many breakpoints.');
});

test('targets: those that hold here, this band only, and one that is locked while the cursor moves', () => {
  setWidth(500);
  expect(targetsHere()).toEqual(['base', 'bmiddle', 'bnarrow']);
  lockTarget(true);
  setWidth(1200);
  expect(writeTarget(state())).toBe('bnarrow');
  lockTarget(false);
  expect(writeTarget(state())).toBe('base');
  setWidth(700);
  chooseBandOnly();
  const added = state().project.breakpoints.at(-1)!;
  expect([added.condition, writeTarget(state())]).toEqual([{ from: 600, below: 900 }, added.id]);
  chooseBandOnly();
  expect(state().project.breakpoints).toHaveLength(demo.breakpoints.length + 1);
});

test('the screen that is looked at is the usual one again when no condition asks for another', () => {
  commit({ type: 'addBreakpoint', breakpoint: { id: 'bshort', name: 'Short', condition: { heightBelow: 500 } } });
  setSlice({ height: 450.4, pointer: 'finger' });
  expect(state().slice).toEqual({ height: 450, pointer: 'finger' });
  expect(writeTarget(state())).toBe('bmiddle');
  setSlice({ height: 5 });
  expect(state().slice.height).toBe(200);
  undo();
  expect(state().slice).toEqual({ height: 800, pointer: 'mouse' });
});
