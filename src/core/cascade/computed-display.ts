import type { PageElement } from '../document/element';
import type { Page } from '../document/project';
import { BLOCKIFIED, CONTROL_DISPLAY, CONTROLS, REPLACED } from './computed-tables';
import { aboveOf } from './root';

/** Whom is asked about the other values of a page that a box depends on. */
export interface Asked {
  readonly page: Page;
  readonly element: (id: string) => PageElement;
  /** The computed value. */
  readonly value: (id: string, property: string) => string | undefined;
  /** The same in the form in which children inherit it. */
  readonly inherit: (id: string, property: string) => string | undefined;
}

/** What stands in ruby is made inline in ways of its own. */
export function isInRuby(of: Asked, elementId: string): boolean {
  for (let at = aboveOf(of.page, elementId); at; at = aboveOf(of.page, at.id))
    if (/ruby/.test(of.inherit(at.id, 'display') ?? '')) return true;
  return false;
}

/**
 * `visible` can't stand beside an axis that scrolls (CSS Overflow 3, 3.1), nor in a text area. A table either hides
 * on both axes or on none.
 */
export function overflowOf(of: Asked, elementId: string, property: string, value: string): string | undefined {
  const display = of.inherit(elementId, 'display');
  const area = of.element(elementId).tag === 'textarea' && display !== 'none';
  // Browsers take `visible` on a text area as `auto` before anything else is looked at.
  const taken = (one: string | undefined) => (area && one === 'visible' ? 'auto' : one);
  const own = taken(value)!;
  const other = taken(of.inherit(elementId, property === 'overflow-x' ? 'overflow-y' : 'overflow-x'));
  if (display === undefined || other === undefined) return undefined;
  const scrolls = (one: string | undefined) => one !== 'visible' && one !== 'clip';
  if (display === 'table') {
    if (!scrolls(own) && !scrolls(other)) return own;
    return own === 'hidden' && other === 'hidden' ? 'hidden' : 'visible';
  }
  return own === 'visible' && scrolls(other) ? 'auto' : own;
}

/**
 * Whether the element's box is laid out by a flex or grid box, through any parents that make no box; undefined where
 * that of the parent isn't claimed.
 */
export function isItem(of: Asked, elementId: string): boolean | undefined {
  let parent = aboveOf(of.page, elementId);
  const makesNoBox = ({ id, tag }: PageElement) => of.inherit(id, 'display') === 'contents' && !REPLACED.has(tag);
  while (parent && makesNoBox(parent)) parent = aboveOf(of.page, parent.id);
  if (!parent) return false;
  const display = of.value(parent.id, 'display');
  return display === undefined ? undefined : /^((inline-)?(flex|grid)|(block )?math)$/.test(display);
}

/** Blockification (CSS Display 3, 2.7): children of flex and grid boxes, floats, and what is taken out of the flow. */
export function displayOf(of: Asked, elementId: string, value: string): string | undefined {
  if (value === 'contents' && REPLACED.has(of.element(elementId).tag)) return 'none';
  if (value === 'none' || value === 'contents') return value;
  if (isInRuby(of, elementId)) return undefined;
  const parent = aboveOf(of.page, elementId);
  // The items of such details are the boxes that browsers put around what stands in it.
  if (parent?.tag === 'details' && /(flex|grid)$/.test(of.inherit(parent.id, 'display') ?? '')) return undefined;
  const [float, position] = [of.value(elementId, 'float'), of.inherit(elementId, 'position')];
  if (float === undefined || position === undefined) return undefined;
  const item = isItem(of, elementId);
  if (item === undefined) return undefined;
  const taken = of.element(elementId).tag === 'legend' || item || float !== 'none' || ['absolute', 'fixed'].includes(position);
  const { tag, attributes } = of.element(elementId);
  const isControl = CONTROLS.has(tag) && attributes.type !== 'file';
  const shown = isControl ? (CONTROL_DISPLAY[value] ?? value) : value;
  return taken ? (BLOCKIFIED[shown] ?? shown) : shown;
}
