import type { Sprig } from './build';
import { el, use } from './build';
import { page, TOOL_CARD } from './furniture';

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

const tool = (picture: string, name: string, place: string, button: string): Sprig =>
  use(
    TOOL_CARD,
    { name: `${name} card`, narrow: { height: '390px' } },
    {
      Drawing: { attributes: { src: `picture:${picture}` } },
      'Tool name': { text: name },
      Place: { text: place, middle: { 'font-size': '11px' }, narrow: { 'font-size': '14px' } },
      Reserve: { text: button, middle: { 'max-width': '150px' }, narrow: { 'max-width': 'none' } },
    },
  );

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
    el(
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
      [
        tool('phammer', 'Claw hammer', 'Wall A, peg 4', 'Reserve'),
        tool('pdrill', 'Cordless drill, 18 volt', 'Wall C, shelf 2', 'Reserve for Saturday'),
        tool('pladder', 'Six-step ladder', 'Yard, hook 1', 'Reserve'),
        tool('psaw', 'Panel saw', 'Wall A, peg 9', 'Reserve'),
        tool('plevel', 'Spirit level', 'Wall B, peg 11', 'Reserve'),
        tool('psander', 'Orbital sander', 'Wall C, shelf 5', 'Reserve for Saturday'),
      ],
    ),
    el('p', {
      text: 'Missing something? Ask at the desk, we may have it in the back.',
      name: 'Notice',
      base: { 'margin-top': '32px', width: '360px', padding: '14px 16px', 'background-color': '#f3e4c3' },
    }),
  ]),
]);
