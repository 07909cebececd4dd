import { childIds } from './content';
import type { PageElement } from './element';
import { ruleOf } from './html';
import type { Page } from './project';
import type { Box, Pseudo, State } from './pseudo';
import { readPseudo } from './pseudo';
import { ancestorsOf, subtreeOf } from './tree';

const CONTROLS = new Set(['button', 'input', 'select', 'textarea']);
export const CAN_BE_DISABLED = new Set([...CONTROLS, 'fieldset', 'optgroup', 'option']);
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
  const content = ruleOf(tag)?.content;
  return source === undefined && content !== 'void' && content !== 'source' && tag !== 'textarea';
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

/** The radio button group that a button belongs to, by a word (HTML, "radio button group"); undefined for none. */
export const radioGroupOf = (page: Page, { id, attributes: { name } }: PageElement) =>
  name ? `${name} ${ancestorsOf(page, id).find(({ tag }) => tag === 'form')?.id ?? ''}` : undefined;

export const isRadio = ({ tag, attributes }: PageElement) => tag === 'input' && attributes.type === 'radio';

/** Whether a later button of the same group is the one that is chosen (HTML, "radio button group"). */
function isOutdone(page: Page, element: PageElement): boolean {
  if (!isRadio(element)) return false;
  const group = radioGroupOf(page, element);
  if (group === undefined) return false;
  const chosen = subtreeOf(page, page.root).findLast(
    (one) => isRadio(one) && 'checked' in one.attributes && radioGroupOf(page, one) === group,
  );
  return chosen !== undefined && chosen.id !== element.id;
}
