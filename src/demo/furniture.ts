import type { Sprig } from './build';
import { el } from './build';

const link = (text: string, page: string) =>
  el('li', { name: `${text} entry` }, [el('a', { text, attributes: { href: `page:${page}` }, shared: ['slink'] })]);

/** The header that the finished pages share: name and menu, folded to a button on narrow screens. */
function siteHeader(): Sprig {
  return el('header', { name: 'Header', shared: ['sheader'] }, [
    el('a', { text: 'Tansy Street Tool Library', name: 'Name', attributes: { href: 'page:gfront' }, shared: ['sbrand'] }),
    el('nav', { name: 'Menu', attributes: { 'aria-label': 'Pages' } }, [
      el('ul', { name: 'Menu list', shared: ['smenu'] }, [
        link('Catalogue', 'gcatalogue'),
        link('Hours', 'ghours'),
        link('Booking', 'gtool'),
        link('Join', 'gjoin'),
      ]),
    ]),
    el('button', { text: 'Menu', name: 'Menu button', attributes: { type: 'button' }, shared: ['smenubutton'] }),
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

export function page(name: string, parts: readonly Sprig[]): Sprig {
  return el('body', { name, shared: ['spage'] }, [siteHeader(), ...parts, siteFooter()]);
}
