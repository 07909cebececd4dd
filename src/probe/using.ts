import { HELD_ATTRIBUTE as HELD } from '@/core/audit/codes';
import { isHeldByEditor } from './held';
import { send } from './nodes';

/**
 * While somebody uses a page as its visitors do: links lead where the editor takes them, forms go nowhere, and elements look as they do
 * when they are pointed at, focused or pressed, which frames say by an attribute.
 */
let used = false;

export const isUsed = (): boolean => used;

const pathOf = (target: EventTarget | null): readonly Element[] => {
  const path: Element[] = [];
  for (let at = target instanceof Element ? target : null; at; at = at.parentElement) path.push(at);
  return path;
};

/** Marks those elements, and no others, as being in a state. */
function mark(state: string, elements: readonly Element[]): void {
  const without = (one: Element) => (one.getAttribute(HELD) ?? '').split(' ').filter((word) => word !== '' && word !== state);
  for (const one of document.querySelectorAll(`[${HELD}~="${state}"]`))
    if (!elements.includes(one) && !isHeldByEditor(one, state)) {
      const rest = without(one);
      if (rest.length > 0) one.setAttribute(HELD, rest.join(' '));
      else one.removeAttribute(HELD);
    }
  for (const one of elements) one.setAttribute(HELD, [...without(one), state].join(' '));
}

/** A place of the page, by its HTML id, brought into sight and given the focus as a browser would. */
export function goToPlace(id: string): void {
  const place = id === '' || id === 'top' ? document.documentElement : document.getElementById(id);
  if (!place) return;
  place.scrollIntoView();
  if (place.matches('a[href], button, input, select, textarea, [tabindex]')) place.focus();
}

function follow(link: Element): void {
  const page = link.getAttribute('data-mp-page');
  const href = link.getAttribute('href') ?? '';
  if (page !== null) send({ type: 'follow', page });
  else if (href.startsWith('#')) goToPlace(decodeURIComponent(href.slice(1)));
  else send({ type: 'outward', what: href.slice(0, 300) });
}

/** Alternates that are built when they are first shown stand in templates, as they do in what is handed over. */
function putIntoTemplates(): void {
  for (const element of document.querySelectorAll<HTMLElement>('[data-mp-later]')) {
    if (element.closest('template') || !element.isConnected) continue;
    const place = document.createElement('template');
    place.className = element.className;
    place.dataset.later = (element.dataset.mpAlternate ?? '').replaceAll('.', '-');
    element.before(place);
    place.content.append(element);
  }
}

/** Who sees little motion on their own system sees little here too, whatever reader the page is shown for. */
function keepStill(): void {
  const sheet = new CSSStyleSheet();
  const none = '*, ::before, ::after { transition: none !important; animation: none !important; }';
  sheet.replaceSync(`@media (prefers-reduced-motion: reduce) { ${none} }`);
  document.adoptedStyleSheets.push(sheet);
}

export function startUsing(): void {
  used = true;
  keepStill();
  putIntoTemplates();
  let built = 0;
  document.addEventListener('alternatebuilt', () => send({ type: 'built', count: ++built }));
  addEventListener('pointerover', ({ target, pointerType }) => pointerType === 'touch' || mark('hover', pathOf(target)));
  document.documentElement.addEventListener('pointerleave', () => mark('hover', []));
  addEventListener('pointerdown', ({ target }) => mark('active', pathOf(target)));
  for (const name of ['pointerup', 'pointercancel']) addEventListener(name, () => mark('active', []));
  const noteFocus = () => mark('focus-visible', [...document.querySelectorAll(':focus-visible')]);
  addEventListener('focusin', noteFocus);
  addEventListener('focusout', () => setTimeout(noteFocus));
  addEventListener('click', (event) => {
    const link = (event.target as Element).closest?.('a[href], area[href]');
    if (!link) return;
    event.preventDefault();
    follow(link);
  });
  addEventListener('submit', (event) => {
    event.preventDefault();
    send({ type: 'outward', what: 'a form' });
  });
  addEventListener('keydown', (event) => {
    // Escape closes what is open first; with nothing open it leads back to the editor.
    if (event.key === 'Escape' && !document.querySelector(':popover-open, dialog[open]')) send({ type: 'leave' });
  });
}
