import { DEFAULT_SLICE } from '@/core/breakpoints';
import { insert, make, makeFrom, set } from '@/core/edits/project-for-tests';
import { distancesOf } from './Distances';
import type { Measured } from '../preview/frame-message';
import type { Handle, Modifiers } from './handles';
import { gripsOf, pull, snapTo, unitContext, usedLength } from './handles';

const MEASURED: Measured = {
  id: 'erow',
  padding: [10, 20, 30, 40],
  border: [1, 1, 1, 1],
  margin: [8, 0, 0, 0],
  inset: [0, 0, 0, 0],
  gap: [16, 24],
  fontSize: 20,
  lineHeight: 30,
  letterSpacing: 0,
  parentFontSize: 10,
  rootFontSize: 16,
  whole: { width: 800, height: 400 },
  contentBox: false,
  flow: 'row',
  children: [
    [110, 120, 50, 40],
    [184, 120, 50, 40],
    [110, 176, 50, 40],
  ],
  parent: [90, 90, 820, 420],
  siblings: [
    [100, 20, 400, 40],
    [600, 100, 100, 40],
  ],
};
const RECT = [100, 100, 400, 200] as const;
const NONE: Modifiers = { both: false, all: false };

const project = makeFrom(
  make(insert('erow', 'div')),
  set('erow', 'base', 'width', '50%'),
  set('erow', 'base', 'padding', '0.5em 1rem 30px 40px'),
  set('erow', 'base', 'gap', '1em 24px'),
);
const from = (measured: Measured = MEASURED) => ({
  project,
  page: project.pages[0]!,
  slice: DEFAULT_SLICE,
  width: 1000,
  rect: RECT,
  measured,
});
const pulled = (handle: Handle, dx: number, dy: number, modifiers = NONE) =>
  pull(from(), handle, dx, dy, modifiers).map(([property, value]) => `${property} ${value}`);

test.each<[string, Handle, number, number, Modifiers, readonly string[]]>([
  ['width in % of the parent', { kind: 'size', side: 'right' }, 40, 99, NONE, ['width 55%']],
  ['height, which had none', { kind: 'size', side: 'bottom' }, 99, -20, NONE, ['height 180px']],
  ['both by the corner', { kind: 'size', side: 'corner' }, 8, 8, NONE, ['width 51%', 'height 208px']],
  ['never under nothing', { kind: 'size', side: 'right' }, -999, 0, NONE, ['width 0%']],
  ['a padding inwards', { kind: 'padding', side: 'top' }, 0, 10, NONE, ['padding-top 1em']],
  ['the right one goes left', { kind: 'padding', side: 'right' }, -12, 0, NONE, ['padding-right 2rem']],
  [
    'both sides as long as the pulled one',
    { kind: 'padding', side: 'left' },
    8,
    0,
    { both: true, all: false },
    ['padding-left 48px', 'padding-right 3rem'],
  ],
  [
    'all four',
    { kind: 'padding', side: 'bottom' },
    0,
    -10,
    { both: false, all: true },
    ['padding-top 2em', 'padding-right 2.5rem', 'padding-bottom 40px', 'padding-left 40px'],
  ],
  ['a margin outwards, and beyond nothing', { kind: 'margin', side: 'top' }, 0, 20, NONE, ['margin-top -12px']],
  ['a gap', { kind: 'gap', axis: 'row' }, 0, 4, NONE, ['row-gap 1em']],
  ['both gaps', { kind: 'gap', axis: 'column' }, 6, 0, { both: true, all: false }, ['row-gap 1.5em', 'column-gap 30px']],
])('dragged: %s', (_, handle, dx, dy, modifiers, wanted) => {
  expect(pulled(handle, dx, dy, modifiers)).toEqual(wanted);
});

test('grips stand on the edges, in the padding, outside in the margin, and between the items', () => {
  const grips = new Map(gripsOf(RECT, MEASURED).map(({ label, x, y }) => [label, [Math.round(x), Math.round(y)]]));
  expect(grips.get('Width')).toEqual([500, 200]);
  expect(grips.get('Height')).toEqual([300, 300]);
  expect(grips.get('Padding right')).toEqual([489, 167]);
  expect(grips.get('Margin top')).toEqual([367, 88]);
  expect(grips.get('Column gap')).toEqual([172, 140]);
  expect(grips.get('Row gap')).toEqual([135, 168]);
  const labels = (measured: Partial<Measured>) => gripsOf(RECT, { ...MEASURED, ...measured }).map(({ label }) => label);
  expect(labels({ flow: 'block' }).filter((label) => label.includes('gap'))).toEqual([]);
  expect(labels({ children: [] }).filter((label) => label.includes('gap'))).toEqual([]);
  expect(labels({ children: MEASURED.children.slice(0, 2) })).not.toContain('Row gap');
});

test('used lengths: what a property says is what its box has, less padding where that is not counted in', () => {
  const content = { ...MEASURED, contentBox: true };
  expect([usedLength('width', MEASURED, RECT), usedLength('width', content, RECT)]).toEqual([400, 338]);
  expect([usedLength('max-height', MEASURED, RECT), usedLength('height', content, RECT)]).toEqual([200, 158]);
  expect(
    ['padding-left', 'margin-top', 'border-top-width', 'row-gap', 'font-size', 'line-height', 'letter-spacing', 'order'].map(
      (name) => usedLength(name, MEASURED, RECT),
    ),
  ).toEqual([40, 8, 1, 16, 20, 30, 0, undefined]);
});

test('what em and % mean depends on the property', () => {
  const viewport = { width: 1000, height: 800 };
  const of = (property: string) => {
    const { em, whole } = unitContext(MEASURED, property, viewport);
    return [em, whole];
  };
  expect(['width', 'height', 'padding-top', 'font-size', 'line-height', 'border-top-width'].map(of)).toEqual([
    [20, 800],
    [20, 400],
    [20, 800],
    [10, 10],
    [20, 20],
    [20, undefined],
  ]);
});

test('an edge near a line is drawn to it, to the nearest of several', () => {
  expect(snapTo(103, [90, 100, 105], 5)).toEqual({ at: 105, line: 105 });
  expect(snapTo(103, [90, 110], 5)).toEqual({ at: 103, line: undefined });
  expect(snapTo(103, [], 5)).toEqual({ at: 103, line: undefined });
});

test('distances go to the neighbour that faces a side, else to the parent', () => {
  const lines = distancesOf(RECT, MEASURED).map(({ length, across }) => [length, across]);
  // Left: the parent. Right: the box beside it. Above: the one above. Below: the parent.
  expect(lines).toEqual([
    [10, true],
    [100, true],
    [40, false],
    [210, false],
  ]);
  expect(distancesOf(RECT, { siblings: [], parent: null })).toEqual([]);
  expect(distancesOf(RECT, { siblings: [[500, 100, 50, 50]], parent: null })).toEqual([]);
});

test('no grip of a margin or a padding lies on one of the size, however small the element and whatever the zoom', () => {
  const none: Measured = { ...MEASURED, margin: [0, 0, 0, 0], padding: [0, 0, 0, 0], border: [0, 0, 0, 0] };
  for (const zoom of [0.26, 0.5, 1, 2])
    for (const [width, height] of [
      [12, 8],
      [40, 16],
      [300, 28],
      [28, 300],
    ] as const) {
      const grips = gripsOf([100, 100, width, height], none, zoom);
      const of = (...kinds: string[]) => grips.filter(({ handle }) => kinds.includes(handle.kind));
      for (const size of of('size'))
        for (const margin of of('margin')) expect(Math.hypot(margin.x - size.x, margin.y - size.y) * zoom).toBeGreaterThan(8);
    }
});
