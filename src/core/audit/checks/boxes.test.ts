import { judgeCases } from './cases-for-tests';
import { facts } from './facts-for-tests';
import { fixedHeight } from './fixed-height';
import { rowOverFull } from './row-over-full';
import { tightGrid } from './tight-grid';
import { unequalItems } from './unequal-items';

/** Layouts that pass and layouts that fail, most of them by one pixel. */
judgeCases([
  [
    fixedHeight,
    'one line in a fixed box',
    facts(400, [
      { id: 'r', flow: 'wrappingRow', fixedHeight: true, box: [0, 0, 400, 50] },
      { id: 'a', in: 'r', box: [0, 0, 100, 40] },
      { id: 'b', in: 'r', box: [100, 0, 100, 60] },
    ]),
    [],
  ],
  [
    fixedHeight,
    'two lines that fit',
    facts(400, [
      { id: 'r', flow: 'wrappingRow', fixedHeight: true, box: [0, 0, 400, 81] },
      { id: 'a', in: 'r', box: [0, 0, 300, 40] },
      { id: 'b', in: 'r', box: [0, 40, 300, 42] },
    ]),
    [],
  ],
  [
    fixedHeight,
    'two lines, two px too many',
    facts(400, [
      { id: 'r', flow: 'wrappingRow', fixedHeight: true, box: [0, 0, 400, 80] },
      { id: 'a', in: 'r', box: [0, 0, 300, 40] },
      { id: 'b', in: 'r', box: [0, 40, 300, 42] },
    ]),
    ['r'],
  ],
  [
    fixedHeight,
    'the box around the row is fixed',
    facts(400, [
      { id: 'c', fixedHeight: true, box: [0, 0, 400, 50] },
      { id: 'r', in: 'c', flow: 'grid', box: [0, 0, 400, 80] },
      { id: 'a', in: 'r', box: [0, 0, 300, 40] },
      { id: 'b', in: 'r', box: [0, 40, 300, 40] },
    ]),
    ['c'],
  ],
  [
    fixedHeight,
    'the same, but it scrolls',
    facts(400, [
      { id: 'c', fixedHeight: true, cut: 'scrolls', box: [0, 0, 400, 50] },
      { id: 'r', in: 'c', flow: 'grid', box: [0, 0, 400, 80] },
      { id: 'a', in: 'r', box: [0, 0, 300, 40] },
      { id: 'b', in: 'r', box: [0, 40, 300, 40] },
    ]),
    [],
  ],
  [
    fixedHeight,
    'a box that grows',
    facts(400, [
      { id: 'r', flow: 'wrappingRow', box: [0, 0, 400, 80] },
      { id: 'a', in: 'r', box: [0, 0, 300, 40] },
      { id: 'b', in: 'r', box: [0, 40, 300, 60] },
    ]),
    [],
  ],
  [
    fixedHeight,
    'what is placed freely does not count',
    facts(400, [
      { id: 'r', flow: 'grid', fixedHeight: true, box: [0, 0, 400, 40] },
      { id: 'a', in: 'r', box: [0, 0, 300, 40] },
      { id: 'b', in: 'r', place: 'absolute', box: [0, 40, 300, 60] },
    ]),
    [],
  ],

  [
    rowOverFull,
    'as many columns as it has',
    facts(400, [{ id: 'g', flow: 'grid', grid: ['repeat(3, minmax(0px, 1fr))', 3], box: [0, 0, 400, 20] }]),
    [],
  ],
  [
    rowOverFull,
    'one more',
    facts(400, [{ id: 'g', flow: 'grid', grid: ['repeat(3, minmax(0px, 1fr))', 4], box: [0, 0, 400, 20] }]),
    ['g'],
  ],
  [
    rowOverFull,
    'columns by the room',
    facts(400, [{ id: 'g', flow: 'grid', grid: ['repeat(auto-fill, 90px)', 4], box: [0, 0, 400, 20] }]),
    [],
  ],
  [rowOverFull, 'no columns of its own', facts(400, [{ id: 'g', flow: 'grid', grid: ['none', 2], box: [0, 0, 400, 20] }]), []],
  [rowOverFull, 'not shown', facts(400, [{ id: 'g', hidden: true, flow: 'grid', grid: ['1fr', 2], box: [0, 0, 400, 20] }]), []],

  [
    unequalItems,
    'lines from the bottom up, each equal in itself',
    facts(400, [
      { id: 'r', box: [0, 0, 400, 100] },
      { id: 'a', in: 'r', share: 1, box: [0, 50, 200, 40] },
      { id: 'b', in: 'r', share: 1, box: [200, 50, 200, 40] },
      { id: 'c', in: 'r', share: 1, box: [0, 0, 400, 40] },
    ]),
    [],
  ],
  [
    unequalItems,
    'an item that comes late and stands in a line above',
    facts(400, [
      { id: 'r', box: [0, 0, 400, 100] },
      { id: 'a', in: 'r', share: 1, box: [0, 0, 150, 40] },
      { id: 'b', in: 'r', share: 1, box: [0, 50, 400, 40] },
      { id: 'c', in: 'r', share: 1, box: [150, 0, 250, 40] },
    ]),
    ['r'],
  ],
  [
    unequalItems,
    'shares that are equal',
    facts(400, [
      { id: 'r', flow: 'row', box: [0, 0, 400, 20] },
      { id: 'a', in: 'r', share: 1, box: [0, 0, 200, 20] },
      { id: 'b', in: 'r', share: 1, box: [200, 0, 199, 20] },
    ]),
    [],
  ],
  [
    unequalItems,
    'a long word in one',
    facts(400, [
      { id: 'r', flow: 'row', box: [0, 0, 400, 20] },
      { id: 'a', in: 'r', share: 1, box: [0, 0, 201, 20] },
      { id: 'b', in: 'r', share: 1, box: [201, 0, 199, 20] },
    ]),
    ['r'],
  ],
  [
    unequalItems,
    'other shares are meant otherwise',
    facts(400, [
      { id: 'r', flow: 'row', box: [0, 0, 400, 20] },
      { id: 'a', in: 'r', share: 1, box: [0, 0, 100, 20] },
      { id: 'b', in: 'r', share: 3, box: [100, 0, 300, 20] },
    ]),
    [],
  ],
  [
    unequalItems,
    'other lines are wider',
    facts(400, [
      { id: 'r', flow: 'wrappingRow', box: [0, 0, 400, 40] },
      { id: 'a', in: 'r', share: 1, box: [0, 0, 200, 20] },
      { id: 'b', in: 'r', share: 1, box: [200, 0, 200, 20] },
      { id: 'c', in: 'r', share: 1, box: [0, 20, 400, 20] },
    ]),
    [],
  ],
  [
    unequalItems,
    'one by its content',
    facts(400, [
      { id: 'r', flow: 'row', box: [0, 0, 400, 20] },
      { id: 'a', in: 'r', share: 1, box: [0, 0, 300, 20] },
      { id: 'b', in: 'r', box: [300, 0, 100, 20] },
    ]),
    [],
  ],

  [tightGrid, 'no grid', facts(400, []), []],
  [tightGrid, 'columns of just the least', facts(400, [], 400, { columnWidth: 40, least: 40, fits: true }), []],
  [tightGrid, 'a little thinner', facts(400, [], 400, { columnWidth: 39.9, least: 40, fits: true }), ['body']],
  [tightGrid, 'one that does not fit', facts(400, [], 400, { columnWidth: 90, least: 40, fits: false }), ['body']],
]);
