import { DEFAULT_SLICE } from '@/core/breakpoints';
import { laneFor } from '@/core/cascade';
import type { Project } from '@/core/document';
import { applyEdit } from '@/core/edits';
import { insert, make, MIDDLE, NARROW, set, shared, TEXT } from '@/core/edits/project-for-tests';
import { laneActions } from './lane-actions';
import { endNear, placeOf } from './stretch';

jest.mock('../editing/sync', () => ({ schedule: jest.fn(), settled: jest.fn() }));
jest.mock('../measuring/sweep', () => ({}));
jest.mock('../editing/background', () => ({}));

const project = make(
  MIDDLE,
  NARROW,
  insert('e1', 'p'),
  shared(TEXT),
  set(TEXT, 'base', 'width', '300px'),
  set(TEXT, 'bm', 'width', '200px'),
  set('sx', 'base', 'color', 'red'),
);
const page = project.pages[0]!;
const lane = (one: Project, property = 'width') => laneFor(one, one.pages[0]!, TEXT, property).stretches;
const place = (index: number, property = 'width') => {
  const stretches = lane(project, property);
  return { owner: TEXT, property, stretch: stretches[index]!, before: stretches[index - 1], after: stretches[index + 1] };
};
const labels = (index: number, property?: string) => laneActions(project, page, place(index, property)).map(({ label }) => label);

test('an own value can be cleared, copied, made base, given, stopped and carried on', () => {
  expect(lane(project).map(({ carriage }) => carriage)).toEqual(['carried', 'set', 'set']);
  expect(labels(1)).toEqual([
    'Clear at 899 and narrower',
    'Copy to …',
    'Make base',
    'At every band',
    'Give to the siblings',
    'Give to all texts on this page',
    'Stop here, not narrower',
    'Stop here, not wider',
    'Carry on over 599 and narrower',
    'Carry on over 900 and wider',
  ]);
  expect(labels(2)).not.toContain('Make base');
});

test('a value of a shared style can only be carried on by one of its own', () => {
  expect(labels(0, 'color')).toEqual([]);
});

test('each does what it says', () => {
  const widths = (label: string, further?: string) => {
    let action = laneActions(project, page, place(1)).find((one) => one.label === label)!;
    if ('more' in action) action = action.more.find((one) => one.label === further)!;
    if ('more' in action) throw new Error('There is a further list.');
    const next = applyEdit(project, action.make(project, DEFAULT_SLICE, page).edit).document;
    return lane(next)
      .filter(({ value }, i, all) => value !== all[i - 1]?.value)
      .map(({ from, value }) => `${from} ${value}`);
  };
  expect(widths('Carry on over 900 and wider')).toEqual(['0 200px']);
  expect(widths('Stop here, not narrower')).toEqual(['0 300px', '600 200px', '900 300px']);
  expect(widths('Make base')).toEqual(['0 200px']);
  expect(widths('Copy to …', 'Narrow: 599 and narrower')).toEqual(['0 200px', '900 300px']);
});

test('what is typed goes to where the value is, or else to the band that was pressed', () => {
  const at = (index: number, width: number, property?: string) => placeOf(project, place(index, property).stretch, width);
  expect([at(0, 500), at(1, 700), at(2, 1000)]).toEqual(['bm', 'bm', 'base']);
  expect([at(0, 500, 'color'), at(0, 700, 'color'), at(0, 1000, 'color')]).toEqual(['bn', 'bm', 'base']);
});

test('an end let go near an edge is meant to be at it', () => {
  const px = (width: number) => width / 2;
  expect([endNear(project, 590, px), endNear(project, 585.4, px), endNear(project, 913, px)]).toEqual([600, 585, 900]);
});
