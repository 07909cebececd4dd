import Papa from 'papaparse';
import type { SampleSet, Table } from '../document/table';

/** A set of rows as CSV (RFC 4180), the names of the columns first, as `readRows` takes it. */
export const rowsAsCsv = ({ fields }: Table, { rows }: SampleSet): string =>
  Papa.unparse([fields.map(({ name }) => name), ...rows.map((row) => [...row])], { newline: '\r\n' }) + '\r\n';
