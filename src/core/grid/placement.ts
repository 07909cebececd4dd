/** Where an item asks to stand: its first column, counted from 1 (undefined: wherever there is room), and how many. */
export interface Span {
  readonly start?: number | undefined;
  readonly span: number;
}

export interface PlacedSpan {
  /** Row and first column, counted from 1. */
  readonly row: number;
  readonly start: number;
  readonly span: number;
}

export interface RowFit {
  readonly placed: readonly PlacedSpan[];
  readonly rows: number;
  /** Columns that are in use: more than there are where an item doesn't fit. */
  readonly used: number;
  /** Columns asked for in each row. */
  readonly sums: readonly number[];
}

/**
 * How items break into rows on a grid of `columns` columns: CSS Grid 2, 8.5 (sparse auto-placement by rows), for items
 * in the order of the page that ask for columns only.
 * @param columns 1 or more
 */
export function placeSpans(columns: number, items: readonly Span[]): RowFit {
  const used = Math.max(columns, ...items.map(({ start, span }) => (start === undefined ? span : Math.max(start, 1) + span - 1)));
  const taken = new Set<string>();
  const free = (row: number, start: number, span: number) => {
    for (let column = start; column < start + span; column++) if (taken.has(`${row} ${column}`)) return false;
    return true;
  };
  let row = 1;
  let column = 1;
  const placed = items.map((item): PlacedSpan => {
    const span = Math.max(1, item.span);
    if (item.start !== undefined) {
      if (item.start < column) row++;
      column = item.start;
      while (!free(row, column, span)) row++;
    } else
      while (column + span - 1 > used || !free(row, column, span)) {
        column++;
        if (column + span - 1 <= used) continue;
        row++;
        column = 1;
      }
    for (let at = column; at < column + span; at++) taken.add(`${row} ${at}`);
    return { row, start: column, span };
  });
  const rows = Math.max(0, ...placed.map((one) => one.row));
  const sums = Array.from({ length: rows }, (_, i) =>
    placed.filter((one) => one.row === i + 1).reduce((sum, { span }) => sum + span, 0),
  );
  return { placed, rows, used, sums };
}
