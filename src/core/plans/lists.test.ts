import { demoWithCards } from '@/demo/demo-with-cards-for-tests';
import type { Project } from '../document';
import { DEFAULT_SLICE } from '../breakpoints';
import { specifiedValue } from '../cascade';
import { childIds, kept, readProject, rowPlace, subtreeOf } from '../document';
import { applyEdit, makeEdit, throughParts } from '../edits';
import { renderExport } from '../render';
import { planMakeList, planNoList } from './lists';

const START = demoWithCards();
/** What all elements of the catalogue have as some values, at three widths, in reading order. */
const looks = (project: Project) =>
  subtreeOf(catalogue(project), catalogue(project).root).map(({ id, tag }) => [
    tag,
    ...[400, 800, 1300].flatMap((width) =>
      ['height', 'font-size', 'max-width', 'width', 'color'].map((name) =>
        specifiedValue(project, catalogue(project), id, name, { ...DEFAULT_SLICE, width }),
      ),
    ),
  ]);
let count = 0;
const newId = () => `list${(count++).toString(36)}`;
const catalogue = (project: Project) => project.pages.find(({ name }) => name === 'Catalogue')!;
const cards = (project: Project) => Object.values(catalogue(project).elements).find(({ name }) => name === 'Tool cards')!;

const fed = (): Project => applyEdit(START, planMakeList(START, cards(START).id, newId).edit).document;
/** Classes aside: what all cards say of themselves is written once for all of them. */
const files = (project: Project) =>
  renderExport(project).map(({ path, content }) =>
    'text' in content && path.endsWith('.html') ? [path, content.text.replace(/ class="[^"]*"/g, '')] : [path],
  );

test('uses become rows of a table and nothing is handed over otherwise; made ordinary again they are as they were', () => {
  const project = fed();
  expect(files(project)).toEqual(files(START));
  expect(kept(project).pages.find(({ name }) => name === 'Catalogue')!.elements[cards(project).id]!.children).toEqual([]);
  const table = project.tables.at(-1);
  expect(table!.sets.map(({ name, rows }) => [name, rows.length])).toEqual([
    ['Usual', 6],
    ['Short', 6],
    ['Long', 6],
    ['None', 0],
    ['One', 1],
    ['Many', 24],
  ]);
  expect(readProject(JSON.parse(JSON.stringify(kept(project))))).toEqual(project);
  const back = applyEdit(project, planNoList(project, cards(project).id, newId).edit).document;
  expect(files(back)).toEqual(files(START));
  expect(back.tables).toHaveLength(2);
  expect(looks(project)).toEqual(looks(START));
  expect(looks(back)).toEqual(looks(START));
});

test('every set of rows shows as many items as it has; undone, all is as before', () => {
  const project = fed();
  const { id, list } = cards(project);
  for (const set of project.tables.at(-1)!.sets) {
    const { document, inverse } = applyEdit(project, { type: 'setList', node: id, list: { ...list!, set: set.id } });
    expect(childIds(cards(document))).toHaveLength(set.rows.length);
    expect(applyEdit(document, inverse).document).toEqual(project);
  }
});

test('what is written in a row goes to the table where it is fed, and else to the item', () => {
  const project = fed();
  const page = catalogue(project);
  const [first, second] = childIds(cards(project));
  const title = Object.keys(page.elements).find((id) => id.startsWith(`${second!}.`) && page.elements[id]!.tag === 'h3')!;
  expect(rowPlace(page, title)).toMatchObject({ list: cards(project).id, row: 1 });
  const edit = throughParts(project, { type: 'setText', node: title, text: 'Spokeshave' }, 'part');
  expect(edit).toMatchObject({ type: 'setCells', cells: [{ row: 1, value: 'Spokeshave' }] });
  const made = makeEdit(project, edit);
  expect(catalogue(made.document).elements[title]!.children).toEqual([{ text: 'Spokeshave' }]);
  expect(made.footprint[page.id]).toMatchObject({ html: true });
  // Only that row is another.
  expect(catalogue(made.document).elements[first!]).toBe(page.elements[first!]);
  expect(applyEdit(made.document, made.inverse).document).toEqual(project);

  const style = { type: 'setStyle' as const, owner: title, at: 'base', property: 'color', value: 'red' };
  expect(throughParts(project, style, 'part')).toMatchObject({
    type: 'setStyle',
    owner: title.slice(title.lastIndexOf('.') + 1),
  });
  expect(() => throughParts(project, style, 'here')).toThrow(/All rows of Tool cards look alike/);
  expect(() => throughParts(project, { type: 'removeElement', node: first! }, 'part')).toThrow(
    /Row 1 of Tool cards is there because its table has it/,
  );
});

test('a table, a column or a set that has gone loses nothing: the item shows as the part has it, and comes back', () => {
  const project = fed();
  const table = project.tables.at(-1);
  const gone = applyEdit(project, { type: 'removeTable', id: table!.id });
  expect(childIds(cards(gone.document))).toHaveLength(1);
  expect(applyEdit(gone.document, gone.inverse).document).toEqual(project);
  const [, ...fields] = table!.fields;
  const sets = table!.sets.map((set) => ({ ...set, rows: set.rows.map(([, ...row]) => row) }));
  const without = applyEdit(project, { type: 'saveTable', table: { ...table!, fields, sets } }).document;
  expect(childIds(cards(without))).toHaveLength(6);
  const ragged = [{ ...sets[0]!, rows: [['one cell']] }];
  expect(() => makeEdit(project, { type: 'saveTable', table: { ...table!, sets: ragged } })).toThrow(
    /has 1 cells, and the table/,
  );
  expect(() => makeEdit(project, { type: 'removePart', part: cards(project).list!.part })).toThrow(/is the item of a list on/);
});

test('what is put into a list stands before its rows, wherever among them it was meant', () => {
  const project = fed();
  const { id } = cards(project);
  const rows = childIds(cards(project));
  const element = { id: 'enote', tag: 'li', name: 'Note', attributes: {}, children: [], shared: [], styles: {} };
  for (const [index, after] of [
    [0, undefined],
    [3, rows[2]],
    [6, rows[5]],
  ] as const) {
    const insert = { type: 'insertElement' as const, page: catalogue(project).id, parent: id, index, elements: [element] };
    const edit = throughParts(project, { ...insert, ...(after && { after }) }, 'part');
    const { document, inverse } = makeEdit(project, edit);
    expect(childIds(cards(document))).toEqual(['enote', ...rows]);
    expect(applyEdit(document, inverse).document).toEqual(project);
  }
});
