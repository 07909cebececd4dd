import type { Declarations, PageElement } from '../document/element';
import type { Box, UsedState } from '../document/pseudo';
import { everySide } from './control-defaults';

type Asked = Pick<PageElement, 'tag' | 'attributes'>;

const NONE: Declarations = {};

/** What browsers give the other boxes of an element before anybody's sheet. Checked against Chromium beside the resolver. */
export function boxDefaultFor({ tag }: Asked, box: Box): Declarations {
  switch (box) {
    case 'marker':
      return { 'white-space': 'pre', 'text-transform': 'none', 'text-indent': '0px' };
    case 'placeholder':
      return { display: 'block', color: 'rgb(117, 117, 117)', ...(tag === 'input' && { 'white-space': 'pre' }) };
    default:
      return tag === 'q' ? { content: box === 'before' ? 'open-quote' : 'close-quote' } : NONE;
  }
}

const RING: Declarations = { 'outline-style': 'auto', 'outline-width': '1px', 'outline-color': 'rgb(16, 16, 16)' };
const ring = (offset: string): Declarations => ({ ...RING, 'outline-offset': offset });
const FOCUSED = ring('0px');
const WIDE: Declarations = { ...FOCUSED, 'outline-width': '5px' };

/** The whole page, and other pages and programs in it, show no ring. */
const NO_RING = new Set(['html', 'body', 'iframe', 'embed', 'object']);

const isLink = ({ tag, attributes }: Asked) => (tag === 'a' || tag === 'area') && 'href' in attributes;
const isPressed = ({ tag, attributes: { type = 'text' } }: Asked) =>
  tag === 'button' || (tag === 'input' && ['button', 'submit', 'reset'].includes(type));
const isTicked = ({ tag, attributes: { type = 'text' } }: Asked) => tag === 'input' && ['checkbox', 'radio'].includes(type);

const PRESSED_LINK: Declarations = { color: 'rgb(255, 0, 0)' };
const PRESSED_BUTTON: Declarations = everySide('border-', '-style', 'inset');

/** What browsers make of an element that is focused or pressed, before anybody's sheet. */
export function stateDefaultsFor(element: Asked, isDisabled: boolean): readonly (readonly [UsedState, Declarations])[] {
  if (NO_RING.has(element.tag)) return [];
  const focused = element.tag === 'svg' ? WIDE : isLink(element) ? ring('1px') : isTicked(element) ? ring('2px') : FOCUSED;
  const pressed = isLink(element) ? PRESSED_LINK : isPressed(element) && !isDisabled ? PRESSED_BUTTON : NONE;
  return [
    ['focus-visible', focused],
    ['active', pressed],
  ];
}
