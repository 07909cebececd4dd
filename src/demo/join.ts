import type { Sprig } from './build';
import { el, NARROW } from './build';
import { closing, page } from './furniture';

const field = (label: string, type: string, hint: string): Sprig =>
  el('div', { name: `${label} group`, base: { display: 'flex', 'flex-direction': 'column', gap: '4px' } }, [
    el('label', {
      text: label,
      name: `${label} label`,
      attributes: { for: label.toLowerCase() },
      base: { 'font-weight': '600' },
    }),
    el('input', {
      name: `${label} field`,
      attributes: { id: label.toLowerCase(), type, name: label.toLowerCase(), placeholder: hint },
      base: {
        width: '100%',
        padding: '10px 12px',
        border: '1px solid #66706b',
        'border-radius': '4px',
        'background-color': '#ffffff',
      },
    }),
  ]);

export const join = page('Join', [
  el('main', { name: 'Main', shared: ['sframe'], base: { 'padding-top': '36px' } }, [
    el('h1', { text: 'Join the library', name: 'Title', shared: ['stitle'], base: { 'margin-bottom': '20px' } }),
    el('button', {
      ...{ text: 'What members get', name: 'Welcome sheet button', key: 'open', shared: ['smenubutton'] },
      attributes: { type: 'button', popovertarget: 'welcome' },
      narrow: { 'margin-bottom': '20px' },
    }),
    el(
      'div',
      {
        name: 'Form and welcome',
        base: { display: 'grid', 'grid-template-columns': '1fr 1fr', gap: '40px', 'align-items': 'start' },
        middle: { gap: '24px' },
        narrow: { 'grid-template-columns': 'minmax(0, 1fr)' },
      },
      [
        el(
          'form',
          { name: 'Join form', base: { display: 'flex', 'flex-direction': 'column', gap: '16px', 'align-items': 'stretch' } },
          [
            field('Name', 'text', 'What shall we call you?'),
            field('Email', 'email', 'For reminders only'),
            field('Street', 'text', 'Where do you live?'),
            el('button', {
              text: 'Ask to join',
              name: 'Send',
              attributes: { type: 'submit' },
              shared: ['sbutton'],
              base: { 'align-self': 'flex-start' },
              narrow: { 'align-self': 'stretch' },
            }),
          ],
        ),
        el(
          'aside',
          {
            name: 'Welcome sheet',
            attributes: { id: 'welcome', 'aria-label': 'Welcome sheet' },
            panel: {
              ...{ kind: 'sheet', edge: 'bottom', at: { base: false, [NARROW]: true } },
              ...{ locks: true, outside: true, slides: true },
            },
            base: { padding: '24px', 'background-color': '#d8e7e0', 'border-radius': '8px' },
            narrow: {
              ...{
                position: 'fixed',
                top: 'auto',
                right: '0',
                bottom: '0',
                left: '0',
                'max-height': '85%',
                'overflow-y': 'auto',
              },
              ...{ padding: '16px 16px 28px', 'border-radius': '12px 12px 0 0' },
            },
          },
          [
            closing('close', 'welcome', { name: 'Close the sheet', shared: ['smenubutton'], narrow: { 'margin-left': 'auto' } }),
            el('h2', { text: 'Welcome sheet', name: 'Welcome title', shared: ['ssubtitle'] }),
            el('p', {
              text: 'You get a card, a peg with your name, and one tool to take home on the first day.',
              name: 'Welcome text',
              base: { margin: '0 0 12px' },
            }),
            el('p', { text: 'We ask for two evenings a year at the desk.', name: 'Welcome duty', base: { margin: '0' } }),
          ],
        ),
      ],
    ),
  ]),
]);
