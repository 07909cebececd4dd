import { childIds } from './content';
import type { PageElement } from './element';
import { ruleOf } from './html';
import type { Page } from './project';
import type { Box, Pseudo, State } from './pseudo';
import { readPseudo } from './pseudo';
import { ancestorsOf, subtreeOf } from './tree';

const CONTROLS = new Set(['button', 'input', 'select', 'textarea']);
const CAN_BE_DISABLED = new Set([...CONTROLS, 'fieldset', 'optgroup', 'option']);
const CAN_BE_OPEN = new Set(['details', 'dialog']);

const isCheckable = ({ tag, attributes }: PageElement) =>
  tag === 'option' || (tag === 'input' && ['checkbox', 'radio'].includes(attributes.type ?? ''));

/** Whether an element can ever be in a state (HTML, "Pseudo-classes"; Selectors 4). */
export function canBe(element: PageElement, state: State): boolean {
  switch (state) {
    case 'disabled':
      return CAN_BE_DISABLED.has(element.tag);
    case 'checked':
      return isCheckable(element);
    case 'open':
      return CAN_BE_OPEN.has(element.tag);
    case 'empty':
      return element.source === undefined && ruleOf(element.tag)?.content !== 'void';
    default:
      return true;
  }
}

/** Whether an element can ever have a box besides its own (CSS Pseudo-Elements 4). */
export function canHave({ tag, source }: PageElement, box: Box): boolean {
  if (box === 'placeholder') return tag === 'input' || tag === 'textarea';
  return source === undefined && ruleOf(tag)?.content !== 'void' && tag !== 'textarea';
}

/** Whether there is a state or a box of an element to speak of. */
export function hasPseudo(element: PageElement, pseudo: Pseudo): boolean {
  const { state, box } = readPseudo(pseudo);
  return (state === undefined || canBe(element, state)) && (box === undefined || canHave(element, box));
}

/** The states that the document itself says an element is in. Nothing is said of a select's own choice of an option. */
export function documentStates(page: Page, element: PageElement): State[] {
  const { tag, attributes, children, source } = element;
  const states: State[] = [];
  const current = attributes['aria-current'];
  if (current !== undefined && current !== '' && current !== 'false') states.push('current');
  if (children.length === 0 && source === undefined) states.push('empty');
  if ('open' in attributes) states.push('open');
  if (isCheckable(element) && (tag === 'option' ? 'selected' : 'checked') in attributes && !isOutdone(page, element))
    states.push('checked');
  if (CAN_BE_DISABLED.has(tag) && isDisabled(page, element)) states.push('disabled');
  return states;
}

/** HTML, "Enabling and disabling form controls: the disabled attribute". */
function isDisabled(page: Page, { id, tag, attributes }: PageElement): boolean {
  if ('disabled' in attributes) return true;
  const ancestors = ancestorsOf(page, id);
  if (tag === 'option') return ancestors[0]?.tag === 'optgroup' && 'disabled' in ancestors[0].attributes;
  if (!CONTROLS.has(tag) && tag !== 'fieldset') return false;
  return ancestors.some((around, i) => {
    if (around.tag !== 'fieldset' || !('disabled' in around.attributes)) return false;
    const firstLegend = childIds(around).find((child) => page.elements[child]?.tag === 'legend');
    return firstLegend === undefined || (ancestors[i - 1]?.id ?? id) !== firstLegend;
  });
}

const groupOf = (page: Page, { id, attributes: { name } }: PageElement) =>
  name ? `${name} ${ancestorsOf(page, id).find(({ tag }) => tag === 'form')?.id ?? ''}` : undefined;

const isRadio = ({ tag, attributes }: PageElement) => tag === 'input' && attributes.type === 'radio';

/** Whether a later button of the same group is the one that is chosen (HTML, "radio button group"). */
function isOutdone(page: Page, element: PageElement): boolean {
  if (!isRadio(element)) return false;
  const group = groupOf(page, element);
  if (group === undefined) return false;
  const chosen = subtreeOf(page, page.root).findLast(
    (one) => isRadio(one) && 'checked' in one.attributes && groupOf(page, one) === group,
  );
  return chosen !== undefined && chosen.id !== element.id;
}

const ATTRIBUTE: Readonly<Partial<Record<State, readonly [name: string, value: string]>>> = {
  current: ['aria-current', 'page'],
  open: ['open', ''],
  disabled: ['disabled', ''],
};

const pages = new WeakMap<Page, Map<string, Page>>();

/** The page as it is while an element is in a state that documents say; the page itself where it is or can't be. */
export function pageInState(page: Page, id: string, state: State): Page {
  const element = page.elements[id];
  if (!element || !canBe(element, state) || documentStates(page, element).includes(state)) return page;
  const known = pages.get(page) ?? new Map<string, Page>();
  pages.set(page, known);
  const key = `${id} ${state}`;
  let made = known.get(key);
  if (!made) known.set(key, (made = makeState(page, element, state)));
  return made;
}

function makeState(page: Page, element: PageElement, state: State): Page {
  const elements = { ...page.elements };
  const put = (one: PageElement, name: string, value: string | undefined) => {
    const { [name]: _, ...others } = one.attributes;
    elements[one.id] = { ...one, attributes: value === undefined ? others : { ...others, [name]: value } };
  };
  if (state === 'empty') {
    for (const { id } of subtreeOf(page, element.id).slice(1)) delete elements[id];
    elements[element.id] = { ...element, children: [] };
  } else if (state === 'checked') {
    const group = isRadio(element) ? groupOf(page, element) : undefined;
    for (const one of group === undefined ? [] : Object.values(page.elements))
      if (isRadio(one) && 'checked' in one.attributes && groupOf(page, one) === group) put(one, 'checked', undefined);
    put(element, element.tag === 'option' ? 'selected' : 'checked', '');
  } else {
    const said = ATTRIBUTE[state];
    if (!said) return page;
    put(element, ...said);
  }
  return { ...page, elements };
}
