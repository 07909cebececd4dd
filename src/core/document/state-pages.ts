import type { PageElement } from './element';
import type { Page } from './project';
import type { State } from './pseudo';
import { canBe, documentStates, isRadio, radioGroupOf } from './states';
import { parentsOf, rememberParents, subtreeOf } from './tree';

const ATTRIBUTE: Readonly<Partial<Record<State, readonly [name: string, value: string]>>> = {
  current: ['aria-current', 'page'],
  open: ['open', ''],
  disabled: ['disabled', ''],
};

type Elements = Page['elements'];

/** The elements that are otherwise while one of them is in a state that documents say; none where it is or can't be. */
function changedFor(page: Page, id: string, state: State): Elements {
  const element = page.elements[id];
  if (!element || !canBe(element, state) || documentStates(page, element).includes(state)) return {};
  if (state === 'empty') return { [id]: { ...element, children: [] } };
  if (state === 'checked') {
    const group = isRadio(element) ? radioGroupOf(page, element) : undefined;
    const others: Record<string, PageElement> = {};
    // The page may itself be one in a state, which has the rest from where it was made of.
    if (group !== undefined)
      for (const key in page.elements) {
        const one = page.elements[key]!;
        if (isRadio(one) && 'checked' in one.attributes && radioGroupOf(page, one) === group)
          others[key] = saying(one, 'checked', undefined);
      }
    return { ...others, [id]: saying(element, element.tag === 'option' ? 'selected' : 'checked', '') };
  }
  const said = ATTRIBUTE[state];
  return said ? { [id]: saying(element, ...said) } : {};
}

function saying(element: PageElement, name: string, value: string | undefined): PageElement {
  const { [name]: _, ...others } = element.attributes;
  return { ...element, attributes: value === undefined ? others : { ...others, [name]: value } };
}

const origins = new WeakMap<Elements, { readonly page: Page; readonly changed: readonly PageElement[] }>();

/** Of a page that `pageInState` gave: the page it was made of, and the elements that are otherwise. */
export const changedInState = (page: Pick<Page, 'elements'>) => origins.get(page.elements);

const pages = new WeakMap<Page, Map<string, Page>>();

const isNone = (changed: Elements) => Object.keys(changed).length === 0;

function remembered(page: Page, key: string, make: () => Page): Page {
  let known = pages.get(page);
  if (!known) pages.set(page, (known = new Map()));
  let made = known.get(key);
  if (!made) known.set(key, (made = make()));
  return made;
}

/**
 * The page as it is while an element is in a state that documents say; the page itself where it is or can't be. Only to be
 * asked for elements by id and along the tree: thousands of elements may each be asked about, so all that is the same is
 * taken from the page itself.
 */
export function pageInState(page: Page, id: string, state: State): Page {
  return remembered(page, `${id} ${state}`, () => {
    const changed = changedFor(page, id, state);
    if (isNone(changed)) return page;
    const elements = Object.assign(Object.create(page.elements) as Record<string, PageElement>, changed);
    // Nobody has moved, and of what an empty element held nobody asks.
    rememberParents(elements, parentsOf(page));
    origins.set(elements, { page, changed: Object.values(changed) });
    return { ...page, elements };
  });
}

/** The same with elements of its own, for whoever goes through all of them: to be shown, not to be asked by thousands. */
export function wholePageInState(page: Page, id: string, state: State): Page {
  return remembered(page, `${id} ${state} whole`, () => {
    const changed = changedFor(page, id, state);
    if (isNone(changed)) return page;
    const elements: Record<string, PageElement> = { ...page.elements, ...changed };
    if (state === 'empty') for (const { id: gone } of subtreeOf(page, id).slice(1)) delete elements[gone];
    return { ...page, elements };
  });
}
