import type { Sprig } from './build';
import { el } from './build';
import { page } from './furniture';

const booking = (who: string, from: string, till: string): Sprig =>
  el(
    'li',
    {
      name: `${who}'s booking`,
      base: {
        display: 'flex',
        'justify-content': 'space-between',
        gap: '16px',
        padding: '10px 0',
        'border-bottom': '1px solid #dcd6c9',
      },
    },
    [
      el('span', { text: who, name: `${who}` }),
      el('span', { text: `${from} to ${till}`, name: `${who}'s days`, shared: ['squiet'] }),
    ],
  );

const fact = (term: string, value: string): Sprig =>
  el(
    'div',
    {
      name: `${term} row`,
      base: { display: 'grid', 'grid-template-columns': '120px minmax(0, 1fr)', gap: '12px', padding: '6px 0' },
    },
    [
      el('dt', { text: term, name: term, shared: ['squiet'] }),
      el('dd', { text: value, name: `${term} value`, base: { margin: '0' } }),
    ],
  );

/** List and detail: side by side where there is room, one after the other where there is not. */
export const toolAndBooking = page('Tool and booking', [
  el(
    'main',
    {
      name: 'Main',
      shared: ['sframe'],
      base: { display: 'grid', 'grid-template-columns': '7fr 5fr', gap: '40px', 'padding-top': '36px' },
      middle: { gap: '24px' },
      narrow: { 'grid-template-columns': 'minmax(0, 1fr)' },
    },
    [
      el('article', { name: 'Tool' }, [
        el('h1', { text: 'Cordless drill, 18 volt', name: 'Tool name', shared: ['stitle'], base: { 'margin-bottom': '20px' } }),
        el('img', {
          name: 'Tool drawing',
          attributes: { src: 'picture:pdrill', alt: 'A cordless drill' },
          base: { display: 'block', width: '100%', 'border-radius': '8px' },
        }),
        el('p', {
          text: 'Two batteries, a case of bits and a right-angle head. Charges in forty minutes at the desk, so ask before you carry a flat one home.',
          name: 'Description',
        }),
        el('dl', { name: 'Facts', base: { margin: '0' } }, [
          fact('Where', 'Wall C, shelf 2'),
          fact('Weight', '1.6 kg with battery'),
          fact('Goes out for', 'Seven days'),
        ]),
      ]),
      el('aside', { name: 'Booking' }, [
        el('h2', { text: 'Who has it when', name: 'Booking title', shared: ['ssubtitle'] }),
        el('ul', { name: 'Bookings', base: { margin: '0 0 20px', padding: '0', 'list-style': 'none' } }, [
          booking('Ottoline', 'Monday', 'Thursday'),
          booking('Bram', 'Friday', 'Sunday'),
          booking('Sewing circle', 'Tuesday', 'Tuesday'),
        ]),
        el('button', {
          text: 'Book the drill',
          name: 'Book',
          attributes: { type: 'button' },
          shared: ['sbutton'],
          narrow: { width: '100%' },
        }),
      ]),
    ],
  ),
]);
