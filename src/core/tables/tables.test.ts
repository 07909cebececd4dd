import { LIMITS } from '../document/limits';
import { readRows, rowsAsCsv, tableOfRows, takeRows } from '.';

let count = 0;
const newId = () => `t${(count++).toString(36)}`;
const BOM = '\uFEFF';

test.each<[string, string, readonly (readonly string[])[]]>([
  ['commas', 'Name,Place\nHammer,Wall A\n', [['Hammer', 'Wall A']]],
  ['semicolons with a byte order mark', `${BOM}Name;Place\r\nHammer;Wall A\r\n`, [['Hammer', 'Wall A']]],
  ['tabs', 'Name\tPlace\nHammer\tWall A', [['Hammer', 'Wall A']]],
  ['quotes, with commas, quotes and lines in them', 'Name,Place\n"Drill, 18 ""V""","Wall\nC"\n', [['Drill, 18 "V"', 'Wall\nC']]],
  ['empty lines among them', 'Name,Place\n\nHammer,Wall A\n\n', [['Hammer', 'Wall A']]],
  [
    'objects',
    '[{"Name":"Hammer","Place":"Wall A"},{"Place":4}]',
    [
      ['Hammer', 'Wall A'],
      ['', '4'],
    ],
  ],
  ['lists', '[["Name","Place"],["Hammer",null]]', [['Hammer', '']]],
])('rows are read: %s', (_, text, rows) => {
  expect(readRows(text)).toMatchObject({ fields: ['Name', 'Place'], rows });
});

test('rows that are too short are filled up and said; names are made whole', () => {
  const { fields, rows, notes } = readRows('Name,,Name\nHammer\nSaw,1,2\n');
  expect(fields).toEqual(['Name', 'Column 2', 'Name, 2']);
  expect(rows).toEqual([
    ['Hammer', '', ''],
    ['Saw', '1', '2'],
  ]);
  expect(notes).toContain('1 row had fewer cells than there are columns; the rest are empty.');
});

test.each<[string, string, RegExp]>([
  ['nothing', '  \n', /There is nothing in this file/],
  ['a row that is too long', 'A,B\n1,2\n1,2,3\n', /Row 3 has 3 cells, and the first row names 2 columns/],
  ['an open quotation mark', 'A,B\n"1,2\n', /a quotation mark is opened and not closed/],
  ['too many rows', `A\n${'x\n'.repeat(100_000)}`, /It has 100000 rows; a set has at most 5000/],
  ['too many columns', `${Array.from({ length: 41 }, (_, i) => `c${i}`).join()}\n`, /41 columns; a table has at most 40/],
  ['a cell that is too long', `A\n${'x'.repeat(LIMITS.cell + 1)}\n`, /Row 1, A: a cell holds at most 2000 characters/],
  ['JSON that is none', '[{"a":1}', /not readable as JSON/],
  ['an object', '{"a":1}', /must be a list of rows/],
  ['something nested', '[{"a":{"b":1}}]', /Row 1, a: only texts, numbers, true and false/],
  ['a number among objects', '[{"a":1},2]', /Row 2 is no object/],
])('%s is refused in words', (_, text, why) => {
  expect(() => readRows(text)).toThrow(why);
});

test('what is written as CSV is read as it was', () => {
  const read = readRows('Name,Place\n"Drill, ""big""",Wall\nSaw,"a\nb"\n');
  const table = tableOfRows(read, 'Tools', newId);
  expect(readRows(rowsAsCsv(table, table.sets[0]!))).toEqual(read);
});

test('rows taken into a table find its columns by name; new ones come, missing ones stay, other sets lose nothing', () => {
  const table = tableOfRows(readRows('Name,Place\nHammer,Wall A\n'), 'Tools', newId);
  const taken = takeRows(table, readRows('price,NAME\n4,Saw\n'), { id: 'rnew', name: 'New' }, newId);
  expect(taken.table.fields.map(({ name }) => name)).toEqual(['Name', 'Place', 'price']);
  expect(taken.table.fields[0]).toBe(table.fields[0]);
  expect(taken.table.sets.map(({ rows }) => rows)).toEqual([[['Hammer', 'Wall A', '']], [['Saw', '', '4']]]);
  expect(taken.notes).toEqual(['1 row with 2 columns.', 'New: price.', 'Not in the file, so empty: Place.']);
  const again = takeRows(taken.table, readRows('Name\nAwl\n'), taken.table.sets[0]!, newId);
  expect(again.table.sets.map(({ rows }) => rows)).toEqual([[['Awl', '', '']], [['Saw', '', '4']]]);
});
