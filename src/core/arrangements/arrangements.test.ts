import { DEFAULT_SLICE } from '../breakpoints';
import type { PageElement, Project } from '../document';
import { kept, newPage, pageOf } from '../document';
import type { Edit } from '../edits';
import { makeEdit } from '../edits';
import { makeFrom, MAIN, MIDDLE, NARROW, set, START } from '../edits/project-for-tests';
import { planMakeList, planMakePart } from '../plans';
import { demoProject } from '@/demo';
import type { Wish } from './index';
import { ARRANGEMENTS, planArrangement, planTakeBack } from './index';

const fresh = (prefix = 't') => {
  let n = 0;
  return () => `${prefix}${(n++).toString(36)}`;
};
/** The demo as it was before anything in it was arranged. */
const demo = ['ghours', 'gtools'].reduceRight<Project>((now) => {
  const { id } = now.arranged.at(-1)!;
  return makeEdit(now, planTakeBack(now, id).edit).document;
}, demoProject('00000000-0000-4000-8000-000000000000'));
const named = (id: string) => ARRANGEMENTS.find((one) => one.id === id)!;
const find = (project: Project, tree: string, name: string) =>
  Object.values(pageOf(project, tree)!.elements).find((one) => one.name === name)!.id;

const el = (id: string, tag: string, children: PageElement['children'] = [], more: Partial<PageElement> = {}): PageElement => ({
  ...{ id, tag, name: id, attributes: {}, children, shared: [], styles: {} },
  ...more,
});
const insert = (...elements: PageElement[]): Edit => ({
  ...{ type: 'insertElement', page: 'gfirst', parent: MAIN, index: 0 },
  elements,
});
const link = (id: string, href: string) => el(id, 'a', [{ text: id }], { attributes: { href } });

/** Pages of one's own, for what the demo hasn't got. */
const WIDE: Edit = { type: 'addBreakpoint', breakpoint: { id: 'bw', name: 'Wide', condition: { from: 1400 } } };
const header = insert(
  el('eh', 'header', ['elogo', 'enav', 'eact'], { styles: { base: { display: 'flex' } } }),
  ...[
    link('elogo', '/'),
    el('enav', 'nav', ['eul']),
    el('eul', 'ul', ['el1', 'el2', 'el3'], { styles: { base: { display: 'flex' } } }),
  ],
  ...['1', '2', '3'].flatMap((n) => [el(`el${n}`, 'li', [`ea${n}`]), link(`ea${n}`, `#${n}`)]),
  el('eact', 'button', [{ text: 'Join' }]),
);
const columns = insert(
  el('ecols', 'div', ['ec1', 'ec2'], { styles: { base: { display: 'flex', 'column-gap': '20px' } } }),
  ...['1', '2'].flatMap((n) => [
    el(`ec${n}`, 'section', [`ehd${n}`, `ep${n}`, `eq${n}`]),
    el(`ehd${n}`, 'h3', [{ text: `Heading ${n}` }]),
    el(`ep${n}`, 'p', [{ text: 'One' }]),
    el(`eq${n}`, 'p', [{ text: 'Two' }]),
  ]),
);
const own = makeFrom(START, MIDDLE, NARROW, WIDE, header, columns);

/** A list whose items lead to a page with one thing. */
const detail = newPage('gdetail', 'Detail', 'detail');
const joined = makeFrom(
  own,
  {
    type: 'addPage',
    page: {
      ...detail,
      root: 'edb',
      elements: Object.fromEntries(
        [
          el('edb', 'body', ['edm']),
          el('edm', 'main', ['edt', 'edp'], { styles: { base: { display: 'grid', 'row-gap': '8px' } } }),
          el('edt', 'h1', [{ text: 'Drill' }]),
          el('edp', 'p', [{ text: 'Two batteries' }]),
        ].map((one) => [one.id, one]),
      ),
    },
  },
  insert(
    el('elist', 'ul', ['eli1', 'eli2']),
    el('eli1', 'li', ['elk1']),
    link('elk1', 'page:gdetail'),
    el('eli2', 'li', [{ text: 'Saw' }]),
  ),
);

/** The list of all tools with headings, and the hours fed from a table of data. */
const headed = makeFrom(demo, {
  ...{ type: 'insertElement', page: 'gtools', parent: find(demo, 'gtools', 'Tool list'), index: 0 },
  elements: [
    el('eheads', 'li', ['ehead1', 'ehead2'], { name: 'Heads' }),
    el('ehead1', 'b', [{ text: 'Tool' }]),
    el('ehead2', 'b', [{ text: 'Place' }]),
  ],
});
const fedRows = ((): Project => {
  const newId = fresh('fed');
  const parted = makeEdit(demo, planMakePart(demo, find(demo, 'ghours', 'Tuesday'), true, newId).edit).document;
  return makeEdit(parted, planMakeList(parted, find(parted, 'ghours', 'Days'), newId).edit).document;
})();

/** What is arranged: the project, the tree, the element, the arrangement, and what it must say. */
const CASES: readonly (readonly [string, Project, string, string, Partial<Wish>, RegExp])[] = [
  ['menu-button', own, 'gfirst', 'eh', {}, /opens it/],
  ['folding-menu', own, 'gfirst', 'eh', { at: 'bm' }, /opens it, there only/],
  ['drawer', own, 'gfirst', 'eh', {}, /Narrow/],
  ['another-header', own, 'gfirst', 'eh', {}, /elements are added/],
  ['another-header', demo, 'mheader', 'Header', {}, /6 pages at 599 and narrower/],
  [
    'side-column',
    demo,
    'mheader',
    'Header',
    {},
    /Menu list of part Header, Middle, Wide and Very wide: flex-direction row becomes column/,
  ],
  ['drop-away', own, 'gfirst', 'eh', { widths: [700, 500] }, /drops at 699 and narrower/],
  ['at-bottom', demo, 'gfront', 'Header', {}, /still read first/],
  ['table-cards', demo, 'ghours', 'Hours', {}, /Narrow: display table becomes block/],
  ['table-scrolls', demo, 'ghours', 'Hours', {}, /at least 600 px wide/],
  ['table-scrolls', headed, 'gtools', 'Tool list', { at: 'bnarrow' }, /Line of part Tool line|Way to it of part/],
  ['table-cards', fedRows, 'ghours', 'Hours', {}, /The rows get a part|display table-row becomes block/],
  ['table-scrolls', fedRows, 'ghours', 'Hours', {}, /at least 600 px wide/],
  ['disclosures', own, 'gfirst', 'ecols', {}, /heading of each of the 2 columns/],
  ['side-away', demo, 'gtool', 'Main', {}, /Narrow/],
  ['side-away', demo, 'gtool', 'Main', { settings: { where: 'above' } }, /A copy of it shows above/],
  ['side-away', demo, 'gtool', 'Main', { settings: { where: 'drawer' } }, /opens it/],
  ['scroller', own, 'gfirst', 'ecols', {}, /overflow-x visible becomes auto/],
  ['one-at-a-time', own, 'gfirst', 'ecols', {}, /links to the one before and the next/],
  ['grid-list', demo, 'gcatalogue', 'Tool cards', {}, /Narrow/],
  ['more-columns', own, 'gfirst', 'ecols', {}, /One column becomes 2/],
  ['second-pane', own, 'gfirst', 'ecols', {}, /grid/],
  ['list-detail', joined, 'gfirst', 'elist', { settings: { detail: 'gdetail' } }, /takes the focus/],
  ['limit', own, 'gfirst', 'ecols', { settings: { most: '960px' } }, /max-width none becomes 960px/],
];

test('every ready arrangement is tried here', () => {
  const tried = new Set(CASES.map(([id]) => id));
  expect(ARRANGEMENTS.map(({ id }) => id).filter((id) => !tried.has(id))).toEqual([]);
});

test.each(CASES)('%s is made as it says, and taken back whole', (id, project, tree, name, wish, words) => {
  const subject = find(project, tree, name);
  const plan = planArrangement(project, DEFAULT_SLICE, tree, subject, named(id), wish, fresh());
  expect([plan.sentence, ...plan.details].join(' ')).toMatch(words);
  const made = makeEdit(project, plan.edit).document;
  // Something else is done in between, as it will be.
  const later = makeEdit(
    made,
    set('efirstp' in (made.pages[0]?.elements ?? {}) ? 'efirstp' : 'efront1', 'base', 'opacity', '0.9'),
  ).document;
  const other = makeEdit(
    project,
    set('efirstp' in (project.pages[0]?.elements ?? {}) ? 'efirstp' : 'efront1', 'base', 'opacity', '0.9'),
  ).document;
  expect(made.arranged.map(({ node }) => node)).toEqual([subject]);
  const back = planTakeBack(later, made.arranged[0]!.id);
  expect(kept(makeEdit(later, back.edit).document)).toEqual(kept(other));
});
