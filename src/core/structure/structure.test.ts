import { demoWithCards } from '@/demo/demo-with-cards-for-tests';
import { newProject, readProject, treesProblem } from '../document';
import type { Edit } from '../edits';
import { applyEdit } from '../edits';
import { HEADING, insert, MAIN, make, makeFrom, MIDDLE, set, shared, TEXT } from '../edits/project-for-tests';
import type { Rect, Surveyed } from './index';
import {
  alike,
  clipOf,
  columnAt,
  dropAt,
  fitClip,
  found,
  framedBy,
  groupName,
  mayStand,
  PALETTE,
  placeFor,
  readClip,
  sketched,
  topmost,
} from './index';

let count = 0;
const newId = () => `et${count++}`;

test.each(PALETTE.map((entry) => [entry.id, entry] as const))(
  '%s can be put into a page and makes a valid project',
  (_, { sketch, picture }) => {
    const elements = sketched(sketch, newId) as Extract<Edit, { type: 'insertElement' }>['elements'];
    const list = insert('elist', 'ul');
    const project = make(list, ...(picture ? [{ type: 'addPicture', picture } as const] : []), {
      type: 'insertElement',
      page: 'gfirst',
      parent: sketch.tag === 'li' ? 'elist' : MAIN,
      index: 0,
      elements,
    });
    expect(() => readProject(JSON.parse(JSON.stringify(project)))).not.toThrow();
    for (const { name } of elements) expect(name).not.toMatch(/^(box|div|element)?\s*\d*$/i);
  },
);

test('places: into what may hold it, else after it, else further out', () => {
  const page = make(insert('erow', 'div'), insert('elist', 'ul', 0, 'erow')).pages[0]!;
  expect(placeFor(page, 'erow', { tag: 'p' })).toEqual({ parent: 'erow', index: 1 });
  expect(placeFor(page, TEXT, { tag: 'p' })).toEqual({ parent: MAIN, index: 2 });
  expect(placeFor(page, 'elist', { tag: 'p' })).toEqual({ parent: 'erow', index: 1 });
  expect(placeFor(page, 'elist', { tag: 'tr' })).toBeUndefined();
  expect([
    mayStand(page, TEXT, { tag: 'span' }),
    mayStand(page, 'elist', { tag: 'li' }),
    mayStand(page, 'egone', { tag: 'p' }),
  ]).toEqual([false, true, false]);
});

test('outermost ones, those that are alike, and what is found by name or text', () => {
  const page = make(insert('erow', 'div'), insert('ea', 'p', 0, 'erow'), insert('eb', 'p', 1, 'erow'), shared('ea', TEXT), {
    type: 'setText',
    node: 'eb',
    text: 'Opening hours',
  }).pages[0]!;
  expect(topmost(page, ['eb', 'erow', HEADING, page.root, 'egone'])).toEqual([HEADING, 'erow']);
  expect(alike(page, 'ea').sort()).toEqual(['ea', TEXT].sort());
  expect(alike(page, 'eb')).toEqual(['eb']);
  expect(found(page, ' OPENING ')).toEqual(['eb']);
  expect(found(page, 'erow')).toEqual(['erow']);
  expect(found(page, ' ')).toEqual([]);
});

test('groups are named after what they hold', () => {
  const of = (tag: string, name: string) => ({ id: 'e1', tag, name, attributes: {}, children: [], shared: [], styles: {} });
  expect(groupName([of('a', 'x'), of('a', 'y')])).toBe('Links');
  expect(groupName([of('h2', 'Hours'), of('p', 'y')])).toBe('Hours group');
  expect(groupName([of('img', 'Claw hammer'), of('p', 'y'), of('p', 'z')])).toBe('Claw hammer and 2 more');
  expect(groupName([of('img', 'x'.repeat(90))]).length).toBeLessThanOrEqual(60);
});

/** A page of 400 px: the heading, then a row of three boxes that wraps after the second, then the text. */
const PAGE = make(insert('erow', 'div', 1), ...['ea', 'eb', 'ec'].map((id, i) => insert(id, 'div', i, 'erow'))).pages[0]!;
const at = (id: string, rect: Rect, flow: Surveyed['flow'] = 'block'): [string, Surveyed] => [
  id,
  { id, rect, flow, tracks: [], gap: 0, inner: 0 },
];
const SURVEY = new Map([
  at(PAGE.root, [0, 0, 400, 400]),
  at(MAIN, [10, 10, 380, 380]),
  at(HEADING, [20, 20, 360, 40]),
  at('erow', [20, 70, 360, 110], 'row'),
  at('ea', [30, 80, 100, 40]),
  at('eb', [140, 80, 100, 40]),
  at('ec', [30, 130, 100, 40]),
  at(TEXT, [20, 200, 360, 30]),
]);
const drop = (x: number, y: number, moving: readonly string[] = [], tags = ['p']) => {
  const result = dropAt(
    PAGE,
    SURVEY,
    x,
    y,
    new Set(moving),
    tags.map((tag) => ({ tag })),
  );
  return result && [result.parent, result.index];
};

test('what is dropped goes between what is there, by line and by side', () => {
  expect(drop(40, 100, ['ea'])).toEqual(['erow', 1]);
  expect(drop(135, 100)).toEqual(['erow', 1]);
  expect(drop(300, 100)).toEqual(['erow', 2]);
  expect(drop(200, 150)).toEqual(['erow', 3]);
  expect(drop(50, 65)).toEqual([MAIN, 1]);
  expect(drop(50, 380)).toEqual([MAIN, 3]);
  expect(drop(180, 100)).toEqual(['eb', 0]);
  // At the very edge of a box: beside it.
  expect(drop(141, 100)).toEqual(['erow', 1]);
  expect(drop(200, 210)).toEqual([MAIN, 2]);
  expect(drop(50, 100, [], ['tr'])).toBeUndefined();
  expect(drop(900, 900)).toEqual([PAGE.root, 1]);
});

test('locked elements take nothing', () => {
  const page = makeFrom({ ...make(), pages: [PAGE] }, { type: 'setLocked', node: 'eb', locked: true }).pages[0]!;
  expect(dropAt(page, SURVEY, 180, 100, new Set(), [{ tag: 'p' }])).toMatchObject({ parent: 'erow' });
  expect(framedBy(page, SURVEY, [0, 60, 300, 130])).toEqual(['ea', 'ec']);
});

test('a frame takes the outermost of what lies in it wholly', () => {
  expect(framedBy(PAGE, SURVEY, [15, 65, 370, 120])).toEqual(['erow']);
  expect(framedBy(PAGE, SURVEY, [25, 65, 230, 70])).toEqual(['ea', 'eb']);
  expect(framedBy(PAGE, SURVEY, [300, 300, 5, 5])).toEqual([]);
});

test('the column of a grid under the pointer', () => {
  const grid: Surveyed = { id: 'e', rect: [100, 0, 400, 10], flow: 'grid', tracks: [80, 80, 80], gap: 20, inner: 10 };
  expect([105, 111, 195, 205, 310, 500].map((x) => columnAt(grid, x))).toEqual([1, 1, 1, 2, 3, undefined]);
});

test('a clip carries overrides along, under new ids, and leaves out by name what the other project has not got', () => {
  const project = makeFrom(make(MIDDLE, insert('erow', 'div'), shared('erow'), set('erow', 'bm', 'width', '50%')), {
    type: 'setAttribute',
    node: 'erow',
    name: 'id',
    value: 'top',
  });
  const clip = readClip(JSON.stringify(clipOf(project, project.pages[0]!, ['erow'])))!;
  const here = fitClip(project, clip, newId, new Set(['top']));
  expect(here.trees[0]![0]).toMatchObject({ styles: { bm: { width: '50%' } }, shared: ['sx'], attributes: { id: 'top-2' } });
  expect(here.trees[0]![0]!.id).not.toBe('erow');
  const there = fitClip(newProject('00000000-0000-4000-8000-000000000001', 'Other'), clip, newId);
  expect(there.trees[0]![0]).toMatchObject({ styles: {}, shared: [] });
  expect(there.notes.join(' ')).toMatch(/Values under Middle.*Quiet/);
  // By name, where the other project calls it the same.
  const same = { ...make(MIDDLE), breakpoints: make(MIDDLE).breakpoints.map((one) => ({ ...one, id: 'bother' })) };
  expect(fitClip(same, clip, newId).trees[0]![0]!.styles).toEqual({ bother: { width: '50%' } });
});

test.each([
  ['nothing of ours', 'hello', undefined],
  ['damaged', '{"from":"mill-pond", ', /damaged/],
  ['without elements', '{"from":"mill-pond","tops":[]}', /can't be used/],
] as const)('a clipboard that is %s', (_, text, message) => {
  if (!message) return expect(readClip(text)).toBeUndefined();
  expect(() => readClip(text)).toThrow(message);
});

test('a clip that goes round in a circle is refused', () => {
  const project = make(insert('ea', 'div'));
  const clip = clipOf(project, project.pages[0]!, ['ea']);
  const round = { ...clip, elements: [{ ...clip.elements[0]!, children: ['ea'] }] };
  expect(() => readClip(JSON.stringify(round))).toThrow(/stands in two places/);
});

test('a thousand copies go in at once, and out again', () => {
  const project = make(insert('ea', 'p'));
  const clip = clipOf(project, project.pages[0]!, ['ea']);
  const many = {
    ...clip,
    tops: Array.from({ length: 1000 }, (_, i) => `ec${i}`),
    elements: Array.from({ length: 1000 }, (_, i) => ({ ...clip.elements[0]!, id: `ec${i}` })),
  };
  const edits = fitClip(project, many, newId).trees.map((elements): Edit => ({
    type: 'insertElement',
    page: 'gfirst',
    parent: MAIN,
    index: 0,
    elements: [...elements] as never,
  }));
  const { document, inverse } = applyEdit(project, { type: 'group', label: 'Paste', edits });
  expect(Object.keys(document.pages[0]!.elements)).toHaveLength(Object.keys(project.pages[0]!.elements).length + 1000);
  expect(applyEdit(document, inverse).document).toEqual(project);
  const six = { type: 'group', label: 'Paste', edits: Array.from({ length: 6 }, () => edits).flat() } as const;
  expect(() => applyEdit(project, six)).toThrow(/6000 changes at once/);
});

test('a drop says which sibling will come after it as it looks, over the ends of lines', () => {
  const before = (x: number, y: number, moving: readonly string[] = []) =>
    dropAt(PAGE, SURVEY, x, y, new Set(moving), [{ tag: 'p' }])?.before;
  expect([before(135, 100), before(300, 100), before(200, 150), before(50, 380)]).toEqual(['eb', 'ec', undefined, undefined]);
  expect(before(300, 100, ['ec'])).toBeUndefined();
  // The second line stands first in the document.
  const turned = new Map([...SURVEY, at('ea', [30, 130, 100, 40]), at('ec', [30, 80, 100, 40])]);
  expect(dropAt(PAGE, turned, 300, 100, new Set(), [{ tag: 'p' }])).toMatchObject({ before: 'ea', index: 2 });
});

test('trees: every top is named, nothing is left over, nothing stands twice', () => {
  const { ea, erow, eb, ec } = PAGE.elements;
  const all = [erow!, ea!, eb!, ec!];
  expect(treesProblem(all, ['erow'])).toBeUndefined();
  expect(treesProblem(all, ['ea'])).toMatch(/stand nowhere/);
  expect(treesProblem(all.slice(1), ['ea', 'eb', 'ec'])).toBeUndefined();
  expect(treesProblem(all.slice(0, 3), ['erow'])).toMatch(/isn't there \(ec\)/);
  expect(treesProblem([...all, ea!], ['erow'])).toMatch(/same id/);
  expect(treesProblem(all, ['erow', 'ea'])).toMatch(/two places/);
});

test('a use is taken along as a use where its part is, and as elements of their own elsewhere; so is what stands in one', () => {
  const demo = demoWithCards();
  const page = demo.pages.find(({ id }) => id === 'gcatalogue')!;
  const card = Object.values(page.elements).find(({ name }) => name === 'Spirit level card')!;
  const clip = readClip(JSON.stringify(clipOf(demo, page, [card.id])))!;
  const [here] = fitClip(demo, clip, newId).trees[0]!;
  expect(here!.use).toEqual(card.use);
  const there = fitClip(newProject('00000000-0000-4000-8000-000000000001', 'Other'), clip, newId).trees[0]!;
  const words = (elements: typeof there) =>
    elements.flatMap(({ children }) => children.flatMap((one) => (typeof one === 'string' ? [] : one.text)));
  expect(words(there)).toEqual(['Spirit level', 'Wall B, peg 11', 'Reserve']);
  expect(there.every(({ use, layers }) => !use && !layers)).toBe(true);
  // What the part says and what the use says both come along.
  const name = Object.values(page.elements).find((one) => one.name === 'Tool name' && one.id.startsWith(card.id))!;
  const [piece] = fitClip(demo, readClip(JSON.stringify(clipOf(demo, page, [name.id])))!, newId).trees[0]!;
  expect([words([piece!]), piece!.styles.base!['font-size']]).toEqual([['Spirit level'], '17px']);
});
