import { childIds } from '../document/content';
import type { At, Band, Slice } from '../breakpoints';
import { bandsOf } from '../breakpoints';
import type { Carriage } from '../cascade/lanes';
import { carriageIn } from '../cascade/lanes';
import { resolve, specifiedValue } from '../cascade/resolve';
import type { Page, PageElement, Project } from '../document';
import { trackCount } from '../styles/tracks';
import type { PlacedSpan, RowFit, Span } from './placement';
import { placeSpans } from './placement';

/**
 * The columns an item asks for, from its two lines (CSS Grid 2, 8.3). Undefined for named lines, and for
 * those before the first.
 * @param columns of the grid, so that lines counted from the end can be told
 */
export function readSpan(start: string, end: string, columns: number): Span | undefined {
  const line = (value: string): number | 'auto' | { span: number } | undefined => {
    const text = value.trim().toLowerCase();
    if (text === 'auto') return 'auto';
    const span = /^span (\d+)$/.exec(text);
    if (span) return { span: Number(span[1]) };
    if (!/^-?\d+$/.test(text) || Number(text) === 0) return undefined;
    const at = Number(text);
    return at > 0 ? at : columns + 2 + at;
  };
  const [a, b] = [line(start), line(end)];
  if (a === undefined || b === undefined) return undefined;
  const span = typeof b === 'object' ? b.span : typeof a === 'object' ? a.span : 1;
  const asked: Span =
    typeof a === 'number' && typeof b === 'number'
      ? { start: Math.min(a, b), span: Math.abs(b - a) || 1 }
      : typeof a === 'number'
        ? { start: a, span }
        : typeof b === 'number'
          ? { start: b - span, span }
          : { span };
  return asked.start !== undefined && asked.start < 1 ? undefined : asked;
}

export interface SpanCell {
  readonly item: string;
  /** Undefined where the item takes no part (hidden, or out of the flow), or where its lines can't be told. */
  readonly asked: Span | undefined;
  readonly placed: PlacedSpan | undefined;
  readonly away: 'hidden' | 'out of the flow' | 'other lines' | undefined;
  /** Whether it's said here, carried on, or comes from elsewhere. */
  readonly carriage: Carriage;
}

export interface SpanColumn {
  readonly band: Band;
  /** Columns of the row's own grid; undefined where it's no grid, or one whose columns depend on the room. */
  readonly columns: number | undefined;
  readonly display: string;
  readonly cells: readonly SpanCell[];
  readonly fit: RowFit | undefined;
}

/** Every child of a row in every band: the columns it takes, and how the row breaks. */
export function spanTable(project: Project, page: Page, row: PageElement, slice: Slice): SpanColumn[] {
  return bandsOf(project, slice).map((band) => {
    const viewport = { ...slice, width: band.from };
    const value = (id: string, name: string) => specifiedValue(project, page, id, name, viewport);
    const display = value(row.id, 'display');
    const columns = /grid$/.test(display) ? trackCount(value(row.id, 'grid-template-columns')) : undefined;
    const cells = childIds(row).map((item): SpanCell => {
      const of = (name: string) => resolve(project, page, item, name, band.from, slice);
      const [start, end] = [of('grid-column-start'), of('grid-column-end')];
      const carriages = [start, end].map((one) => carriageIn(one, band.home));
      const carriage = carriages.find((one) => one === 'set') ?? carriages.find((one) => one !== 'default') ?? 'default';
      const hidden = value(item, 'display') === 'none';
      const out = ['absolute', 'fixed'].includes(value(item, 'position'));
      const asked = hidden || out ? undefined : readSpan(start.value, end.value, columns ?? 1);
      const away = hidden ? 'hidden' : out ? 'out of the flow' : asked ? undefined : 'other lines';
      return { item, asked, placed: undefined, away, carriage };
    });
    if (!columns) return { band, columns, display, cells, fit: undefined };
    const order = ({ item }: SpanCell) => Number(value(item, 'order')) || 0;
    const flowing = cells.filter((cell) => cell.asked).sort((a, b) => order(a) - order(b));
    const fit = placeSpans(
      columns,
      flowing.map(({ asked }) => asked!),
    );
    const placed = new Map(flowing.map(({ item }, i) => [item, fit.placed[i]!]));
    return { band, columns, display, fit, cells: cells.map((cell) => ({ ...cell, placed: placed.get(cell.item) })) };
  });
}

/** The lines that ask for a span, to be written. */
export function spanDeclarations({ start, span }: Span): Record<string, string> {
  return { 'grid-column-start': start === undefined ? 'auto' : String(start), 'grid-column-end': `span ${span}` };
}

/** "3" or "3 from 4", as people type and read a span; undefined when it can't be read. */
export function parseSpan(text: string): Span | undefined {
  const match = /^\s*(\d{1,2})\s*(?:(?:from|@)\s*(\d{1,2}))?\s*$/i.exec(text);
  if (!match || Number(match[1]) < 1 || match[2] === '0') return undefined;
  return { span: Number(match[1]), ...(match[2] !== undefined && { start: Number(match[2]) }) };
}

export function formatSpan({ start, span }: Span): string {
  return start === undefined ? String(span) : `${span} from ${start}`;
}

/** The band that a target is meant for: the one it's the home of, else the widest in which it holds. */
export function bandOfTarget(project: Project, at: At, slice: Slice): Band | undefined {
  const bands = bandsOf(project, slice);
  const holding = bands.filter((band) => at === 'base' || band.holds.includes(at));
  return bands.find((band) => band.home === at) ?? holding[holding.length - 1];
}
