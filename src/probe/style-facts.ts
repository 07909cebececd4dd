import { Backdrop, Cut, Laying, Level, Pinned, Positioning } from '@/core/audit/codes';
import type { ElementFacts, StyleFacts } from '@/core/audit/facts';
import { characterWidth } from './character-width';
import { colourOf } from './colour';
import type { DocumentConditions } from './conditions';
import { holdsPlaced } from './holds-placed';

const CUTS: Readonly<Record<string, number>> = { hidden: Cut.hidden, clip: Cut.hidden, auto: Cut.scrolls, scroll: Cut.scrolls };
const POSITIONINGS: Readonly<Record<string, number>> = {
  relative: Positioning.anchor,
  sticky: Positioning.anchor,
  absolute: Positioning.absolute,
  fixed: Positioning.fixed,
};
const REPLACED = new Set(['img', 'input', 'textarea', 'select', 'video', 'canvas', 'svg']);

type Writable<T> = { -readonly [K in keyof T]: T[K] };

/** What `computedStyleMap` says of a length: the frame has classes of its own, so `instanceof` would say no. */
interface Specified {
  readonly unit?: string;
}

function emptyStyles(count: number): Writable<StyleFacts> & { grids: Map<number, { template: string; columns: number }> } {
  const bytes = () => new Uint8Array(count);
  const numbers = (each: number) => new Float64Array(count * each);
  return {
    cutX: bytes(),
    cutY: bytes(),
    ellipsis: bytes(),
    position: bytes(),
    pinned: bytes(),
    level: bytes(),
    flow: bytes(),
    fixedHeight: bytes(),
    share: numbers(1),
    grids: new Map(),
    visible: bytes(),
    bold: bytes(),
    ink: numbers(4),
    ground: numbers(4),
    backdrop: bytes(),
    opacity: numbers(1),
    solid: bytes(),
    moved: bytes(),
    breaks: bytes(),
    chars: numbers(1),
    inset: numbers(1),
    scrollPadding: [0, 0],
  };
}

const flowOf = ({ display, flexDirection, flexWrap }: CSSStyleDeclaration) =>
  /grid$/.test(display)
    ? Laying.grid
    : !/flex$/.test(display) || flexDirection.startsWith('column')
      ? Laying.other
      : flexWrap === 'nowrap'
        ? Laying.row
        : Laying.wrappingRow;

function levelOf({ display, float, position }: CSSStyleDeclaration): number {
  if (position === 'absolute' || position === 'fixed') return Level.block;
  if (float !== 'none') return Level.float;
  return display === 'inline' ? Level.inline : display.startsWith('inline-') ? Level.inlineBlock : Level.block;
}

function pinnedOf(node: HTMLElement, { position }: CSSStyleDeclaration): number {
  if (position !== 'fixed' && position !== 'sticky') return Pinned.no;
  const map = node.computedStyleMap();
  if (String(map.get('top')) !== 'auto') return Pinned.top;
  return String(map.get('bottom')) === 'auto' ? Pinned.no : Pinned.bottom;
}

const backdropOf = (image: string) =>
  image === 'none' ? Backdrop.none : image.includes('url(') ? Backdrop.picture : Backdrop.gradient;
const painted = (width: string, style: string) => parseFloat(width) > 0 && style !== 'none' && style !== 'hidden';

/** Whether something shifts it on purpose. */
function movedOf(style: CSSStyleDeclaration): number {
  const { position, marginTop, marginLeft, marginRight, marginBottom } = style;
  if (marginTop[0] === '-' || marginLeft[0] === '-' || marginRight[0] === '-' || marginBottom[0] === '-') return 1;
  if (position === 'relative' && !(isZero(style.top) && isZero(style.left))) return 1;
  return style.transform !== 'none' || style.translate !== 'none' ? 1 : 0;
}
const isZero = (offset: string) => offset === 'auto' || offset === '0px';

/** The same styles at another width of the same band: only lengths can have changed, where they hang on the viewport. */
export function withLengths(
  styles: StyleFacts,
  nodes: readonly HTMLElement[],
  elements: readonly ReadElement[],
  follows: DocumentConditions['follows'],
  window: Window,
): StyleFacts {
  const styleOf = (node: HTMLElement) => window.getComputedStyle(node);
  return {
    ...styles,
    ...(follows.shifts && { moved: Uint8Array.from(nodes, (node) => movedOf(styleOf(node))) }),
    ...(follows.insets && { inset: styles.inset.map((inset, i) => (inset >= 0 ? insetOf(styleOf(nodes[i]!)) : inset)) }),
    ...((follows.spacing || follows.type) && {
      chars: styles.chars.map((chars, i) => (chars > 0 ? characterWidth(elements[i]!.text, styleOf(nodes[i]!)) : 0)),
    }),
    ...(follows.scrollPadding && { scrollPadding: scrollPaddingOf(window) }),
  };
}

/** As many columns as there is room for (CSS Grid 2, 7.2.3.2), which may be seen by nothing else. */
const AS_MANY_AS_FIT = /\bauto-fi(ll|t)\b/;

const columnsOf = (style: CSSStyleDeclaration) => style.gridTemplateColumns.split(' ').length;

/** Grids with as many columns as they have at this width; the same list where none has another number. */
export function withColumns(grids: StyleFacts['grids'], nodes: readonly HTMLElement[], window: Window): StyleFacts['grids'] {
  const others = [...grids].flatMap(([i, { template, columns }]) => {
    const now = AS_MANY_AS_FIT.test(template) ? columnsOf(window.getComputedStyle(nodes[i]!)) : columns;
    return now === columns ? [] : [[i, { template, columns: now }] as const];
  });
  return others.length > 0 ? new Map([...grids, ...others]) : grids;
}

const px = (value: string) => parseFloat(value) || 0;

/** Paddings and borders at both sides, px. */
const insetOf = (style: CSSStyleDeclaration) =>
  px(style.paddingLeft) + px(style.paddingRight) + px(style.borderLeftWidth) + px(style.borderRightWidth);

/** Whether as many letters stand in an element, and in what emphasises or links some of them, as lines are asked about. */
const isWordy = (node: HTMLElement, { chars, words }: ReadElement) =>
  words > 0 && chars + [...node.children].reduce((sum, child) => sum + (child.textContent?.length ?? 0), 0) >= LEAST_ASKED;
const LEAST_ASKED = 30;

/** Whether the lines in an element are broken by something else than its width. */
const breaksOtherwise = (node: HTMLElement, style: CSSStyleDeclaration) =>
  style.columnCount !== 'auto' ||
  style.columnWidth !== 'auto' ||
  style.writingMode !== 'horizontal-tb' ||
  /balance|pretty/.test(style.getPropertyValue('text-wrap-style')) ||
  !/^(normal|nowrap)$/.test(style.whiteSpace);

function scrollPaddingOf(window: Window): readonly [number, number] {
  const root = window.getComputedStyle(window.document.documentElement);
  return [parseFloat(root.scrollPaddingTop) || 0, parseFloat(root.scrollPaddingBottom) || 0];
}

/** An element with its own text, white space collapsed. */
export interface ReadElement extends ElementFacts {
  readonly text: string;
}

/** Reads all computed styles that checks ask about. Nothing of it changes between two events of the same band. */
export function readStyles(
  nodes: readonly HTMLElement[],
  elements: readonly ReadElement[],
  window: Window,
): { readonly facts: StyleFacts; readonly containers: readonly HTMLElement[] } {
  const facts = emptyStyles(nodes.length);
  const transparent = new Uint8Array(nodes.length);
  const broken = new Uint8Array(nodes.length);
  const containers: HTMLElement[] = [];
  nodes.forEach((node, i) => {
    const style = window.getComputedStyle(node);
    const { parent } = elements[i]!;
    const replaced = REPLACED.has(node.localName);
    facts.opacity[i] = parseFloat(style.opacity);
    transparent[i] = style.opacity === '0' || (parent >= 0 && transparent[parent]) ? 1 : 0;
    // Columns of tables have boxes, and are nothing that anybody sees or that holds anything.
    const isColumn = style.display.startsWith('table-column');
    facts.visible[i] = style.visibility === 'visible' && !transparent[i] && !isColumn ? 1 : 0;
    facts.cutX[i] = replaced ? Cut.none : (CUTS[style.overflowX] ?? Cut.none);
    facts.cutY[i] = replaced ? Cut.none : (CUTS[style.overflowY] ?? Cut.none);
    facts.ellipsis[i] = style.textOverflow === 'clip' ? 0 : 1;
    facts.position[i] = POSITIONINGS[style.position] ?? (holdsPlaced(style) ? Positioning.anchor : Positioning.flow);
    facts.pinned[i] = pinnedOf(node, style);
    facts.level[i] = levelOf(style);
    facts.bold[i] = parseFloat(style.fontWeight) >= 700 ? 1 : 0;
    facts.ink.set(colourOf(style.color), i * 4);
    facts.ground.set(colourOf(style.backgroundColor), i * 4);
    facts.backdrop[i] = backdropOf(style.backgroundImage);
    facts.solid[i] =
      replaced ||
      node.localName === 'button' ||
      facts.ground[i * 4 + 3]! > 0 ||
      facts.backdrop[i] ||
      style.boxShadow !== 'none' ||
      painted(style.borderTopWidth, style.borderTopStyle) ||
      painted(style.borderBottomWidth, style.borderBottomStyle) ||
      painted(style.borderLeftWidth, style.borderLeftStyle)
        ? 1
        : 0;
    facts.moved[i] = movedOf(style);
    facts.breaks[i] = style.overflowWrap !== 'normal' || /^break/.test(style.wordBreak) || style.hyphens === 'auto' ? 1 : 0;
    if (elements[i]!.chars > 0) facts.chars[i] = characterWidth(elements[i]!.text, style);
    broken[i] = (parent >= 0 && broken[parent]) || breaksOtherwise(node, style) ? 1 : 0;
    facts.inset[i] = broken[i] || !isWordy(node, elements[i]!) ? -1 : insetOf(style);
    if (style.containerType !== 'normal') containers.push(node);
    facts.flow[i] = flowOf(style);
    if (node.childElementCount > 0) {
      const specified = node.computedStyleMap();
      facts.fixedHeight[i] = (specified.get('height') as Specified | undefined)?.unit === 'px' ? 1 : 0;
      if (facts.flow[i] === Laying.grid)
        facts.grids.set(i, { template: String(specified.get('grid-template-columns')), columns: columnsOf(style) });
    }
    facts.share[i] = shareOf(facts, node, parent, style);
  });
  facts.scrollPadding = scrollPaddingOf(window);
  return { facts, containers };
}

function shareOf(facts: StyleFacts, node: HTMLElement, parent: number, style: CSSStyleDeclaration): number {
  if (parent < 0 || style.position === 'absolute' || style.position === 'fixed') return 0;
  const around = facts.flow[parent]!;
  if (around === Laying.row || around === Laying.wrappingRow) {
    const basis = style.flexBasis;
    return basis === '0px' || basis === '0%' ? parseFloat(style.flexGrow) : 0;
  }
  const template = around === Laying.grid ? facts.grids.get(parent)?.template : undefined;
  if (!template || style.gridColumnStart !== 'auto' || style.gridColumnEnd !== 'auto') return 0;
  // `repeat(3, 1fr)` or the same track again and again.
  const even =
    /^repeat\((\d+|auto-fill|auto-fit), (minmax\([^)]*fr\)|[\d.]+fr)\)$/.test(template) || /^([\d.]+fr)( \1)*$/.test(template);
  const free = !/^(start|end|center|left|right|self-start|self-end|flex-start|flex-end|baseline)/.test(style.justifySelf);
  return even && free && String(node.computedStyleMap().get('width')) === 'auto' ? 1 : 0;
}
