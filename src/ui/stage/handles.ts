import type { Rect } from '@/core/structure';
import type { Slice } from '@/core/breakpoints';
import { specifiedValue } from '@/core/cascade';
import type { Page, Project } from '@/core/document';
import type { UnitContext } from '@/core/styles';
import { movedBy, wholeOf } from '@/core/styles';
import type { Measured } from '../preview/frame-message';

const SIDES = ['top', 'right', 'bottom', 'left'] as const;
export type Side = (typeof SIDES)[number];

/** Something to drag on the selected element. */
export type Handle =
  | { readonly kind: 'size'; readonly side: 'right' | 'bottom' | 'corner' }
  | { readonly kind: 'padding' | 'margin'; readonly side: Side }
  | { readonly kind: 'gap'; readonly axis: 'row' | 'column' };

export interface Modifiers {
  /** Both sides together; both gaps. */
  readonly both: boolean;
  /** All four together. */
  readonly all: boolean;
}

/** In the page's px, as the frame reports them. */

export interface Grip {
  readonly handle: Handle;
  readonly label: string;
  /** Its middle, in the page's px. */
  readonly x: number;
  readonly y: number;
  /** The way along which it's dragged. */
  readonly along: 'x' | 'y' | 'both';
}

const across = (side: Side) => side === 'left' || side === 'right';

/** Where grips of padding and margin lie at least from the edge, px on the screen: beside those of the size, and not on them. */
const INSIDE = 9;
const OUTSIDE = 12;

/** The grips of an element: on its edges, in the middle of its padding and margin, between what stands in it. */
export function gripsOf(rect: Rect, measured: Measured, zoom = 1): Grip[] {
  const [left, top, width, height] = rect;
  const [right, bottom] = [left + width, top + height];
  const middle = { x: left + width / 2, y: top + height / 2 };
  const grips: Grip[] = [
    { handle: { kind: 'size', side: 'right' }, label: 'Width', x: right, y: middle.y, along: 'x' },
    { handle: { kind: 'size', side: 'bottom' }, label: 'Height', x: middle.x, y: bottom, along: 'y' },
    { handle: { kind: 'size', side: 'corner' }, label: 'Width and height', x: right, y: bottom, along: 'both' },
  ];
  SIDES.forEach((side, i) => {
    const [inner, outer] = [measured.border[i]! + measured.padding[i]! / 2, measured.margin[i]! / 2];
    const at = (by: number) => ({
      x: side === 'left' ? left + by : side === 'right' ? right - by : left + width / 3,
      y: side === 'top' ? top + by : side === 'bottom' ? bottom - by : top + height / 3,
    });
    const along = across(side) ? 'x' : 'y';
    grips.push({ handle: { kind: 'padding', side }, label: `Padding ${side}`, ...at(Math.max(inner, INSIDE / zoom)), along });
    const out = at(-Math.max(outer, OUTSIDE / zoom));
    const shifted = across(side) ? { x: out.x, y: top + (height * 2) / 3 } : { x: left + (width * 2) / 3, y: out.y };
    grips.push({ handle: { kind: 'margin', side }, label: `Margin ${side}`, ...shifted, along });
  });
  return [...grips, ...gapGrips(measured)];
}

function gapGrips({ flow, children }: Measured): Grip[] {
  if (flow === 'block' || children.length < 2) return [];
  const first = children[0]!;
  const rest = children.slice(1);
  const beside = rest.find(([left, top]) => left >= first[0] + first[2] && top < first[1] + first[3]);
  const below = rest.find(([, top]) => top >= first[1] + first[3]);
  return [
    ...(beside
      ? [
          {
            handle: { kind: 'gap', axis: 'column' },
            label: 'Column gap',
            x: (first[0] + first[2] + beside[0]) / 2,
            y: first[1] + first[3] / 2,
            along: 'x',
          } as const,
        ]
      : []),
    ...(below
      ? [
          {
            handle: { kind: 'gap', axis: 'row' },
            label: 'Row gap',
            x: first[0] + first[2] / 2,
            y: (first[1] + first[3] + below[1]) / 2,
            along: 'y',
          } as const,
        ]
      : []),
  ];
}

export function unitContext(measured: Measured, property: string, viewport: UnitContext['viewport']): UnitContext {
  const of = wholeOf(property);
  const type = property === 'font-size';
  return {
    em: type ? measured.parentFontSize : measured.fontSize,
    rem: measured.rootFontSize,
    viewport,
    whole:
      of === 'width'
        ? measured.whole.width
        : of === 'height'
          ? measured.whole.height
          : of === 'font'
            ? type
              ? measured.parentFontSize
              : measured.fontSize
            : undefined,
  };
}

/** The used length of a property in px; undefined for one that isn't measured. */
export function usedLength(property: string, measured: Measured, rect: Rect): number | undefined {
  const side = SIDES.findIndex((one) => property.endsWith(one));
  const [top, right, bottom, left] = SIDES.map((_, i) => (measured.contentBox ? measured.padding[i]! + measured.border[i]! : 0));
  if (/^(padding|margin)-/.test(property)) return (property.startsWith('padding') ? measured.padding : measured.margin)[side];
  if (/^(top|right|bottom|left)$/.test(property)) return measured.inset[side];
  if (/^border-.*-width$/.test(property)) return measured.border[SIDES.findIndex((one) => property.includes(one))];
  if (/(^|-)width$/.test(property) || property === 'flex-basis') return rect[2] - left! - right!;
  if (/(^|-)height$/.test(property) && property !== 'line-height') return rect[3] - top! - bottom!;
  if (property === 'row-gap') return measured.gap[0];
  if (property === 'column-gap') return measured.gap[1];
  if (property === 'font-size') return measured.fontSize;
  if (property === 'line-height') return measured.lineHeight || undefined;
  return property === 'letter-spacing' ? measured.letterSpacing : undefined;
}

/** The properties that a handle writes. */
function propertiesOf(handle: Handle, { both, all }: Modifiers): string[] {
  if (handle.kind === 'size')
    return handle.side === 'corner' ? ['width', 'height'] : [handle.side === 'right' ? 'width' : 'height'];
  if (handle.kind === 'gap') return both || all ? ['row-gap', 'column-gap'] : [`${handle.axis}-gap`];
  const opposite = SIDES[(SIDES.indexOf(handle.side) + 2) % 4]!;
  const sides = all ? SIDES : both ? [handle.side, opposite] : [handle.side];
  return sides.map((side) => `${handle.kind}-${side}`);
}

/** How far a pointer that has gone `dx`, `dy` px has pulled a property's length. */
function pulled(handle: Handle, property: string, dx: number, dy: number): number {
  if (handle.kind === 'size') return property === 'width' ? dx : dy;
  if (handle.kind === 'gap') return handle.axis === 'column' ? dx : dy;
  const way = { left: dx, right: -dx, top: dy, bottom: -dy }[handle.side];
  return handle.kind === 'padding' ? way : -way;
}

export interface Pull {
  readonly project: Project;
  readonly page: Page;
  readonly slice: Slice;
  readonly width: number;
  readonly rect: Rect;
  readonly measured: Measured;
}

/**
 * The values that dragging a handle comes to, each in the unit that it has now. All properties of one pull become as
 * long as the one that is pulled.
 */
export function pull(
  from: Pull,
  handle: Handle,
  dx: number,
  dy: number,
  modifiers: Modifiers,
): [property: string, value: string][] {
  const { project, page, slice, width, rect, measured } = from;
  const viewport = { width, height: slice.height };
  const [main] = propertiesOf(handle, { both: false, all: false });
  return propertiesOf(handle, modifiers).map((property) => {
    const leading = handle.kind === 'size' ? property : main!;
    const before = usedLength(leading, measured, rect) ?? 0;
    const moved = before + pulled(handle, property, dx, dy);
    const least = handle.kind === 'margin' ? -2000 : 0;
    const target = Math.round(Math.max(least, moved) * 2) / 2;
    const value = specifiedValue(project, page, measured.id, property, { ...slice, width });
    return [property, movedBy(value, target - before, before, unitContext(measured, property, viewport))];
  });
}

/** The nearest of some lines within reach of a place, and that place moved onto it. */
export function snapTo(at: number, lines: readonly number[], reach: number): { at: number; line: number | undefined } {
  let best: number | undefined;
  for (const line of lines)
    if (Math.abs(line - at) <= reach && (best === undefined || Math.abs(line - at) < Math.abs(best - at))) best = line;
  return { at: best ?? at, line: best };
}
