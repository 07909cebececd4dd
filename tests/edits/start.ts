import { bringIn, bringInEdit } from '@/core/bring-in';
import { hashForTests } from '@/core/bring-in/hash-for-tests';
import type { PageElement, Project } from '@/core/document';
import { isInUse, newProject, treesOf } from '@/core/document';
import type { Edit } from '@/core/edits';
import { makeEdit } from '@/core/edits';
import { planMakePart } from '@/core/plans';

/** A tag with what stands in it, as text: `ul(li(a) li)`. */
function tree(text: string): PageElement[] {
  const elements: { -readonly [K in keyof PageElement]: PageElement[K] }[] = [];
  const open: number[] = [];
  for (const [token] of text.matchAll(/[a-z0-9]+|[()]/g)) {
    if (token === '(') open.push(elements.length - 1);
    else if (token === ')') open.pop();
    else {
      const id = `e${elements.length}${text.length}x${token}`;
      const parent = open[open.length - 1];
      if (parent !== undefined) elements[parent]!.children = [...elements[parent]!.children, id];
      elements.push({ id, tag: token, name: token, attributes: {}, children: [], shared: [], styles: {} });
    }
  }
  return elements;
}

const TREES = [
  'ul(li(a(span)) li(p(strong)))',
  'form(fieldset(legend label(input) textarea button(span)))',
  'table(thead(tr(th)) tbody(tr(td(a) td)))',
  'section(a(div) dl(dt dd) figure(img figcaption))',
  // Nearly as deep as a page may be.
  `${'div('.repeat(112)}a(span)${')'.repeat(112)}`,
];

const PAGE: Project = TREES.reduce(
  (project, text) =>
    makeEdit(project, { type: 'insertElement', page: 'gfirst', parent: 'efirstmain', index: 2, elements: tree(text) }).document,
  newProject('00000000-0000-4000-8000-000000000000', 'By chance'),
);

let made = 0;
const newId = () => `made${made++}`;
const named = (project: Project, tag: string) =>
  treesOf(project)
    .flatMap(({ elements }) => Object.values(elements))
    .find((one) => one.tag === tag && !isInUse(one.id))!;

/** A list with a part for its entry, used twice, itself a part that is used twice. */
function withParts(project: Project): Project {
  const item = makeEdit(project, planMakePart(project, named(project, 'li').id, false, newId).edit).document;
  const use = (part: number, tag: string, id: string): PageElement => ({
    ...{ id, tag, name: 'Use', attributes: {}, children: [], shared: [], styles: {} },
    use: { part: item.parts[part]?.id ?? '', says: {} },
  });
  const inList: Edit = { type: 'insertElement', page: 'gfirst', parent: named(item, 'ul').id, elements: [use(0, 'li', 'eitem')] };
  const twice = makeEdit(item, inList).document;
  const list = makeEdit(twice, planMakePart(twice, named(twice, 'ul').id, false, newId).edit).document;
  const second: PageElement = { ...use(0, 'ul', 'elist'), use: { part: list.parts[1]!.id, says: {} } };
  return makeEdit(list, { type: 'insertElement', page: 'gfirst', parent: 'efirstmain', elements: [second] }).document;
}

/** A table, and a list of the parts' first that shows two rows of it. */
function withList(project: Project): Project {
  const part = project.parts[0]!;
  const rows = [
    ['One', '#'],
    ['', 'page:gfirst'],
  ];
  const fields = ['Name', 'Link'].map((name, i) => ({ id: `f${i}`, name }));
  const set = { id: 'r0', name: 'Usual', rows };
  const table: Edit = { type: 'saveTable', table: { id: 'dtools', name: 'Tools', fields, sets: [set] } };
  const element = { id: 'efed', tag: 'ul', name: 'Fed', attributes: {}, children: [], shared: [], styles: {} };
  const insert: Edit = { type: 'insertElement', page: 'gfirst', parent: 'efirstmain', elements: [element] };
  const deepest = Object.values(part.elements).find(({ children }) => children.length === 0)!;
  const binds = [
    { place: deepest.id, to: 'text', field: 'f0', hides: true as const },
    { place: '', to: 'title', field: 'f1' },
  ];
  const list: Edit = { type: 'setList', node: 'efed', list: { table: 'dtools', part: part.id, binds } };
  return [table, insert, list].reduce((before, edit) => makeEdit(before, edit).document, project);
}

/** A page that somebody else wrote, behind the others, and a file that nothing shows. */
function withBrought(project: Project): Project {
  const html = '<!doctype html><title>Brought</title><p style="color: red" class="a">One <b>two</b><p>Three';
  const read = bringIn([{ path: 'brought.html', bytes: Buffer.from(html) }], { project, hash: hashForTests, key: 'br' });
  const spare = { path: 'spare.png', type: 'image/png', hash: '1'.repeat(64), bytes: 7 };
  return makeEdit(makeEdit(project, bringInEdit(read)).document, { type: 'addFiles', files: [spare] }).document;
}

/** What random edits begin with: a page with all that nests in particular ways, parts in parts among it. */
export const START = withBrought(withList(withParts(PAGE)));
