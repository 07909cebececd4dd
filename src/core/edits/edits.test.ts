import fc from 'fast-check';
import { demoProject } from '@/demo';
import { conditionsOf, resolve } from '../cascade';
import type { Project } from '../document';
import { childIds, kept, keptTree, readProject, subtreeOf } from '../document';
import type { Condition } from '../breakpoints';
import { contains, cutsAcross } from '../breakpoints';
import type { Edit } from './edit';
import { applyEdit } from './apply-edit';
import { makeEdit } from './make-edit';
import { describeEdit } from './registry';
import { readEdit } from './read-edit';

const demo = demoProject('00000000-0000-4000-8000-000000000000');
const page = demo.pages[1]!;
const ids = Object.keys(keptTree(page).elements);
const main = Object.values(page.elements).find(({ tag }) => tag === 'main')!;
const VALUES: readonly (readonly [string, string])[] = [
  ['color', 'red'],
  ['font-size', '20px'],
  ['padding', '1px 2px'],
  ['display', 'none'],
  ['gap', '3px'],
  ['width', '50%'],
  ['border', '1px solid red'],
];
const at = fc.constantFrom('base', 'bverywide', 'bmiddle', 'bnarrow');
const node = fc.constantFrom(...ids);
const shared = fc.constantFrom(...demo.shared.map(({ id }) => id));
const owner = fc.oneof(shared, fc.constantFrom('kbutton', 'kheading', 'kitem'));
let fresh = 0;
const newId = () => `enew${(fresh++).toString(36)}`;

const anyEdit: fc.Arbitrary<Edit> = fc.oneof(
  fc
    .record({ type: fc.constant('setStyle' as const), owner: node, at, pair: fc.constantFrom(...VALUES) })
    .map(({ pair: [property, value], ...edit }) => ({ ...edit, property, value })),
  fc.record({
    type: fc.constant('clearStyle' as const),
    owner: node,
    at,
    property: fc.constantFrom(...VALUES.map(([property]) => property)),
  }),
  fc.record({ type: fc.constant('renameElement' as const), node, name: fc.constantFrom('A', 'Tool card') }),
  fc.record({ type: fc.constant('setText' as const), node, text: fc.constantFrom('x', '') }),
  fc.record({ type: fc.constant('removeElement' as const), node }),
  fc.record({ type: fc.constant('moveElement' as const), node, parent: node, index: fc.nat(4) }),
  node.map((id): Edit => ({
    type: 'duplicateElement',
    node: id,
    ids: Object.fromEntries(subtreeOf(keptTree(page), id).map((element) => [element.id, newId()])),
  })),
  node.map((parent): Edit => ({
    type: 'insertElement',
    page: page.id,
    parent,
    index: 0,
    elements: [
      {
        id: newId(),
        tag: 'p',
        name: 'New',
        attributes: {},
        children: [{ text: 'x' }],
        shared: [],
        styles: { bmiddle: { color: 'red' } },
      },
    ],
  })),
  fc
    .integer({ min: 300, max: 1500 })
    .map((edge): Edit => ({ type: 'addBreakpoint', breakpoint: { id: `b${edge}`, name: 'New', condition: { below: edge } } })),
  fc.record({
    type: fc.constant('moveBreakpoint' as const),
    id: fc.constantFrom('bmiddle', 'bnarrow', 'bverywide'),
    edge: fc.integer({ min: 300, max: 1700 }),
  }),
  fc.record({
    type: fc.constant('renameBreakpoint' as const),
    id: fc.constantFrom('bmiddle', 'bnarrow'),
    name: fc.constant('Other'),
  }),
  fc.record({ type: fc.constant('removeBreakpoint' as const), id: fc.constantFrom('bmiddle', 'bnarrow', 'bverywide') }),
  fc
    .record({ type: fc.constant('setStyle' as const), owner: owner, at, pair: fc.constantFrom(...VALUES) })
    .map(({ pair: [property, value], ...edit }) => ({ ...edit, property, value })),
  fc.record({
    type: fc.constant('changeBreakpoint' as const),
    id: fc.constantFrom('bmiddle', 'bnarrow'),
    condition: fc.constantFrom<Condition>(
      { from: 500, below: 800 },
      { heightBelow: 900 },
      { orientation: 'portrait' },
      { below: 700, unit: 'em' },
    ),
  }),
  fc.record({
    type: fc.constant('changeBreakpoint' as const),
    id: fc.constantFrom('bmiddle', 'bverywide'),
    also: fc.constantFrom(['bnarrow'], [], ['bnarrow', 'bverywide']),
  }),
  fc.record({ type: fc.constant('changeBreakpoint' as const), id: fc.constantFrom('bmiddle', 'bnarrow'), index: fc.nat(3) }),
  fc.record({
    type: fc.constant('carryShared' as const),
    node,
    shared: fc.subarray(
      demo.shared.map(({ id }) => id),
      { maxLength: 3 },
    ),
  }),
  fc.record({ type: fc.constant('removeShared' as const), id: shared }),
  fc.record({ type: fc.constant('changeShared' as const), id: shared, index: fc.nat(5) }),
  fc.record({ type: fc.constant('changeShared' as const), id: shared, name: fc.constantFrom('Renamed', 'Card') }),
  node.map((id): Edit => ({
    type: 'addShared',
    style: { id: `s${fresh++}`, name: 'New', styles: { base: { color: 'red' }, bnarrow: { width: '9px' } } },
    carriers: [{ node: id, place: 0 }],
  })),
  fc.record({ type: fc.constant('setKind' as const), node, kind: fc.constantFrom('krow' as const, 'kgrid' as const, null) }),
  fc
    .constantFrom(
      'p { color: red } @media (max-width: 500px) { li { padding: 4px !important } }',
      'div { gap: 9px }',
      '.card, [class~=tool-card] { color: red }',
    )
    .map((css): Edit => ({ type: 'addSheet', sheet: { id: `t${fresh++}`, name: 'Sheet', css } })),
  fc
    .array(
      fc
        .record({
          owner: fc.oneof(node, owner),
          at,
          property: fc.constantFrom('color', 'width'),
          value: fc.constantFrom('red', '5px', null),
        })
        .filter(({ property, value }) => value === null || (property === 'width') === (value === '5px')),
      { minLength: 1, maxLength: 5 },
    )
    .map((changes): Edit => ({ type: 'restyle', label: 'Several', changes })),
  fc.record({ type: fc.constant('setLocked' as const), node, locked: fc.boolean() }),
  fc.record({ type: fc.constant('setFirst' as const), node, first: fc.boolean() }),
  fc.record({
    type: fc.constant('setAlternate' as const),
    node,
    alternate: fc.option(fc.record({ set: fc.constantFrom('ha', 'hb'), at: fc.subarray(['base', 'bmiddle', 'bnarrow']) })),
  }),
  fc.record({
    type: fc.constant('setPanel' as const),
    node,
    panel: fc.option(fc.record({ kind: fc.constant('drawer' as const), at: fc.dictionary(at, fc.boolean(), { maxKeys: 2 }) })),
  }),
  fc
    .constantFrom(null, { off: true as const }, { limits: { least: 20 } })
    .map((tuning): Edit => ({ type: 'tuneCheck', check: 'small-target', tuning })),
  fc.record({
    type: fc.constant('acceptFinding' as const),
    check: fc.constant('small-text'),
    element: node,
    reason: fc.constantFrom('It is a caption.', null),
  }),
  fc.record({
    type: fc.constant('setAttribute' as const),
    node,
    name: fc.constantFrom('title', 'id', 'href', 'src'),
    value: fc.constantFrom('x', '#', 'picture:phammer', null),
  }),
  fc
    .constantFrom('a', 'b')
    .map((id): Edit => ({
      type: 'addPicture',
      picture: { id: `pn${id}`, fileName: `new-${id}.svg`, svg: '<svg xmlns="http://www.w3.org/2000/svg"/>' },
    })),
  fc.constantFrom('pna', 'phammer').map((id): Edit => ({ type: 'removePicture', id })),
  fc.record({
    type: fc.constant('setColumns' as const),
    page: fc.constantFrom(null, page.id),
    at,
    grid: fc.constantFrom({ columns: 4, gutter: 8, margin: 0, align: 'left' as const, columnLeast: 0 }, null),
  }),
  fc
    .constantFrom('na', 'nb')
    .map((id): Edit => ({
      type: 'saveGrid',
      grid: { id, name: `Grid ${id}`, grid: { columns: 6, gutter: 0, margin: 0, align: 'centre', columnLeast: 20 } },
    })),
  fc.constantFrom('na', 'nb').map((id): Edit => ({ type: 'removeGrid', id })),
  node.map((id): Edit => ({
    type: 'addBlock',
    block: { id: `o${fresh++}`, name: 'Kept', elements: subtreeOf(keptTree(page), id) as never },
  })),
  fc.record({ type: fc.constant('renameBlock' as const), id: fc.constantFrom('o1', 'o2'), name: fc.constant('Other') }),
  fc.constantFrom('o1', 'o2').map((id): Edit => ({ type: 'removeBlock', id })),
);

/** Applies what can be applied; the rest is refused. */
function applyAll(project: Project, edits: readonly Edit[]) {
  const inverses: Edit[] = [];
  let document = project;
  for (const edit of edits) {
    try {
      const applied = makeEdit(document, edit);
      document = applied.document;
      inverses.unshift(applied.inverse);
    } catch (error) {
      expect((error as Error).name).toBe('EditError');
    }
  }
  return { document, inverses };
}

test('any series of edits leaves a valid project, and its inverses lead back to the first one', () => {
  fc.assert(
    fc.property(fc.array(anyEdit, { minLength: 1, maxLength: 8 }), (edits) => {
      const { document, inverses } = applyAll(demo, edits);
      expect(() => readProject(JSON.parse(JSON.stringify(kept(document))))).not.toThrow();
      const back = inverses.reduce((project, inverse) => makeEdit(project, inverse).document, document);
      expect(back).toEqual(demo);
    }),
    { numRuns: 50 },
  );
});

test('edits survive the way through JSON and the schema', () => {
  fc.assert(
    fc.property(anyEdit, (edit) => expect(readEdit(JSON.parse(JSON.stringify(edit)))).toEqual(edit)),
    { numRuns: 100 },
  );
  fc.assert(
    fc.property(fc.array(anyEdit, { minLength: 1, maxLength: 4 }), (edits) => {
      for (const inverse of applyAll(demo, edits).inverses)
        expect(() => readEdit(JSON.parse(JSON.stringify(inverse)))).not.toThrow();
    }),
    { numRuns: 60 },
  );
});

const WATCHED = [
  'color',
  'font-size',
  'padding-top',
  'display',
  'width',
  'row-gap',
  'border-top-color',
  'max-width',
  'height',
  'grid-template-columns',
  'position',
  'margin-top',
  'padding-left',
];

test('a footprint names every width at which a value of its page differs, and no more for style edits', () => {
  const width = fc.integer({ min: 200, max: 2000 });
  let differing = 0;
  let alike = 0;
  fc.assert(
    fc.property(
      fc.array(anyEdit, { minLength: 1, maxLength: 4 }),
      anyEdit,
      fc.array(width, { minLength: 8, maxLength: 8 }),
      (before, edit, widths) => {
        const start = applyAll(demo, before).document;
        let applied;
        try {
          applied = makeEdit(start, edit);
        } catch {
          return;
        }
        // With sheets from elsewhere another class can matter anywhere; a footprint is of all heights, and here it's one.
        const one = start.sheets.length === 0 && !cutsAcross(conditionsOf(start));
        const exact = edit.type === 'setStyle' && WATCHED.includes(edit.property) && one;
        for (const now of applied.document.pages) {
          const was = start.pages.find((one) => one.id === now.id)!;
          const footprint = applied.footprint[now.id];
          if (footprint?.html) continue;
          for (const at of widths) {
            const touched = contains(footprint?.widths ?? [], at);
            const value = (project: Project, of: typeof was, id: string, property: string) =>
              resolve(project, of, id, property, at).value;
            const differs = Object.keys(now.elements).some((id) =>
              WATCHED.some((property) => value(start, was, id, property) !== value(applied.document, now, id, property)),
            );
            if (differs) differing++;
            else alike++;
            if (differs || exact) expect([edit, at, touched]).toEqual([edit, at, differs]);
          }
        }
      },
    ),
    { numRuns: 60 },
  );
  // Were all alike, or all different, nothing would have been tested.
  expect(Math.min(differing, alike)).toBeGreaterThan(0);
});

test('writing at 899 and narrower leaves 900 and wider alone, and 599 and narrower where that has its own', () => {
  const cards = Object.values(page.elements).find((element) => element.name === 'Tool cards')!;
  const applied = applyEdit(demo, {
    type: 'setStyle',
    owner: cards.id,
    at: 'bmiddle',
    property: 'grid-template-columns',
    value: '1fr 1fr',
  });
  expect(applied.footprint[page.id]!.widths).toEqual([{ from: 600, below: 900 }]);
  expect(applied.inverse).toEqual({
    type: 'setStyle',
    owner: cards.id,
    at: 'bmiddle',
    property: 'grid-template-columns',
    value: 'repeat(3, minmax(0, 1fr))',
  });
});

test.each<[string, Edit | Record<string, unknown>, RegExp]>([
  ['an unknown property', { type: 'setStyle', owner: ids[1]!, at: 'base', property: 'colour', value: 'red' }, /isn't a property/],
  [
    'an impossible value',
    { type: 'setStyle', owner: ids[1]!, at: 'base', property: 'width', value: 'red' },
    /isn't a value that width/,
  ],
  ['a removed element', { type: 'setStyle', owner: 'egone', at: 'base', property: 'width', value: '1px' }, /has been removed/],
  [
    'a removed breakpoint',
    { type: 'setStyle', owner: ids[1]!, at: 'bgone', property: 'width', value: '1px' },
    /has been removed/,
  ],
  ['a circle', { type: 'changeBreakpoint', id: 'bnarrow', also: ['bnarrow'] }, /from itself/],
  ['a breakpoint at 0', { type: 'moveBreakpoint', id: 'bnarrow', edge: 0 }, /under 40/],
  ['a breakpoint at 99999', { type: 'moveBreakpoint', id: 'bnarrow', edge: 99999 }, /over 10000/],
  ['the removal of the body', { type: 'removeElement', node: page.root }, /body can't be removed/],
  ['a move into itself', { type: 'moveElement', node: main.id, parent: childIds(main)[0]!, index: 0 }, /into itself/],
  ['clearing what is not set', { type: 'clearStyle', owner: ids[1]!, at: 'bnarrow', property: 'width' }, /no own width/],
])('refuses %s', (_, edit, message) => {
  expect(() => applyEdit(demo, edit as Edit)).toThrow(message);
});

test.each<[unknown, RegExp]>([
  [null, /./],
  [{ type: 'nothing' }, /./],
  [{ type: 'renameElement', node: 'ea', name: '  ' }, /can't be empty/],
  [{ type: 'setText', node: 'ea', text: 'x'.repeat(10_000_000) }, /at most 20000/],
  [{ type: 'addBreakpoint', breakpoint: { id: 'bx', name: 'X', condition: { below: 99999 } } }, /over 10000/],
  [{ type: 'group', label: 'x', edits: [{ type: 'setStyle' }] }, /./],
])('the schema refuses %#', (input, message) => {
  expect(() => readEdit(input)).toThrow(message);
});

test('edits are named in words', () => {
  expect(describeEdit(demo, { type: 'removeBreakpoint', id: 'bmiddle' })).toBe('Remove breakpoint Middle');
  expect(describeEdit(demo, { type: 'moveBreakpoint', id: 'bmiddle', edge: 801 })).toBe('Move Middle to 800 and narrower');
});
