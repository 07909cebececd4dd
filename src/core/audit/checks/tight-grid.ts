import type { Check } from '../check';

/** The page's own column grid has columns that are too thin, or has no room. */
export const tightGrid: Check = {
  id: 'tight-grid',
  title: 'Column grid is too tight',
  severity: 'note',
  why: 'What is laid out on columns this thin gets too narrow to read, or reaches past the page.',
  rule: 'The least column width of the grid (project profile)',
  eachWidth: ({ columns }) => columns !== undefined,
  judge({ columns, elements }) {
    if (!columns || (columns.fits && columns.columnWidth >= columns.least)) return [];
    const { columnWidth, least, fits } = columns;
    return [
      {
        element: elements[0]!.id,
        amount: fits ? least - columnWidth : least + 1,
        measured: { columnWidth: Math.round(columnWidth * 10) / 10, least, fits: fits ? 1 : 0 },
        others: [],
      },
    ];
  },
  sentence: ({ measured }) =>
    measured.fits
      ? `Columns of the grid are ${measured.columnWidth} px wide, under ${measured.least} px.`
      : 'The column grid does not fit on the page.',
};
