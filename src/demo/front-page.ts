import type { Sprig } from './build';
import { el, NARROW, use } from './build';
import { page, TOOL_CARD } from './furniture';

const step = (title: string, text: string): Sprig =>
  el('li', { name: title }, [
    el('h3', { text: title, name: `${title} title`, base: { 'font-size': '18px', margin: '0 0 4px' } }),
    el('p', { text, name: `${title} text`, base: { margin: '0' } }),
  ]);

/** A card without a button: nothing is reserved from here. */
const tool = (picture: string, name: string, place: string): Sprig =>
  use(
    TOOL_CARD,
    { name: `${name} card` },
    {
      Drawing: { attributes: { src: `picture:${picture}` } },
      'Tool name': { text: name },
      Place: { text: place },
      Reserve: { hidden: true },
    },
  );

/** Finished at every width: the audit finds nothing here. */
export const frontPage = page('Front page', [
  el('main', { name: 'Main', shared: ['sframe'] }, [
    el(
      'section',
      {
        name: 'Welcome',
        base: { display: 'grid', 'grid-template-columns': '3fr 2fr', gap: '48px', 'align-items': 'center', padding: '56px 0' },
        middle: { gap: '28px', padding: '40px 0' },
        narrow: { 'grid-template-columns': 'minmax(0, 1fr)', gap: '24px', padding: '28px 0' },
      },
      [
        el(
          'div',
          {
            name: 'Welcome words',
            base: { display: 'flex', 'flex-direction': 'column', gap: '16px', 'align-items': 'flex-start' },
          },
          [
            el('h1', { text: 'Borrow it, fix it, bring it back', name: 'Title', shared: ['stitle'] }),
            el('p', {
              text: 'Four hundred tools for one street and its neighbours. Members borrow for a week, learn on Saturdays and mend things together.',
              name: 'Introduction',
              alternate: { set: 'hintro', at: ['base'] },
              base: { margin: '0', 'max-width': '34em' },
            }),
            el('p', {
              text: 'Four hundred tools for one street. Members borrow for a week.',
              name: 'Short introduction',
              key: 'short',
              alternate: { set: 'hintro', at: [NARROW] },
              base: { margin: '0' },
            }),
            el('a', {
              text: 'See the catalogue',
              name: 'Main button',
              attributes: { href: 'page:gcatalogue' },
              shared: ['sbutton'],
            }),
          ],
        ),
        el('img', {
          name: 'Shop picture',
          attributes: {
            src: 'picture:pstreet',
            alt: 'The library with its green front, a member waiting with a ladder',
            width: '1800',
            height: '1125',
          },
          pictures: { [NARROW]: 'pstreetcut' },
          base: { display: 'block', width: '100%', 'border-radius': '8px' },
          narrow: { 'border-radius': '6px' },
        }),
      ],
    ),
    el('section', { name: 'How it works' }, [
      el('h2', { text: 'How it works', name: 'Steps title', shared: ['ssubtitle'] }),
      el(
        'ol',
        {
          name: 'Steps',
          base: {
            display: 'grid',
            'grid-template-columns': 'repeat(3, minmax(0, 1fr))',
            gap: '28px',
            margin: '0',
            padding: '0',
            'list-style': 'none',
          },
          middle: { gap: '20px' },
          narrow: { 'grid-template-columns': 'minmax(0, 1fr)', gap: '16px' },
        },
        [
          step('Join', 'Twelve a year, less if that is much. Bring something with your address on it.'),
          step('Borrow', 'Choose on the shelf or here. Most tools go out for seven days.'),
          step('Return', 'Any opening hour, or the hatch beside the door after dark.'),
        ],
      ),
    ]),
    el('section', { name: 'In today', base: { 'margin-top': '48px' }, narrow: { 'margin-top': '32px' } }, [
      el('h2', { text: 'In today', name: 'In today title', shared: ['ssubtitle'] }),
      el(
        'ul',
        {
          name: 'Tools in today',
          base: {
            display: 'grid',
            'grid-template-columns': 'repeat(3, minmax(0, 1fr))',
            gap: '24px',
            margin: '0',
            padding: '0',
            'list-style': 'none',
          },
          middle: { gap: '16px' },
          narrow: { 'grid-template-columns': 'minmax(0, 1fr)' },
        },
        [
          tool('phammer', 'Claw hammer', 'Wall A, peg 4'),
          tool('plevel', 'Spirit level', 'Wall B, peg 11'),
          tool('psander', 'Orbital sander', 'Wall C, shelf 5'),
        ],
      ),
    ]),
  ]),
]);
