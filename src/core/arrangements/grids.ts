import { BASE } from '../breakpoints';
import { childIds } from '../document/content';
import { trackCount } from '../styles/tracks';
import type { Arrangement, Recognised } from './arrangement';
import { FREE_ITEM, IN_ONE_COLUMN, itemsOf, whyNoItems } from './items';
import type { Work } from './work';

const PICTURES = new Set(['img', 'svg', 'picture', 'video', 'figure']);

export const gridList: Arrangement = {
  id: 'grid-list',
  name: 'Grid as a list',
  family: 'content',
  does: 'The cards become lines of a list: the picture small at the side, the words beside it.',
  places: 'narrow',
  placeLabel: 'A list at',
  on: 'part',
  settings: () => [
    {
      ...{ id: 'picture', label: 'Picture' },
      choices: [
        ['96px', '96 px wide'],
        ['64px', '64 px wide'],
        ['33%', 'a third'],
      ],
    },
  ],
  whyNot: whyNoItems,
  make(work, id, { at, settings }) {
    work.values(id, at, IN_ONE_COLUMN);
    for (const { id: item, inside } of itemsOf(work, id)) {
      work.values(item, at, FREE_ITEM);
      const pictures = inside.filter(({ element }) => PICTURES.has(element.tag));
      if (pictures.length !== 1 || inside.length < 2) continue;
      work.values(item, at, {
        ...{ display: 'grid', 'grid-template-columns': `${settings.picture ?? '96px'} minmax(0, 1fr)`, 'align-items': 'start' },
        'column-gap': '12px',
      });
      const words = inside.filter((one) => one !== pictures[0]);
      // Below each other beside the picture, in the order in which they are read.
      words.forEach(({ owner }, i) =>
        work.values(owner, at, { 'grid-column-start': '2', 'grid-column-end': 'auto', 'grid-row-start': String(i + 1) }),
      );
      work.values(pictures[0]!.owner, at, {
        ...{ 'grid-column-start': '1', 'grid-column-end': 'auto', 'grid-row-start': '1', width: '100%' },
        'grid-row-end': `span ${words.length}`,
      });
    }
  },
};

const columnsNow = (work: Pick<Work, 'valueAt'>, id: string): number =>
  work.valueAt(id, 'display', BASE).endsWith('grid') ? (trackCount(work.valueAt(id, 'grid-template-columns', BASE)) ?? 1) : 1;

export const moreColumns: Arrangement = {
  id: 'more-columns',
  name: 'More columns where there is room',
  family: 'wide',
  does: 'What stands in it is laid out in more columns of equal width on wide screens.',
  places: 'wide',
  placeLabel: 'More columns at',
  on: 'part',
  settings: () => [
    {
      ...{ id: 'columns', label: 'Columns' },
      choices: [['', 'one more than now'], ...[2, 3, 4, 5, 6].map((n): readonly [string, string] => [String(n), String(n)])],
    },
  ],
  whyNot: whyNoItems,
  make(work, id, { at, settings }) {
    const now = columnsNow(work, id);
    const count = settings.columns ? Number(settings.columns) : now + 1;
    const display = work.valueAt(id, 'display', at);
    const gap = /^(0px|normal)$/.test(work.valueAt(id, 'column-gap', at));
    work.valuesWide(id, at, {
      ...(!display.endsWith('grid') && { display: 'grid' }),
      ...{ 'grid-template-columns': `repeat(${count}, minmax(0, 1fr))`, ...(gap && { 'column-gap': '24px' }) },
    });
    work.notes.push(`${now === 1 ? 'One column becomes' : `${now} columns become`} ${count}.`);
  },
};

const PANE = { id: 'pane', label: 'The second pane', needed: true } as const;

export const secondPane: Arrangement = {
  id: 'second-pane',
  name: 'A second pane',
  family: 'wide',
  does: 'One of what stands below each other moves to the side of the rest on wide screens.',
  places: 'wide',
  placeLabel: 'Side by side at',
  on: 'part',
  roles: [PANE],
  settings: () => [
    {
      ...{ id: 'share', label: 'Shares' },
      choices: [
        ['minmax(0, 2fr) minmax(0, 1fr)', 'two thirds and a third'],
        ['minmax(0, 1fr) minmax(0, 1fr)', 'halves'],
        ['minmax(50%, 1fr) minmax(0, 360px)', 'the rest and 360 px'],
      ],
    },
  ],
  recognise(_, tree, id): Readonly<Record<string, Recognised>> {
    const children = childIds(tree.elements[id]!);
    const asides = children.filter((child) => tree.elements[child]!.tag === 'aside');
    const last = children.at(-1);
    return {
      pane: { found: asides.length === 1 ? asides[0] : children.length === 2 ? last : undefined, among: children.slice(1) },
    };
  },
  whyNot: whyNoItems,
  make(work, id, { at, roles, settings }) {
    const children = work.children(id);
    const pane = roles.pane!;
    const share = settings.share ?? 'minmax(0, 2fr) minmax(0, 1fr)';
    work.valuesWide(id, at, { display: 'grid', 'grid-template-columns': share, 'column-gap': '40px', 'align-items': 'start' });
    const before = children.indexOf(pane);
    children.forEach((child, i) => {
      work.valuesWide(child, at, {
        ...{ 'grid-column-start': child === pane ? '2' : '1', 'grid-column-end': 'auto' },
        'grid-row-start': child === pane ? '1' : String(i < before ? i + 1 : i),
      });
    });
    work.valuesWide(pane, at, { 'grid-row-end': `span ${Math.max(1, children.length - 1)}` });
    if (before < children.length - 1)
      work.notes.push(`${work.element(pane).name} is read before what follows it, and seen beside all of it.`);
  },
};

export const limit: Arrangement = {
  id: 'limit',
  name: 'A limit to how wide it grows',
  family: 'wide',
  does: 'It stops growing and stands in the middle, so that lines stay short enough to read.',
  places: 'wide',
  placeLabel: 'At',
  on: 'part',
  settings: () => [
    {
      ...{ id: 'most', label: 'At most' },
      choices: [
        ['72ch', '72 characters a line'],
        ['960px', '960 px'],
        ['1200px', '1200 px'],
        ['1400px', '1400 px'],
      ],
    },
  ],
  whyNot: () => undefined,
  make(work, id, { at, settings }) {
    work.valuesWide(id, at, { 'max-width': settings.most ?? '72ch', 'margin-left': 'auto', 'margin-right': 'auto' });
  },
};
