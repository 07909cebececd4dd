import { judgeCases } from './cases-for-tests';
import { facts } from './facts-for-tests';
import { clippedContent } from './clipped-content';
import { outsideViewport } from './outside-viewport';
import { overlappingText } from './overlapping-text';
import { sidewaysScroll } from './sideways-scroll';
import { smallText } from './small-text';
import { wrappedLabel } from './wrapped-label';

const TWO_LINES = [
  [0, 0, 100, 20],
  [0, 20, 40, 20],
] as const;

/** Layouts that pass and layouts that fail, most of them by one pixel. */
judgeCases([
  [sidewaysScroll, 'as wide as the viewport', facts(400, []), []],
  [sidewaysScroll, 'one px wider', facts(400, [{ id: 'a', box: [0, 0, 401, 10] }], 401), ['body']],
  [
    sidewaysScroll,
    'a wide thing in its own scroller',
    facts(400, [
      { id: 's', box: [0, 0, 400, 10], cut: 'scrolls' },
      { id: 'a', in: 's', box: [0, 0, 900, 10] },
    ]),
    [],
  ],

  [outsideViewport, 'text up to the edge', facts(400, [{ id: 'a', box: [0, 0, 400, 20], lines: [[0, 0, 400, 20]] }]), []],
  [
    outsideViewport,
    'text one px past the right edge',
    facts(400, [{ id: 'a', box: [0, 0, 401, 20], lines: [[0, 0, 401, 20]] }]),
    ['a'],
  ],
  [
    outsideViewport,
    'text one px past the left edge',
    facts(400, [{ id: 'a', box: [-1, 0, 100, 20], lines: [[-1, 0, 100, 20]] }]),
    ['a'],
  ],
  [
    outsideViewport,
    'put away wholly past the left edge',
    facts(400, [{ id: 'a', box: [-9999, 0, 100, 20], lines: [[-9999, 0, 90, 20]] }]),
    [],
  ],
  [
    outsideViewport,
    'wholly past the right edge',
    facts(400, [{ id: 'a', box: [500, 0, 100, 20], lines: [[500, 0, 90, 20]] }]),
    ['a'],
  ],
  [
    outsideViewport,
    'inside a scroller',
    facts(400, [
      { id: 's', box: [0, 0, 400, 20], cut: 'scrolls' },
      { id: 'a', in: 's', box: [300, 0, 200, 20], lines: [[300, 0, 200, 20]] },
    ]),
    [],
  ],
  [outsideViewport, 'an empty box', facts(400, [{ id: 'a', box: [0, 0, 500, 20] }]), []],
  [outsideViewport, 'a picture', facts(400, [{ id: 'a', tag: 'img', box: [0, 0, 480, 20] }]), ['a']],
  [outsideViewport, 'hidden', facts(400, [{ id: 'a', hidden: true, box: [0, 0, 480, 20], lines: [[0, 0, 480, 20]] }]), []],

  [
    clippedContent,
    'text that fits',
    facts(400, [{ id: 'a', cut: 'hidden', box: [0, 0, 100, 20], lines: [[0, 0, 100, 20]] }]),
    [],
  ],
  [
    clippedContent,
    'own text cut at the side',
    facts(400, [{ id: 'a', cut: 'hidden', box: [0, 0, 100, 20], lines: [[0, 0, 101, 20]] }]),
    ['a'],
  ],
  [
    clippedContent,
    'text meant to end in an ellipsis',
    facts(400, [{ id: 'a', cut: 'hidden', ellipsis: true, box: [0, 0, 100, 20], lines: [[0, 0, 140, 20]] }]),
    [],
  ],
  [
    clippedContent,
    'a line below the bottom',
    facts(400, [
      { id: 'c', cut: 'hidden', box: [0, 0, 100, 50] },
      { id: 'a', in: 'c', box: [0, 40, 100, 20], lines: [[0, 40, 80, 20]] },
    ]),
    ['c'],
  ],
  [
    clippedContent,
    'the same in a scroller',
    facts(400, [
      { id: 'c', cut: 'scrolls', box: [0, 0, 100, 50] },
      { id: 'a', in: 'c', box: [0, 40, 100, 20], lines: [[0, 40, 80, 20]] },
    ]),
    [],
  ],
  [
    clippedContent,
    'only the space around the letters cut',
    facts(400, [
      { id: 'c', cut: 'hidden', box: [0, 0, 100, 18] },
      { id: 'a', in: 'c', size: 14, box: [0, 0, 100, 20], lines: [[0, 0, 80, 20]] },
    ]),
    [],
  ],
  [
    clippedContent,
    'a picture cut',
    facts(400, [
      { id: 'c', cut: 'hidden', box: [0, 0, 100, 50] },
      { id: 'a', tag: 'img', in: 'c', box: [0, 0, 100, 60] },
    ]),
    ['c'],
  ],
  [
    clippedContent,
    'a text for screen readers only',
    facts(400, [{ id: 'a', cut: 'hidden', box: [0, 0, 1, 1], lines: [[0, 0, 100, 20]] }]),
    [],
  ],
  [
    clippedContent,
    'held outside the box that cuts',
    facts(400, [
      { id: 'c', cut: 'hidden', box: [0, 0, 100, 50] },
      { id: 'a', in: 'c', place: 'absolute', box: [0, 40, 100, 30], lines: [[0, 40, 80, 30]] },
    ]),
    [],
  ],
  [
    clippedContent,
    'held by the box that cuts',
    facts(400, [
      { id: 'c', cut: 'hidden', place: 'anchor', box: [0, 0, 100, 50] },
      { id: 'a', in: 'c', place: 'absolute', box: [0, 40, 100, 30], lines: [[0, 40, 80, 30]] },
    ]),
    ['c'],
  ],

  [
    overlappingText,
    'one under the other',
    facts(400, [
      { id: 'a', box: [0, 0, 100, 20], lines: [[0, 0, 100, 20]] },
      { id: 'b', box: [0, 20, 100, 20], lines: [[0, 20, 100, 20]] },
    ]),
    [],
  ],
  [
    overlappingText,
    'letters on letters',
    facts(400, [
      { id: 'a', box: [0, 0, 100, 20], lines: [[0, 0, 100, 20]] },
      { id: 'b', box: [90, 5, 100, 20], lines: [[90, 5, 100, 20]] },
    ]),
    ['a'],
  ],
  [
    overlappingText,
    'touching by two px',
    facts(400, [
      { id: 'a', box: [0, 0, 100, 20], lines: [[0, 0, 100, 20]] },
      { id: 'b', box: [98, 0, 100, 20], lines: [[98, 0, 100, 20]] },
    ]),
    [],
  ],
  [
    overlappingText,
    'tall line boxes, letters apart',
    facts(400, [
      { id: 'a', box: [0, 0, 100, 30], lines: [[0, 0, 100, 30]] },
      { id: 'b', box: [0, 20, 100, 30], lines: [[0, 20, 100, 30]] },
    ]),
    [],
  ],
  [
    overlappingText,
    'one of them cut away',
    facts(400, [
      { id: 'c', cut: 'hidden', box: [0, 0, 50, 20] },
      { id: 'a', in: 'c', box: [0, 0, 100, 20], lines: [[0, 0, 100, 20]] },
      { id: 'b', box: [60, 0, 100, 20], lines: [[60, 0, 100, 20]] },
    ]),
    [],
  ],

  [
    wrappedLabel,
    'a button on one line',
    facts(400, [{ id: 'a', tag: 'button', box: [0, 0, 100, 20], lines: [[0, 0, 100, 20]] }]),
    [],
  ],
  [wrappedLabel, 'a button on two', facts(400, [{ id: 'a', tag: 'button', box: [0, 0, 100, 40], lines: TWO_LINES }]), ['a']],
  [
    wrappedLabel,
    'the text in a span of it',
    facts(400, [
      { id: 'a', tag: 'button', box: [0, 0, 100, 40] },
      { id: 's', tag: 'span', in: 'a', box: [0, 0, 100, 40], lines: TWO_LINES },
    ]),
    ['a'],
  ],
  [wrappedLabel, 'a link in running text', facts(400, [{ id: 'a', tag: 'a', box: [0, 0, 100, 40], lines: TWO_LINES }]), []],
  [
    wrappedLabel,
    'a link in a navigation',
    facts(400, [
      { id: 'n', tag: 'nav', box: [0, 0, 100, 40] },
      { id: 'a', tag: 'a', in: 'n', box: [0, 0, 100, 40], lines: TWO_LINES },
    ]),
    ['a'],
  ],
  [wrappedLabel, 'a tab', facts(400, [{ id: 'a', role: 'tab', box: [0, 0, 100, 40], lines: TWO_LINES }]), ['a']],
  [
    wrappedLabel,
    'two sizes on one line',
    facts(400, [
      { id: 'a', tag: 'button', box: [0, 0, 100, 30] },
      { id: 's', in: 'a', box: [0, 0, 50, 30], lines: [[0, 0, 50, 30]] },
      { id: 't', in: 'a', box: [50, 8, 50, 20], lines: [[50, 8, 50, 20]] },
    ]),
    [],
  ],

  [smallText, 'of 12 px', facts(400, [{ id: 'a', size: 12, box: [0, 0, 100, 20], lines: [[0, 0, 100, 20]] }]), []],
  [smallText, 'of 11.9 px', facts(400, [{ id: 'a', size: 11.9, box: [0, 0, 100, 20], lines: [[0, 0, 100, 20]] }]), ['a']],
  [smallText, 'small but empty', facts(400, [{ id: 'a', size: 9, box: [0, 0, 100, 20] }]), []],
  [
    smallText,
    'small but hidden',
    facts(400, [{ id: 'a', size: 9, hidden: true, box: [0, 0, 100, 20], lines: [[0, 0, 100, 20]] }]),
    [],
  ],
]);

test('sideways scroll names what causes it, the deepest first', () => {
  const page = facts(
    400,
    [
      { id: 'row', box: [0, 0, 500, 20] },
      { id: 'item', in: 'row', box: [400, 0, 100, 20] },
      { id: 'fine', box: [0, 30, 300, 20] },
    ],
    500,
  );
  expect(sidewaysScroll.judge(page, {})[0]!.others).toEqual(['item']);
});
