import { childIds, gapTexts, textChildren } from '../document/content';
import type { PageElement } from '../document/element';
import { keptTree } from '../document/expand';
import { newPart } from '../document/new-part';
import type { Bind, List } from '../document/list';
import { LIMITS } from '../document/limits';
import { partNamed, topOf } from '../document/parts';
import { declares } from '../document/naming';
import type { Page, Project } from '../document/project';
import type { Table } from '../document/table';
import { styleSetsOf } from '../document/style-sets';
import { sayingOf } from '../document/use';
import type { Edit } from '../edits/edit';
import { requireElement } from '../edits/edit';
import { plural } from '../text';
import { samplesOf } from '../tables/samples';
import { freePageName } from './new-page';
import type { Plan } from './plan';
import { PlanError } from './plan';

interface Places {
  readonly part: Page;
  readonly uses: readonly PageElement[];
}

/** The uses that are to become rows, all of one part and last in what holds them. @throws PlanError in words where they aren't */
function usesToFeed(project: Project, holder: PageElement, tree: Page): Places {
  if (holder.list) throw new PlanError(`${holder.name} is a list already.`);
  const all = childIds(holder).map((id) => tree.elements[id]!);
  const first = all.findIndex(({ use }) => use);
  const uses = first < 0 ? [] : all.slice(first);
  const part = uses[0]?.use && partNamed(project, uses[0].use.part);
  if (!part)
    throw new PlanError(
      `Nothing in ${holder.name} is a use of a part. Make one of its items a part first, and those that are alike uses of it.`,
    );
  for (const one of uses) {
    if (one.use?.part !== part.id)
      throw new PlanError(
        `${one.name} isn't a use of ${part.name}. Rows are all uses of one part, and come last in ${holder.name}.`,
      );
    if (one.shared.length > 0)
      throw new PlanError(`${one.name} carries shared styles of its own, and rows all look alike: let the part carry them.`);
    if (one.first) throw new PlanError(`${one.name} must be seen first, which no row can be said to be. Take that back first.`);
    if (one.alternate) throw new PlanError(`${one.name} is one of several alternates, which a row can't be.`);
    if (one.attributes.id !== undefined)
      throw new PlanError(`${one.name} has an HTML id of its own, and each row would need another.`);
  }
  return { part, uses };
}

/** What a use says of values, by place and state, so that it can be compared. */
const saidValues = (use: PageElement): string =>
  JSON.stringify(
    [['', use] as const, ...Object.entries(use.use!.says).sort(([a], [b]) => (a < b ? -1 : 1))].flatMap(([place, styled]) =>
      declares(styled) ? [[place, styleSetsOf(styled)]] : [],
    ),
  );

/**
 * The item of the list: the part itself, or, where all uses say the same values, a part that uses it and says them once.
 * @throws PlanError where they say different values
 */
function itemOf(project: Project, holder: PageElement, { part, uses }: Places, newId: () => string) {
  const said = uses.map(saidValues);
  const odd = uses.find((_, i) => said[i] !== said[0]);
  if (odd)
    throw new PlanError(
      `${odd.name} has other values of its own than ${uses[0]!.name}, and rows all look alike. Take them back, or give them to the part.`,
    );
  if (said[0] === '[]') return { part: part.id, edits: [], place: (path: string) => path };
  const [first] = uses;
  const says = Object.fromEntries(
    Object.entries(first!.use!.says).flatMap(([path, { styles, pseudo }]) =>
      declares({ styles, pseudo }) ? [[path, { styles, ...(pseudo && { pseudo }) }]] : [],
    ),
  );
  const key = newId();
  const name = freePageName(project.parts, `${part.name} in ${holder.name}`);
  const bare = { attributes: {}, shared: [] };
  const top: PageElement = {
    ...{ ...bare, id: `e${newId()}`, tag: first!.tag, name: part.name, children: [], styles: first!.styles },
    ...(first!.pseudo && { pseudo: first!.pseudo }),
    use: { part: part.id, says },
  };
  const made = newPart(`m${key}`, name, [top], newId);
  return {
    part: made.id,
    edits: [{ type: 'addPart', part: made }] satisfies Edit[],
    place: (path: string) => (path === '' ? '' : `${top.id}.${path}`),
  };
}

interface Column {
  readonly bind: Bind;
  readonly name: string;
  readonly cells: readonly string[];
}

const ATTRIBUTE_WORDS: Readonly<Record<string, string>> = { href: 'link', src: 'picture', alt: 'description of the picture' };

/** A column for each place at which the uses differ, or at which any says something itself. */
function columnsOf(project: Project, { part, uses }: Places, newId: () => string): readonly Column[] {
  const top = topOf(part)!;
  const columns: Column[] = [];
  const visit = (of: PageElement) => {
    const place = of.id === top.id ? '' : of.id;
    const says = uses.map((one) => sayingOf(one.use, place));
    const hidden = says.map((saying) => saying.hidden === true);
    if (says.some(({ texts }) => texts) || (hidden.includes(true) && childIds(of).length === 0)) {
      if (childIds(of).length > 0)
        throw new PlanError(
          `${of.name} has other elements among its words, so its words can't come from a table. Give them to the part.`,
        );
      const own = gapTexts(of.children).join('');
      const texts = says.map((saying) => saying.texts?.join('') ?? own);
      if (hidden.includes(true) && texts.some((text, i) => text === '' && !hidden[i]))
        throw new PlanError(`${of.name} is left out in one and empty in another; a table can't tell the two apart.`);
      columns.push({
        bind: { place, to: 'text', field: `f${newId()}`, ...(hidden.includes(true) && { hides: true }) },
        name: of.name,
        cells: texts.map((text, i) => (hidden[i] ? '' : text)),
      });
    } else if (hidden.includes(true))
      throw new PlanError(`${of.name} is left out in some and holds other elements; show it in all, or in none.`);
    const said = uses.map((one, i) => (place === '' ? one.attributes : (says[i]!.attributes ?? {})));
    for (const to of new Set(said.flatMap((attributes) => Object.keys(attributes)))) {
      if (['id', 'class', 'style'].includes(to))
        throw new PlanError(`The ${to} of ${of.name} differs, and can't come from a table.`);
      if (uses.some((_, i) => said[i]![to] === undefined && of.attributes[to] === undefined))
        throw new PlanError(`${of.name} has ${to} in some and not in others; say it in all of them, or in none.`);
      const cells = said.map((attributes) => inTable(project, to, attributes[to] ?? of.attributes[to]!));
      columns.push({ bind: { place, to, field: `f${newId()}` }, name: `${of.name}: ${ATTRIBUTE_WORDS[to] ?? to}`, cells });
    }
    for (const child of childIds(of)) visit(part.elements[child]!);
  };
  visit(top);
  return columns;
}

const inTable = ({ pictures }: Project, to: string, value: string): string =>
  (to === 'src' && pictures.find(({ id }) => value === `picture:${id}`)?.fileName) || value;

/** A name that nothing in a list has yet: "Hours", "Hours, 2". */
export function freeName(taken: Iterable<string>, wanted: string): string {
  const names = new Set(taken);
  let name = wanted.slice(0, 70);
  for (let n = 2; names.has(name); n++) name = `${wanted.slice(0, 70)}, ${n}`;
  return name;
}

function tableFrom(project: Project, name: string, columns: readonly Column[], rows: number, newId: () => string): Table {
  const fields: { readonly id: string; readonly name: string }[] = [];
  for (const { bind, name: wanted } of columns)
    fields.push({
      id: bind.field,
      name: freeName(
        fields.map((one) => one.name),
        wanted,
      ),
    });
  const texts = columns.map(({ bind }) => bind.to === 'text');
  const cells = Array.from({ length: rows }, (_, i) => columns.map((column) => column.cells[i]!));
  return {
    id: `d${newId()}`,
    name: freeName(
      project.tables.map((one) => one.name),
      name,
    ),
    fields,
    sets: samplesOf(cells, texts).map((set) => ({ id: `r${newId()}`, ...set })),
  };
}

/**
 * Makes a list of what holds uses of one part: what differs from use to use goes into a table, and the uses become its rows. Nothing
 * looks otherwise. The table also gets sets to try: none, one, many, short and long.
 * @param id what holds them
 * @param newId gives the rest of ids
 */
export function planMakeList(project: Project, id: string, newId: () => string): Plan {
  const { page } = requireElement(project, id);
  const tree = keptTree(page);
  const holder = tree.elements[id];
  if (!holder) throw new PlanError('This stands in a part: open the part to make a list of it.');
  const places = usesToFeed(project, holder, tree);
  const { uses } = places;
  if (uses.length > LIMITS.rowsShown)
    throw new PlanError(`A list shows at most ${LIMITS.rowsShown} rows; these are ${uses.length}.`);
  const columns = columnsOf(project, places, newId);
  if (columns.length === 0)
    throw new PlanError(
      `All ${plural(uses.length, 'item')} of ${holder.name} say the same, so there is nothing to feed from a table.`,
    );
  if (columns.length > LIMITS.fields)
    throw new PlanError(`They differ in ${columns.length} places; a table has at most ${LIMITS.fields} columns.`);
  const table = tableFrom(project, holder.name, columns, uses.length, newId);
  const item = itemOf(project, holder, places, newId);
  const list: List = {
    ...{ table: table.id, set: table.sets[0]!.id, part: item.part },
    binds: columns.map(({ bind }) => ({ ...bind, place: item.place(bind.place) })),
    ...(uses.length > 40 && { most: uses.length }),
  };
  const edits: Edit[] = [
    ...uses.map((one): Edit => ({ type: 'removeElement', node: one.id })),
    ...item.edits,
    { type: 'saveTable', table },
    { type: 'setList', node: id, list },
  ];
  return {
    edit: { type: 'group', label: `Make ${holder.name} a list`, edits },
    sentence: `Makes ${holder.name} a list: its ${plural(uses.length, 'item')} become rows of the table ${table.name}, and look as they did.`,
    details: [
      `Columns: ${table.fields.map((field) => field.name).join(', ')}.`,
      `Sets to try: ${table.sets.map((set) => set.name).join(', ')}.`,
    ],
  };
}

/** Makes ordinary uses of the rows that a list shows. They look as they did; the table stays. */
export function planNoList(project: Project, id: string, newId: () => string): Plan {
  const { page, element } = requireElement(project, id);
  const holder = keptTree(page).elements[id];
  if (!holder?.list) throw new PlanError(`${element.name} is no list.`);
  const own = childIds(holder).length;
  const rows = childIds(element)
    .slice(own)
    .map((row) => page.elements[row]!.kept!);
  const edits: Edit[] = [
    { type: 'setList', node: id, list: null },
    ...rows.map((row, i): Edit => {
      const copy: PageElement = { ...row, id: `e${newId()}` };
      return { type: 'insertElement', page: page.id, parent: id, index: own + i, elements: [copy] };
    }),
  ];
  return {
    edit: { type: 'group', label: `Make ordinary elements of the rows of ${holder.name}`, edits },
    sentence: `Makes ${plural(rows.length, 'ordinary use')} of the rows of ${holder.name}. They look as they do, and no longer follow the table, which stays.`,
    details: [],
  };
}

/** The places of a list's item that can be fed: each element, with what of it. */
export function feedable(
  project: Project,
  list: List,
): readonly { readonly place: string; readonly to: string; readonly name: string }[] {
  const part = partNamed(project, list.part);
  const top = part && topOf(part);
  if (!part || !top) return [];
  const found: { place: string; to: string; name: string }[] = [];
  const visit = (of: PageElement) => {
    const place = of.id === top.id ? '' : of.id;
    const inside = childIds(of);
    const hasText = inside.length === 0 && textChildren(gapTexts(of.children).join('')).length > 0;
    if (hasText || list.binds.some((bind) => bind.place === place && bind.to === 'text'))
      found.push({ place, to: 'text', name: of.name });
    for (const to of Object.keys(of.attributes))
      if (!['id', 'class', 'style'].includes(to)) found.push({ place, to, name: `${of.name}: ${ATTRIBUTE_WORDS[to] ?? to}` });
    for (const child of inside) visit(part.elements[child]!);
  };
  visit(top);
  return found;
}
