import fc from 'fast-check';
import { demoProject } from '@/demo';
import type { Condition } from '../breakpoints';
import { keptTree, subtreeOf } from '../document';
import type { Edit } from './edit';

export const demo = demoProject('00000000-0000-4000-8000-000000000000');
export const page = demo.pages[1]!;
export const ids = Object.keys(keptTree(page).elements);
export const main = Object.values(page.elements).find(({ tag }) => tag === 'main')!;
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

export const anyEdit: fc.Arbitrary<Edit> = fc.oneof(
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
  fc.record({
    type: fc.constant('setDrops' as const),
    node,
    drops: fc.option(fc.record({ items: fc.tuple(fc.record({ item: node, at: fc.constantFrom('bmiddle', 'bnarrow') })) })),
  }),
  fc.record({
    type: fc.constant('setPictures' as const),
    node,
    pictures: fc.option(fc.dictionary(fc.constantFrom('bmiddle', 'bnarrow'), fc.constantFrom('pa', 'pb'), { minKeys: 1 })),
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
  fc
    .constantFrom('a', 'b')
    .chain((id) =>
      fc.constantFrom<Edit>(
        { type: 'saveArranged', arranged: { id: `v${id}`, name: id, kind: 'drawer', node: 'e1', back: '{}' } },
        { type: 'removeArranged', id: `v${id}` },
        { type: 'saveRecipe', recipe: { id: `y${id}`, name: id, shape: { '': 'div' }, edits: '[]' } },
        { type: 'removeRecipe', id: `y${id}` },
      ),
    ),
  fc
    .constantFrom('da', 'db')
    .chain((id) =>
      fc.constantFrom<Edit>(
        {
          type: 'saveTable',
          table: { id, name: id, fields: [{ id: 'f1', name: 'A' }], sets: [{ id: 'r1', name: 'Usual', rows: [['x']] }] },
        },
        { type: 'removeTable', id },
        { type: 'setCells', table: id, set: 'r1', cells: [{ row: 0, field: 'f1', value: 'y' }] },
        { type: 'spliceRows', table: id, set: 'r1', at: 0, remove: 1, insert: [['p'], ['q']] },
      ),
    ),
  fc.record({
    type: fc.constant('setList' as const),
    node,
    list: fc.option(
      fc.record({
        table: fc.constantFrom('da', 'db'),
        part: fc.constant('mcard'),
        binds: fc.constantFrom([], [{ place: 'ecard4', to: 'text', field: 'f1' }]),
      }),
    ),
  }),
  node.map((id): Edit => ({
    type: 'addBlock',
    block: { id: `o${fresh++}`, name: 'Kept', elements: subtreeOf(keptTree(page), id) as never },
  })),
  fc.record({ type: fc.constant('renameBlock' as const), id: fc.constantFrom('o1', 'o2'), name: fc.constant('Other') }),
  fc.constantFrom('o1', 'o2').map((id): Edit => ({ type: 'removeBlock', id })),
);

/** Applies what can be applied; the rest is refused. */
