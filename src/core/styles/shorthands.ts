import { generate, lexer, parse } from 'css-tree';
import type { CssNode, Value } from 'css-tree';

type Longhands = Record<string, string>;

const sides = ['top', 'right', 'bottom', 'left'] as const;
const corners = ['top-left', 'top-right', 'bottom-right', 'bottom-left'] as const;

/** The value's parts: split at white space and at "/", functions kept whole. */
function partsOf(value: string): string[] {
  const ast = parse(value, { context: 'value' }) as Value;
  const parts: string[] = [];
  let glue = false;
  ast.children.forEach((node: CssNode) => {
    const css = generate(node);
    if (node.type === 'WhiteSpace') return;
    if (node.type === 'Operator' && css === ',') {
      parts[parts.length - 1] += ', ';
      glue = true;
    } else if (glue) {
      parts[parts.length - 1] += css;
      glue = false;
    } else parts.push(css);
  });
  return parts;
}

/** One to four values for the four sides or corners (CSS 2.2, 8.3). */
function four(names: readonly string[], parts: readonly string[]): Longhands {
  const [a, b = a, c = a, d = b] = parts;
  return Object.fromEntries([a, b, c, d].map((part, i) => [names[i]!, part!]));
}

const fits = (property: string, part: string) => lexer.matchProperty(property, part).error === null;

function border(parts: readonly string[], on: readonly string[]): Longhands {
  const found = { width: 'medium', style: 'none', color: 'currentcolor' };
  for (const part of parts) {
    if (fits('border-top-style', part)) found.style = part;
    else if (fits('border-top-width', part)) found.width = part;
    else found.color = part;
  }
  return Object.fromEntries(
    on.flatMap((side) => Object.entries(found).map(([what, value]) => [`border-${side}-${what}`, value])),
  );
}

function outline(parts: readonly string[]): Longhands {
  const found = { 'outline-width': 'medium', 'outline-style': 'none', 'outline-color': 'currentcolor' };
  for (const part of parts) {
    if (fits('outline-style', part)) found['outline-style'] = part;
    else if (fits('outline-width', part)) found['outline-width'] = part;
    else found['outline-color'] = part;
  }
  return found;
}

function flex(parts: readonly string[]): Longhands {
  const [only] = parts;
  if (parts.length === 1 && only === 'none') return { 'flex-grow': '0', 'flex-shrink': '0', 'flex-basis': 'auto' };
  if (parts.length === 1 && only === 'auto') return { 'flex-grow': '1', 'flex-shrink': '1', 'flex-basis': 'auto' };
  const numbers = parts.filter((part) => /^[\d.]+$/.test(part));
  const basis = parts.find((part) => !/^[\d.]+$/.test(part));
  return { 'flex-grow': numbers[0] ?? '1', 'flex-shrink': numbers[1] ?? '1', 'flex-basis': basis ?? '0%' };
}

function background(parts: readonly string[]): Longhands {
  const found: Longhands = {
    'background-color': 'transparent',
    'background-image': 'none',
    'background-size': 'auto',
    'background-position': '0% 0%',
    'background-repeat': 'repeat',
  };
  const place: string[] = [];
  const size: string[] = [];
  let afterSlash = false;
  for (const part of parts) {
    if (part === '/') afterSlash = true;
    else if (fits('background-color', part)) found['background-color'] = part;
    else if (fits('background-image', part)) found['background-image'] = part;
    else if (fits('background-repeat', part)) found['background-repeat'] = part;
    else (afterSlash ? size : place).push(part);
  }
  if (place.length) found['background-position'] = place.join(' ');
  if (size.length) found['background-size'] = size.join(' ');
  return found;
}

const sideNames = (prefix: string, suffix = '') => sides.map((side) => `${prefix}${side}${suffix}`);
const line = (axis: string) => (parts: readonly string[]) => {
  const slash = parts.indexOf('/');
  const start = (slash < 0 ? parts : parts.slice(0, slash)).join(' ');
  // A line that is only named ends at the line of the same name (CSS Grid 2, 8.4).
  const alone = /^[a-z_-][\w-]*$/i.test(start) ? start : 'auto';
  return { [`${axis}-start`]: start, [`${axis}-end`]: slash < 0 ? alone : parts.slice(slash + 1).join(' ') };
};

/** Style and weight in any order, then size, line height and family (CSS Fonts 4, 2.7); what isn't named is reset. */
function font(parts: readonly string[]): Longhands {
  const found: Longhands = { 'font-style': 'normal', 'font-weight': 'normal', 'line-height': 'normal' };
  let at = 0;
  for (; at < parts.length - 1 && !fits('font-size', parts[at]!); at++) {
    const part = parts[at]!;
    if (part !== 'normal' && fits('font-style', part)) found['font-style'] = part;
    else if (part !== 'normal' && fits('font-weight', part)) found['font-weight'] = part;
  }
  found['font-size'] = parts[at]!;
  if (parts[at + 1] === '/') {
    found['line-height'] = parts[at + 2]!;
    at += 2;
  }
  return { ...found, 'font-family': parts.slice(at + 1).join(' ') };
}

function gridArea(parts: readonly string[]): Longhands {
  const lines = parts.join(' ').split(' / ');
  const named = (line: string | undefined) => (line && /^[a-z_-][\w-]*$/i.test(line) && line !== 'auto' ? line : 'auto');
  const [rowStart = 'auto', columnStart = named(rowStart), rowEnd = named(rowStart), columnEnd = named(columnStart)] = lines;
  return { 'grid-row-start': rowStart, 'grid-column-start': columnStart, 'grid-row-end': rowEnd, 'grid-column-end': columnEnd };
}

const two =
  (prefix: string, first: string, second: string) =>
  ([a, b = a]: readonly string[]): Longhands => ({ [`${prefix}${first}`]: a!, [`${prefix}${second}`]: b! });
/** Flow-relative sides (CSS Logical 1) as they lie in text that runs from left to right and down. */
const flowSides = (property: string): Record<string, (parts: readonly string[]) => Longhands> => {
  const prefix = property === 'inset' ? '' : `${property}-`;
  return {
    [`${property}-inline`]: two(prefix, 'left', 'right'),
    [`${property}-block`]: two(prefix, 'top', 'bottom'),
    [`${property}-inline-start`]: ([a]) => ({ [`${prefix}left`]: a! }),
    [`${property}-inline-end`]: ([a]) => ({ [`${prefix}right`]: a! }),
    [`${property}-block-start`]: ([a]) => ({ [`${prefix}top`]: a! }),
    [`${property}-block-end`]: ([a]) => ({ [`${prefix}bottom`]: a! }),
  };
};

const SHORTHANDS: Readonly<Record<string, (parts: readonly string[]) => Longhands>> = {
  margin: (parts) => four(sideNames('margin-'), parts),
  padding: (parts) => four(sideNames('padding-'), parts),
  inset: (parts) => four(sides, parts),
  'border-width': (parts) => four(sideNames('border-', '-width'), parts),
  'border-style': (parts) => four(sideNames('border-', '-style'), parts),
  'border-color': (parts) => four(sideNames('border-', '-color'), parts),
  'border-radius': (parts) =>
    four(
      corners.map((corner) => `border-${corner}-radius`),
      parts,
    ),
  border: (parts) => border(parts, sides),
  'border-top': (parts) => border(parts, ['top']),
  'border-right': (parts) => border(parts, ['right']),
  'border-bottom': (parts) => border(parts, ['bottom']),
  'border-left': (parts) => border(parts, ['left']),
  outline,
  gap: ([row, column = row]) => ({ 'row-gap': row!, 'column-gap': column! }),
  overflow: ([x, y = x]) => ({ 'overflow-x': x!, 'overflow-y': y! }),
  flex,
  'flex-flow': (parts) => ({
    'flex-direction': parts.find((part) => fits('flex-direction', part)) ?? 'row',
    'flex-wrap': parts.find((part) => fits('flex-wrap', part)) ?? 'nowrap',
  }),
  'grid-column': line('grid-column'),
  'grid-row': line('grid-row'),
  'place-items': ([align, justify = align]) => ({ 'align-items': align!, 'justify-items': justify! }),
  'place-content': ([align, justify = align]) => ({ 'align-content': align!, 'justify-content': justify! }),
  'text-decoration': (parts) => ({
    'text-decoration-line': parts.filter((part) => fits('text-decoration-line', part)).join(' ') || 'none',
  }),
  'list-style': (parts) => ({
    'list-style-type': parts.find((part) => !fits('list-style-position', part)) ?? 'disc',
    'list-style-position': parts.find((part) => fits('list-style-position', part)) ?? 'outside',
  }),
  background,
  font,
  'grid-area': gridArea,
  'place-self': ([align, justify = align]) => ({ 'align-self': align!, 'justify-self': justify! }),
  ...flowSides('margin'),
  ...flowSides('padding'),
  ...flowSides('inset'),
  'word-wrap': ([a]) => ({ 'overflow-wrap': a! }),
  'grid-gap': ([row, column = row]) => ({ 'row-gap': row!, 'column-gap': column! }),
  'grid-row-gap': ([a]) => ({ 'row-gap': a! }),
  'grid-column-gap': ([a]) => ({ 'column-gap': a! }),
};

export const SHORTHAND_NAMES: readonly string[] = Object.keys(SHORTHANDS);

export function isShorthand(name: string): boolean {
  return Object.hasOwn(SHORTHANDS, name);
}

/** The longhands a shorthand sets. A CSS-wide keyword goes to each of them. The value must already be checked. */
export function expandShorthand(name: string, value: string): Longhands {
  const expand = SHORTHANDS[name];
  if (!expand) throw new Error(`"${name}" isn't a shorthand known here.`);
  const parts = partsOf(value);
  if (parts.length === 1 && /^(inherit|initial|unset)$/i.test(parts[0]!))
    return Object.fromEntries(Object.keys(expand(['0'])).map((longhand) => [longhand, parts[0]!.toLowerCase()]));
  return expand(parts);
}

/** The longhands a shorthand stands for. */
export function longhandsOf(name: string): string[] {
  return Object.keys(SHORTHANDS[name]?.(['0']) ?? {});
}
