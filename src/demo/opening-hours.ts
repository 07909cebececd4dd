import type { Sprig } from './build';
import { el } from './build';
import { page } from './furniture';

const line = { padding: '12px 16px 12px 0', 'text-align': 'left', 'border-bottom': '1px solid #dcd6c9' };
const narrowLine = { padding: '10px 8px 10px 0', 'font-size': '15px' };

const day = (name: string, morning: string, evening: string, help: string): Sprig =>
  el('tr', { name }, [
    el('th', { text: name, name: `${name} heading`, attributes: { scope: 'row' }, base: line, narrow: narrowLine }),
    el('td', { text: morning, name: `${name} morning`, base: line, narrow: narrowLine }),
    el('td', { text: evening, name: `${name} evening`, base: line, narrow: narrowLine }),
    el('td', { text: help, name: `${name} help`, base: line, narrow: { display: 'none' } }),
  ]);

const head = (text: string, last = false): Sprig =>
  el('th', {
    text,
    name: `${text} column`,
    attributes: { scope: 'col' },
    base: line,
    narrow: last ? { display: 'none' } : narrowLine,
  });

export const openingHours = page('Opening hours', [
  el('main', { name: 'Main', shared: ['sframe'], base: { 'padding-top': '36px' } }, [
    el('h1', { text: 'Opening hours', name: 'Title', shared: ['stitle'], base: { 'margin-bottom': '20px' } }),
    el('table', { name: 'Hours', base: { width: '100%', 'border-collapse': 'collapse' } }, [
      el('thead', { name: 'Column heads' }, [
        el('tr', { name: 'Head row' }, [head('Day'), head('Morning'), head('Evening'), head('At the bench', true)]),
      ]),
      el('tbody', { name: 'Days' }, [
        day('Tuesday', '9 to 12', '17 to 20', 'Sharpening'),
        day('Thursday', 'closed', '17 to 21', 'Bicycle repair'),
        day('Friday', '9 to 12', 'closed', 'Sewing machines'),
        day('Saturday', '9 to 14', 'closed', 'First-timers'),
      ]),
    ]),
    el('p', {
      text: 'On the first Saturday of the month somebody shows how to use one tool well.',
      name: 'Note',
      shared: ['squiet'],
      base: { 'margin-top': '16px' },
    }),
  ]),
]);
