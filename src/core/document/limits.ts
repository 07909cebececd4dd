/** How much a project may hold. */
export const LIMITS = {
  elements: 5_000,
  pages: 60,
  breakpoints: 24,
  /** How many elements an element may stand in. */
  depth: 120,
  shared: 500,
  /** How many shared styles one element carries. */
  carried: 50,
  pictures: 500,
  pictureBytes: 2_000_000,
  sheets: 200,
  sheetBytes: 2_000_000,
  files: 2_000,
  blocks: 200,
  parts: 200,
  grids: 60,
  devices: 200,
  deviceSets: 60,
  tables: 40,
  /** Arrangements that are remembered, and one's own. */
  arranged: 200,
  recipes: 60,
  /** Columns of a table, sets of its rows, rows of a set, characters of a cell. */
  fields: 40,
  sampleSets: 20,
  rows: 5_000,
  cell: 2_000,
  /** How many rows a list shows, and places of its item that are fed. */
  rowsShown: 200,
  binds: 100,
} as const;
