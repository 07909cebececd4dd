import type { Page } from '@/core/document';
import type { Parts, Sprig } from './build';
import { el, NARROW, part, use } from './build';

const link = (text: string, page: string) =>
  el('li', { name: `${text} entry` }, [el('a', { text, attributes: { href: `page:${page}` }, shared: ['slink'] })]);

/** What closes a panel, there only where it is one. */
export const closing = (key: string, panel: string, parts: Parts): Sprig =>
  el('button', {
    ...{ text: 'Close', key, attributes: { type: 'button', popovertarget: panel, popovertargetaction: 'hide' } },
    ...parts,
  });

/** The header that the finished pages share: name and menu, which is a drawer on narrow screens. */
function siteHeader(): Sprig {
  return el('header', { name: 'Header', shared: ['sheader'] }, [
    el('a', { text: 'Tansy Street Tool Library', name: 'Name', attributes: { href: 'page:gfront' }, shared: ['sbrand'] }),
    el(
      'nav',
      {
        name: 'Menu',
        attributes: { id: 'menu', 'aria-label': 'Pages' },
        panel: {
          ...{ kind: 'drawer', edge: 'right', at: { base: false, [NARROW]: true } },
          ...{ locks: true, outside: true, links: true, slides: true },
        },
        narrow: {
          ...{ position: 'fixed', top: '0', right: '0', bottom: '0', left: 'auto', width: 'min(280px, 80%)' },
          ...{ display: 'flex', 'flex-direction': 'column', gap: '16px', padding: '14px 16px 24px', 'overflow-y': 'auto' },
          ...{ 'background-color': '#fdfcf8', 'box-shadow': '0 0 32px rgb(31 43 41 / 0.35)' },
        },
      },
      [
        closing('close', 'menu', { name: 'Close the menu', shared: ['smenubutton'], narrow: { 'align-self': 'flex-end' } }),
        el('ul', { name: 'Menu list', shared: ['smenu'] }, [
          link('Catalogue', 'gcatalogue'),
          link('Hours', 'ghours'),
          link('Booking', 'gtool'),
          link('Join', 'gjoin'),
        ]),
      ],
    ),
    el('button', {
      ...{ text: 'Menu', name: 'Menu button', shared: ['smenubutton'] },
      attributes: { type: 'button', popovertarget: 'menu' },
    }),
  ]);
}

function siteFooter(): Sprig {
  return el('footer', { name: 'Footer', shared: ['sfooter'] }, [
    el('p', {
      text: 'Tansy Street Tool Library. Run by its members, open to the whole street.',
      name: 'About',
      shared: ['squiet'],
    }),
    el('p', { text: 'Bring it back dry, sharp and on the day.', name: 'House rule', shared: ['squiet'] }),
  ]);
}

const HEADER = part('header', 'Header', siteHeader());
const FOOTER = part('footer', 'Footer', siteFooter());

/** What a tool of the library is shown as: its drawing, its name, its place, and a button where it can be reserved. */
export const TOOL_CARD = part(
  'card',
  'Tool card',
  el('li', { name: 'Card', shared: ['scard'] }, [
    el('img', { name: 'Drawing', attributes: { src: 'picture:phammer', alt: '' }, base: { display: 'block', width: '100%' } }),
    el('div', { name: 'Words', shared: ['scardbody'] }, [
      el('h3', { text: 'Claw hammer', name: 'Tool name', base: { 'font-size': '17px', margin: '0' } }),
      el('p', { text: 'Wall A, peg 4', name: 'Place', shared: ['squiet'] }),
      el('button', { text: 'Reserve', name: 'Reserve', attributes: { type: 'button' }, shared: ['sbutton'] }),
    ]),
  ]),
);

export const PARTS: readonly Page[] = [HEADER, FOOTER, TOOL_CARD];

export function page(name: string, parts: readonly Sprig[]): Sprig {
  return el('body', { name, shared: ['spage'] }, [use(HEADER, { name: 'Header' }), ...parts, use(FOOTER, { name: 'Footer' })]);
}
