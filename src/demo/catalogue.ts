import type { Sprig } from './build';
import { el, list, part, use } from './build';
import { closing, page, TOOL_CARD } from './furniture';
import { TOOL_TABLE } from './tools';

const filter = (text: string): Sprig =>
  el('li', { name: `${text} filter` }, [
    el('a', {
      text,
      attributes: { href: '#' },
      base: {
        display: 'block',
        padding: '5px 14px',
        border: '1px solid #3a4744',
        'border-radius': '16px',
        'font-size': '14px',
        'white-space': 'nowrap',
        color: 'inherit',
        'text-decoration': 'none',
      },
    }),
  ]);

const place = (text: string, value: string): Sprig =>
  el(
    'label',
    {
      text,
      name: `${text} choice`,
      key: value,
      base: { display: 'flex', 'flex-direction': 'row-reverse', 'justify-content': 'flex-end', gap: '10px', padding: '4px 0' },
    },
    [
      el('input', {
        name: `${text} tick`,
        key: `${value}tick`,
        attributes: { type: 'checkbox', name: 'place', value },
        base: { width: '24px', height: '24px', margin: '0' },
      }),
    ],
  );

/** A drawer at every width: what is rarely asked for needs no room of its own. */
const moreFilters = el(
  'form',
  {
    name: 'Filter drawer',
    key: 'filters',
    attributes: { id: 'filters', 'aria-label': 'More filters' },
    panel: { ...{ kind: 'drawer', edge: 'left', at: { base: true } }, ...{ locks: true, outside: true, slides: true } },
    base: {
      ...{ position: 'fixed', top: '0', right: 'auto', bottom: '0', left: '0', width: 'min(320px, 85%)', 'overflow-y': 'auto' },
      ...{ display: 'flex', 'flex-direction': 'column', gap: '6px', padding: '20px', 'background-color': '#fdfcf8' },
      'box-shadow': '0 0 32px rgb(31 43 41 / 0.35)',
    },
  },
  [
    el('h2', { text: 'Where it hangs', name: 'Filter title', key: 'filtertitle', shared: ['ssubtitle'] }),
    place('Wall A', 'a'),
    place('Wall B', 'b'),
    place('Wall C', 'c'),
    place('The yard', 'yard'),
    closing('filterclose', 'filters', {
      text: 'Show the tools',
      name: 'Close the filters',
      shared: ['sbutton'],
      base: { 'margin-top': '12px' },
    }),
  ],
);

/** A tool's card as the catalogue has it: with the catalogue's mistakes, and a tag where the tool isn't drawn. */
export const CATALOGUE_CARD = part(
  'incatalogue',
  'Tool card, fed',
  use(
    TOOL_CARD,
    { name: 'Tool card', narrow: { height: '390px' } },
    {
      Drawing: { attributes: { src: 'picture:ptag' } },
      Place: { middle: { 'font-size': '11px' }, narrow: { 'font-size': '14px' } },
      Reserve: { middle: { 'max-width': '150px' }, narrow: { 'max-width': 'none' } },
    },
  ),
);

/** Which column of the table feeds what of a card. */
const FED = [
  ['ecard2', 'src', 'fpicture'],
  ['ecard4', 'text', 'fname'],
  ['ecard5', 'text', 'fplace'],
  ['ecard6', 'text', 'fbutton'],
] as const;

/**
 * Half done, with honest mistakes: cards with a fixed height on narrow screens, filters that may not wrap, a note
 * held at the heading's right, buttons too small for their text, type of 11 px, a notice as wide as it was drawn.
 */
export const catalogue = page('Catalogue', [
  el('main', { name: 'Main', shared: ['sframe'], base: { 'padding-top': '32px' } }, [
    el('div', { name: 'Heading row', base: { position: 'relative' } }, [
      el('h1', { text: 'Everything on the walls, from awl to wheelbarrow', name: 'Heading', shared: ['stitle'] }),
      el('p', {
        text: 'Counted on Monday',
        name: 'Count note',
        shared: ['squiet'],
        base: { 'margin-top': '8px' },
        middle: { position: 'absolute', top: '12px', right: '0', 'white-space': 'nowrap', 'margin-top': '0' },
        narrow: { position: 'static' },
      }),
    ]),
    el(
      'ul',
      { name: 'Filters', base: { display: 'flex', gap: '8px', margin: '20px 0', padding: '0', 'list-style': 'none' } },
      ['All', 'Wood', 'Garden', 'Measuring', 'In today'].map(filter),
    ),
    el('button', {
      ...{ text: 'More filters', name: 'More filters', key: 'more', shared: ['sbutton'] },
      attributes: { type: 'button', popovertarget: 'filters' },
      base: { margin: '0 0 20px' },
    }),
    moreFilters,
    list(
      'ul',
      {
        name: 'Tool cards',
        base: {
          display: 'grid',
          'grid-template-columns': 'repeat(4, minmax(0, 1fr))',
          gap: '24px',
          margin: '0',
          padding: '0',
          'list-style': 'none',
        },
        veryWide: { 'grid-template-columns': 'repeat(6, minmax(0, 1fr))' },
        middle: { 'grid-template-columns': 'repeat(3, minmax(0, 1fr))', gap: '16px' },
        narrow: { 'grid-template-columns': 'minmax(0, 1fr)' },
      },
      {
        ...{ table: TOOL_TABLE.id, set: 'r1', part: CATALOGUE_CARD.id, most: 12 },
        binds: FED.map(([place, to, field]) => ({ place: `eincatalogue1.${place}`, to, field })),
      },
    ),
    el('p', {
      text: 'Missing something? Ask at the desk, we may have it in the back.',
      name: 'Notice',
      base: { 'margin-top': '32px', width: '360px', padding: '14px 16px', 'background-color': '#f3e4c3' },
    }),
  ]),
]);
