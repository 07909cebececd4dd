import type { Rect } from './nodes';
import { idOf, rectOf } from './nodes';

const MOST_NEAR = 60;
const px = (value: string) => parseFloat(value) || 0;
const four = (style: CSSStyleDeclaration, name: (side: string) => string) =>
  ['top', 'right', 'bottom', 'left'].map((side) => px(style.getPropertyValue(name(side))));

/** How a box lays out what stands in it. */
function flowOf(style: CSSStyleDeclaration): 'row' | 'column' | 'grid' | 'block' {
  if (/grid$/.test(style.display)) return 'grid';
  if (!/flex$/.test(style.display)) return 'block';
  return style.flexDirection.startsWith('column') ? 'column' : 'row';
}

const near = (elements: Iterable<Element>): Rect[] =>
  [...elements].slice(0, MOST_NEAR).flatMap((element) => {
    const rect = idOf(element) ? rectOf(element) : null;
    return rect ? [rect] : [];
  });

/** What percentages of the element's sizes mean: the room inside what it's placed in. */
function whole(element: HTMLElement, style: CSSStyleDeclaration): { width: number; height: number } {
  if (style.position === 'fixed') return { width: innerWidth, height: innerHeight };
  if (style.position === 'absolute' && element.offsetParent instanceof HTMLElement)
    return { width: element.offsetParent.clientWidth, height: element.offsetParent.clientHeight };
  const parent = element.parentElement!;
  const { paddingLeft, paddingRight, paddingTop, paddingBottom } = getComputedStyle(parent);
  return {
    width: parent.clientWidth - px(paddingLeft) - px(paddingRight),
    height: parent.clientHeight - px(paddingTop) - px(paddingBottom),
  };
}

/** Used values of one element and what stands around it, CSS px: what handles and unit switches need. */
export function measure(element: HTMLElement) {
  const style = getComputedStyle(element);
  const parent = element.parentElement;
  return {
    id: idOf(element)!,
    padding: four(style, (side) => `padding-${side}`),
    border: four(style, (side) => `border-${side}-width`),
    margin: four(style, (side) => `margin-${side}`),
    inset: four(style, (side) => side),
    gap: [px(style.rowGap), px(style.columnGap)],
    fontSize: px(style.fontSize),
    lineHeight: px(style.lineHeight),
    letterSpacing: px(style.letterSpacing),
    parentFontSize: parent ? px(getComputedStyle(parent).fontSize) : 16,
    rootFontSize: px(getComputedStyle(document.documentElement).fontSize),
    whole: parent && element !== document.body ? whole(element, style) : { width: innerWidth, height: innerHeight },
    contentBox: style.boxSizing === 'content-box',
    flow: flowOf(style),
    children: near(element.children),
    parent: element === document.body ? null : rectOf(parent),
    siblings: parent ? near([...parent.children].filter((child) => child !== element)) : [],
  };
}

/** Every element's box in the window, and how those that hold others lay them out. */
export function survey() {
  return [...document.querySelectorAll<HTMLElement>('[data-mp-node]')].flatMap((element) => {
    const rect = rectOf(element);
    if (!rect) return [];
    const style = getComputedStyle(element);
    const flow = flowOf(style);
    return {
      id: idOf(element)!,
      rect,
      flow,
      tracks: flow === 'grid' ? style.gridTemplateColumns.split(' ').map(px).slice(0, 60) : [],
      gap: px(style.columnGap),
      inner: px(style.paddingLeft) + px(style.borderLeftWidth),
    };
  });
}
