import type { Drawn } from '../checks/facts-for-tests';
import { facts } from '../checks/facts-for-tests';
import type { MeasuredTexts } from './measured-texts';
import { Roundings } from './roundings';

/** A box that is half as wide as the window, one in it with paddings, and one that is half as wide as that. */
const page = (width: number, flow: Drawn['flow']): MeasuredTexts =>
  ({
    facts: facts(width, [
      { id: 'half', box: [0, 0, width / 2, 100], ...(flow && { flow }) },
      { id: 'padded', in: 'half', box: [10, 0, width / 2 - 20, 100] },
      { id: 'quarter', in: 'half', box: [10, 0, width / 4, 50] },
    ]),
  }) as unknown as MeasuredTexts;
const of = (flow?: Drawn['flow']) => {
  const roundings = new Roundings({ a: page(400, flow), b: page(600, flow) });
  return [1, 2, 3].map((box) => roundings.in(box));
};

test('boxes that are shares are rounded, and again in each other; what only keeps its distance is not', () => {
  expect(of()).toEqual([1, 1, 2]);
});

test('items of rows and grids begin where rounded ones end', () => {
  expect(of('row')).toEqual([1, 1, 3]);
  expect(of('grid')).toEqual([1, 1, 3]);
});
