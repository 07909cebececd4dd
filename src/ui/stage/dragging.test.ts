import { HEADING, insert, MAIN, make, makeFrom, MIDDLE, set, TEXT } from '@/core/edits/project-for-tests';
import type { Rect, Surveyed } from '@/core/structure';
import { select } from '../view/actions';
import { shownPage, useSession, useDragging } from '../state/store';
import { openForTests } from '../state/store-for-tests';
import { carry, clearDragging, followPageDrag, letGo, pageScrolled, pickUp } from './dragging';
import { noteLayout, setLink, surveyed } from './frame-link';
import type { FrameDrag, FrameLayout } from '../preview/frame-message';

jest.mock('../editing/sync', () => ({ schedule: jest.fn(), settled: jest.fn() }));
jest.mock('../measuring/sweep', () => ({ invalidateSweeps: jest.fn(), continueSweep: jest.fn(), forgetSweeps: jest.fn() }));

const ITEMS = ['ea', 'eb', 'ec'];
const START = makeFrom(
  make(MIDDLE, insert('erow', 'div', 2), ...ITEMS.map((id, i) => insert(id, 'p', i, 'erow'))),
  set('erow', 'base', 'display', 'flex'),
);
const state = () => useSession.getState();
const page = () => shownPage(state());

/** Where everything stands; `down` px of it scrolled away. */
const boxes = (down = 0): Surveyed[] =>
  Object.entries({
    [page().root]: [0, 0, 400, 600],
    [MAIN]: [10, 10, 380, 580],
    [HEADING]: [20, 20, 360, 40],
    [TEXT]: [20, 70, 360, 30],
    erow: [20, 110, 360, 60],
    ea: [20, 120, 100, 40],
    eb: [130, 120, 100, 40],
    ec: [240, 120, 100, 40],
  }).map(([id, [left, top, width, height]]) => ({
    id,
    rect: [left, top! - down, width, height] as unknown as Rect,
    flow: id === 'erow' ? 'row' : 'block',
    tracks: [],
    gap: 10,
    inner: 0,
  }));

/** Lets promises run on, without timers. */
const ticks = async () => {
  for (let i = 0; i < 8; i += 1) await Promise.resolve();
};
let posted: { type: string; token?: number; by?: number }[] = [];
const answer = (down = 0) => {
  const { token } = posted.findLast(({ type }) => type === 'survey')!;
  surveyed(token!, boxes(down));
  return ticks();
};
const drag = (phase: FrameDrag['phase'], id: string | null, x: number, y: number, keys: Partial<FrameDrag> = {}) =>
  followPageDrag({ from: 'mill-pond-frame', type: 'drag', phase, id, x, y, shift: false, ctrl: false, alt: false, ...keys });
const layout = (scrollY: number) => noteLayout({ height: 400, scrollY } as FrameLayout);
const settle = () => new Promise((resolve) => setTimeout(resolve, 0));

beforeEach(() => {
  clearDragging();
  posted = [];
  setLink({
    post: (message) => void posted.push(message as (typeof posted)[number]),

    place: () => undefined,
  });
  layout(0);
  openForTests(START);
});
afterEach(() => {
  clearDragging();
  jest.useRealTimers();
});

test('what is carried says where it goes; let go of, it goes there', async () => {
  drag('start', 'ea', 60, 140);
  await answer();
  drag('move', 'ea', 235, 140);
  expect(useDragging.getState()).toMatchObject({
    words: 'Moves in the document, within erow, at all widths',
    drop: { parent: 'erow', index: 2 },
  });
  drag('end', 'ea', 235, 140);
  await settle();
  expect(page().elements.erow!.children).toEqual(['eb', 'ea', 'ec']);
  expect(useDragging.getState().drop).toBeUndefined();
});

test('a quick one waits until it is known where everything stands', async () => {
  drag('start', 'ea', 60, 140);
  drag('end', 'ea', 330, 140);
  expect(page().elements.erow!.children).toEqual(ITEMS);
  await answer();
  await settle();
  expect(page().elements.erow!.children).toEqual(['eb', 'ec', 'ea']);
});

test('taken back, nothing is moved, even when the answer comes late', async () => {
  drag('start', 'ea', 60, 140);
  drag('move', 'ea', 330, 140);
  drag('cancel', 'ea', 330, 140);
  await answer();
  await settle();
  expect(state().project).toBe(START);
});

test('all that is selected is carried along; a locked one stays', async () => {
  select(['ea', 'eb']);
  drag('start', 'eb', 180, 140);
  await answer();
  drag('end', 'eb', 330, 140);
  await settle();
  expect(page().elements.erow!.children).toEqual(['ec', 'ea', 'eb']);
  useSession.setState({ project: makeFrom(START, { type: 'setLocked', node: 'ea', locked: true }), selection: ['ea'] });
  drag('start', 'ea', 60, 140);
  drag('end', 'ea', 330, 140);
  await settle();
  expect(state().problems.join()).toMatch(/ea is locked/);
  expect(page().elements.erow!.children).toEqual(ITEMS);
});

test('with Alt only as it looks at the write target, even to the end of a row whose order differs', async () => {
  useSession.setState({ project: makeFrom(START, set('ec', 'base', 'order', '-1')), width: 700 });
  const order = { ea: 130, eb: 240, ec: 20 } as Record<string, number>;
  drag('start', 'ec', 30, 140, { alt: true });
  const { token } = posted.findLast(({ type }) => type === 'survey')!;
  surveyed(
    token!,
    boxes().map((box) => (box.id in order ? { ...box, rect: [order[box.id]!, 120, 100, 40] } : box)),
  );
  await settle();
  drag('move', 'ec', 335, 140, { alt: true });
  expect(useDragging.getState().words).toBe('Only as it looks at 899 and narrower: by order');
  drag('end', 'ec', 335, 140, { alt: true });
  await settle();
  expect(page().elements.erow!.children).toEqual(ITEMS);
  expect(page().elements.ec!.styles.bm).toEqual({ order: '0' });
  drag('start', 'ec', 30, 140, { alt: true });
  await answer();
  drag('move', 'ec', 200, 25, { alt: true });
  expect(useDragging.getState().words).toMatch(/Only its place within erow can change/);
});

test('near an edge the page scrolls along, and what is under the pointer is another place', async () => {
  jest.useFakeTimers();
  pickUp({ ids: [], shapes: [{ tag: 'p' }], name: 'Text', put: jest.fn() });
  await answer();
  carry(200, 390, false);
  jest.advanceTimersByTime(120);
  expect(posted.filter(({ type, by }) => type === 'scroll' && by! > 0)).toHaveLength(2);
  carry(200, 5, false);
  jest.advanceTimersByTime(60);
  expect(posted.at(-1)).toMatchObject({ type: 'scroll', by: -14 });
  carry(90, 140, false);
  jest.advanceTimersByTime(500);
  const before = useDragging.getState().drop;
  layout(60);
  pageScrolled();
  await answer(60);
  expect([before?.parent, useDragging.getState().drop?.parent]).toEqual(['erow', MAIN]);
});

test('a frame takes what lies in it wholly, over scrolling too; Ctrl adds', async () => {
  drag('start', null, 15, 115);
  await answer();
  drag('move', null, 235, 165);
  drag('end', null, 235, 165);
  await settle();
  expect(state().selection).toEqual(['ea', 'eb']);
  drag('start', 'ec', 235, 115, { shift: true });
  await answer();
  layout(50);
  pageScrolled();
  await answer(50);
  drag('end', 'ec', 345, 115, { shift: true, ctrl: true });
  await settle();
  expect(state().selection).toEqual(['ea', 'eb', 'ec']);
  expect(state().announcement).toBe('1 element selected.');
});

test('something new is put where it is let go of, and nowhere where it can not stand', async () => {
  const put = jest.fn();
  pickUp({ ids: [], shapes: [{ tag: 'p' }], name: 'Text', put });
  await answer();
  carry(235, 140, false);
  expect(useDragging.getState().words).toBe('Put in, into erow, at all widths');
  letGo();
  await settle();
  expect(put.mock.calls[0]![0]).toMatchObject({ parent: 'erow', index: 2 });
  pickUp({ ids: [], shapes: [{ tag: 'tr' }], name: 'Table row', put });
  await answer();
  carry(200, 140, false);
  expect(useDragging.getState().words).toBe("Table row can't stand here.");
  letGo();
  await settle();
  expect(put).toHaveBeenCalledTimes(1);
});

test('a drag that begins before the last one is done changes nothing of what that one does', async () => {
  const [first, second] = [jest.fn(), jest.fn()];
  pickUp({ ids: [], shapes: [{ tag: 'p' }], name: 'Text', put: first });
  carry(235, 140, false);
  // Let go of before the frame has said where everything stands.
  letGo();
  const early = posted.findLast(({ type }) => type === 'survey')!.token!;
  pickUp({ ids: [], shapes: [{ tag: 'tr' }], name: 'Table row', put: second });
  await answer();
  carry(200, 140, false);
  surveyed(early, boxes(0));
  await ticks();
  expect(first.mock.calls[0]![0]).toMatchObject({ parent: 'erow', index: 2 });
  expect(useDragging.getState().words).toBe("Table row can't stand here.");
  letGo();
  await settle();
  expect(second).not.toHaveBeenCalled();
});
