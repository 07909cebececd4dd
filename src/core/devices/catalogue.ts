import type { Pointer } from '../breakpoints/viewport';
import type { Device, DeviceGroup, Scrollbar } from './device';
import type { DeviceSet } from './device-set';

type Row = readonly [
  id: string,
  name: string,
  width: number,
  height: number,
  density: number,
  bars: number,
  more?: Partial<Device>,
];

interface Usual {
  readonly pointer: Pointer;
  readonly scrollbar: Scrollbar;
  readonly turns: boolean;
}

const HAND: Usual = { pointer: 'finger', scrollbar: 'overlay', turns: true };
const DESK: Usual = { pointer: 'mouse', scrollbar: 'classic', turns: false };
const FAR: Usual = { pointer: 'remote', scrollbar: 'overlay', turns: false };

const group = (name: DeviceGroup, usual: Usual, rows: readonly Row[]): Device[] =>
  rows.map(([id, title, width, height, density, bars, more]) => ({
    id,
    name: title,
    group: name,
    width,
    height,
    density,
    bars,
    ...usual,
    ...more,
  }));

/** General devices to begin with, by group and then by width. None is a product's; sizes are CSS px. */
export const CATALOGUE: readonly Device[] = [
  ...group('watch', { ...HAND, turns: false }, [['dwatch', 'Watch-sized screen', 212, 252, 2, 0]]),
  ...group('phone', HAND, [
    ['dtiny', 'Very small phone', 322, 572, 2, 88],
    ['dsmall', 'Small phone', 350, 640, 2, 96],
    ['dslim', 'Slim phone', 370, 830, 2.5, 104],
    ['dphone', 'Phone', 400, 860, 3, 112],
    ['dlargetext', 'Phone, large text', 400, 860, 3, 112, { text: 1.5 }],
    ['dnight', 'Phone at night', 400, 860, 3, 112, { scheme: 'dark', motion: 'reduced' }],
    ['dlargephone', 'Large phone', 440, 950, 3, 118],
  ]),
  ...group('folding', HAND, [
    ['dcover', 'Cover screen of a folding phone', 310, 330, 2, 56],
    ['dflat', 'Flip phone, open', 416, 1010, 2.5, 112],
    ['dclosed', 'Folding phone, closed', 372, 890, 2.5, 108],
    ['dopen', 'Folding phone, open', 716, 842, 2.5, 92],
    ['dfold', 'Folding tablet, open', 1010, 1340, 2, 92],
  ]),
  ...group('tablet', HAND, [
    ['dsmalltablet', 'Small tablet', 620, 980, 2, 76],
    ['dtablet', 'Tablet', 800, 1120, 2, 76],
    ['dlargetablet', 'Large tablet', 1040, 1390, 2, 76],
    ['dkeyboard', 'Tablet with keyboard', 1240, 830, 2, 84, { pointer: 'mouse', turns: false }],
  ]),
  ...group('notebook', DESK, [
    ['dsmallnote', 'Small notebook', 1180, 690, 1, 112],
    ['dnote', 'Notebook', 1340, 860, 1, 116],
    ['dfinenote', 'Fine notebook', 1490, 940, 2, 116, { scrollbar: 'overlay' }],
    ['dlargenote', 'Large notebook', 1660, 1040, 1.5, 120],
  ]),
  ...group('desktop', DESK, [
    ['doldesk', 'Old desktop', 1010, 750, 1, 124],
    ['dupright', 'Upright desktop', 1060, 1860, 1, 124],
    ['ddesk', 'Desktop', 1880, 1120, 1, 124],
    ['dlargedesk', 'Large desktop', 2520, 1400, 1, 128],
    ['dwidedesk', 'Very wide desktop', 3400, 1400, 1, 128],
  ]),
  ...group('television', FAR, [['dtv', 'Television', 950, 534, 2, 0]]),
];

/** Sets to begin with: one device of each size group, and three closer looks. */
export const DEVICE_SETS: readonly DeviceSet[] = [
  {
    id: 'vsizes',
    name: 'One of each size',
    devices: ['dwatch', 'dphone', 'dopen', 'dtablet', 'dnote', 'ddesk', 'dtv'].map((device) => ({ device })),
  },
  {
    id: 'vphones',
    name: 'Phones, upright and turned',
    devices: [
      ...['dtiny', 'dsmall', 'dphone', 'dlargephone'].map((device) => ({ device })),
      ...['dsmall', 'dphone'].map((device) => ({ device, turned: true })),
    ],
  },
  {
    id: 'vshared',
    name: 'Shared screens',
    devices: [
      { device: 'dphone', part: 'half' },
      { device: 'dtablet', part: 'half' },
      { device: 'dtablet', turned: true, part: 'third' },
      { device: 'dnote', part: 'half' },
      { device: 'ddesk', part: 'third' },
    ],
  },
  { id: 'vreaders', name: 'Other readers', devices: ['dphone', 'dlargetext', 'dnight', 'dtv'].map((device) => ({ device })) },
];
