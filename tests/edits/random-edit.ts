import type { Condition } from '@/core/breakpoints';
import type { Child, PageElement, Project, PseudoStyles, StyleSet } from '@/core/document';
import { HTML_TAGS, isRun, KINDS, PSEUDOS, subtreeOf, treesOf } from '@/core/document';
import type { Edit, PageField } from '@/core/edits';
import { allOwners } from '@/core/edits';
import { planPage } from '@/core/plans';
import type { Draw } from './draw';
import { aboutLists } from './list-edits';
import { aboutParts, meant } from './part-edits';

/*
 * One edit of any kind for a document as it is, by chance. Places are drawn from few elements, so that nesting gets odd:
 * links land in links, forms in forms, chains in chains. Now and then something is sent that no window would send.
 */

const VALUES: readonly (readonly [property: string, value: string])[] = [
  ['color', 'red'],
  ['color', 'var(--ink)'],
  ['--ink', '#123456'],
  ['padding', '1px 2px'],
  ['padding-left', '3px'],
  ['border', '1px solid red'],
  ['display', 'none'],
  ['display', 'grid'],
  ['width', '50%'],
  ['flex', '1'],
  ['font', 'bold 12px/1.5 serif'],
  ['background-image', 'url(picture:pa)'],
  ['margin', '-4px auto'],
  ['grid-template-columns', 'repeat(3, minmax(0, 1fr))'],
  ['gap', '3px'],
  ['font-family', '"Spline Sans Mono Variable", monospace'],
  ['content', '"→ "'],
  ['outline', '2px solid red'],
  ['outline-width', 'initial'],
  ['color', 'inherit'],
];
const ODD_VALUES: readonly (readonly [string, string])[] = [
  ['color', 'red} body{background:url(http://elsewhere.example)'],
  ['color', '</style><script>'],
  ['width', 'wide'],
  ['constructor', 'red'],
  ['__proto__', 'red'],
  ['color', 'a\u0000b'],
  ['--ink', '\ud800'],
  ['padding', ''],
  ['toString', '1'],
  ['color', 'revert'],
];
const TEXTS = ['x', '', 'Opening hours', 'A < b & "c"', 'ä😀', 'line\nbreak'];
const ODD_TEXTS = ['NUL \u0000', 'half \udc00', 'x'.repeat(20_001)];
const NESTING_TAGS = [
  'a',
  'button',
  'form',
  'div',
  'p',
  'span',
  'ul',
  'li',
  'table',
  'thead',
  'tr',
  'td',
  'label',
  'section',
  'h2',
  'img',
  'input',
  'fieldset',
  'legend',
  'dl',
  'dt',
  'textarea',
];
const ODD_TAGS = ['constructor', 'toString', '__proto__', 'script', 'style', 'body', ''];
const NAMES = ['Card', ' Card ', 'Tool cards', 'x', 'Menu'];

export function randomEdit(project: Project, draw: Draw, odd = 0.08): Edit {
  const make = draw.from(MAKERS);
  const made = make(project, draw, odd);
  const edit = draw.chance(0.8) ? meant(project, made, draw) : made;
  if (!draw.chance(0.12)) return edit;
  // Runs of the same kind are made in one go; so are all that change elements.
  const alike = draw.chance(0.5);
  const more = Array.from({ length: 1 + draw.below(7) }, () => (alike ? make : draw.from(MAKERS))(project, draw, odd));
  return { type: 'group', label: 'Several', edits: [edit, ...more] };
}

/** Only a few elements are drawn, those made last more often than others. */
function anyElement(project: Project, draw: Draw): string {
  const ids = treesOf(project).flatMap((page) => Object.keys(page.elements));
  if (draw.chance(0.04)) return 'egone';
  return draw.chance(0.6) ? draw.from(ids.slice(-6)) : draw.from(ids);
}

function anyImage(project: Project, draw: Draw): string {
  const images = treesOf(project).flatMap((page) => Object.values(page.elements).filter(({ tag }) => tag === 'img'));
  return images.length === 0 ? anyElement(project, draw) : draw.from(images).id;
}

function anyOwner(project: Project, draw: Draw): string {
  const others = [...project.shared.map(({ id }) => id), ...KINDS.slice(0, 3).map(({ id }) => id), 'krow'];
  const owner = draw.chance(0.7) ? anyElement(project, draw) : draw.from(others);
  return owner + anyPseudo(draw);
}

const ODD_PSEUDOS = [':', ':gone', '::before:hover', ':hover:active', '::first-line'];

/** Mostly at rest, else a few of the states and boxes, so that they come together. */
function anyPseudo(draw: Draw): string {
  if (draw.chance(0.6)) return '';
  if (draw.chance(0.03)) return draw.from(ODD_PSEUDOS);
  return draw.from(draw.chance(0.7) ? [':hover', ':active', '::before', ':disabled'] : PSEUDOS);
}

function anyPseudoStyles(project: Project, draw: Draw, odd: number): { pseudo?: PseudoStyles } {
  if (draw.chance(0.75)) return {};
  const pseudo = Object.fromEntries(
    draw.some(draw.chance(odd) ? ODD_PSEUDOS : [...PSEUDOS], 3).map((one) => [one, anyStyles(project, draw, odd)]),
  );
  return { pseudo };
}

const anyPlace = (project: Project, draw: Draw) =>
  draw.from(['base', 'base', ...project.breakpoints.map(({ id }) => id), ...(draw.chance(0.05) ? ['bgone'] : [])]);
const anyOf = <T extends { readonly id: string }>(list: readonly T[], draw: Draw, gone: string): string =>
  list.length === 0 || draw.chance(0.05) ? gone : draw.from(list).id;
const anyIndex = (draw: Draw) => (draw.chance(0.5) ? undefined : draw.below(draw.chance(0.1) ? 99 : 4));
const place = (draw: Draw) => {
  const index = anyIndex(draw);
  return index === undefined ? {} : { index };
};
const anyCondition = (draw: Draw): Condition =>
  draw.from<() => Condition>([
    () => ({ below: 320 + draw.below(900) }),
    () => ({ from: 400 + draw.below(900) }),
    () => ({ from: 500, below: 600 + draw.below(300) }),
    () => ({ heightBelow: 500 }),
    () => ({ orientation: draw.from(['portrait', 'landscape'] as const) }),
    () => ({ pointer: 'finger' }),
    () => ({ below: 40 * draw.below(30), unit: 'em' }),
    () => ({}),
  ])();

function anyValue(draw: Draw, odd: number) {
  const [property, value] = draw.from(draw.chance(odd) ? ODD_VALUES : VALUES);
  return { property, value };
}

function anyStyles(project: Project, draw: Draw, odd: number): StyleSet {
  const styles: Record<string, Record<string, string>> = {};
  for (const at of draw.some(['base', ...project.breakpoints.map(({ id }) => id)], 3)) {
    const { property, value } = anyValue(draw, odd);
    const longhands = ['color', '--ink', 'display', 'width', 'padding-left', 'font-family'];
    if (longhands.includes(property) || odd > 0) styles[at] = { [property]: value };
  }
  return styles;
}

type Mutable<T> = { -readonly [K in keyof T]: T[K] };

function anyNew(project: Project, draw: Draw, odd: number): Mutable<PageElement> {
  const tag = draw.from(draw.chance(odd) ? ODD_TAGS : draw.chance(0.8) ? NESTING_TAGS : HTML_TAGS);
  const attributes: Record<string, string> =
    tag === 'a' ? { href: '#' } : tag === 'img' ? { src: `picture:${anyOf(project.pictures, draw, 'pgone')}` } : {};
  if (draw.chance(odd)) attributes[draw.from(['onclick', 'constructor', 'style'])] = 'x';
  return {
    id: draw.id('e'),
    tag,
    name: draw.from(NAMES),
    attributes,
    children: draw.chance(0.2) && tag !== 'img' ? [{ text: draw.from(draw.chance(odd) ? ODD_TEXTS : TEXTS) }] : [],
    shared: draw.chance(0.2)
      ? draw.some(
          project.shared.map(({ id }) => id),
          2,
        )
      : [],
    styles: draw.chance(0.3) ? anyStyles(project, draw, odd) : {},
    ...anyPseudoStyles(project, draw, odd),
  };
}

/** A few elements in each other: mostly a row of ancestors, now and then one nearly as deep as a page may be. */
function anyTree(project: Project, draw: Draw, odd: number): PageElement[] {
  const depth = draw.chance(0.06) ? 50 + draw.below(14) : draw.below(4) + 1;
  const chain = Array.from({ length: depth }, () => {
    const one = anyNew(project, draw, odd);
    if (depth > 10) Object.assign(one, { tag: 'div', attributes: {}, children: [] });
    return one;
  });
  chain.forEach((one, index) => {
    const next = chain[index + 1];
    if (!next) return;
    one.children = draw.chance(0.3) ? draw.some([...one.children, { text: draw.from(TEXTS) }, next.id], 3) : [next.id];
    if (!one.children.includes(next.id)) one.children = [...one.children, next.id];
  });
  return chain;
}

function copied(project: Project, id: string, draw: Draw): PageElement[] {
  const page = treesOf(project).find((one) => id in one.elements) ?? project.pages[0]!;
  const subtree = subtreeOf(page, id in page.elements ? id : page.root);
  const ids = new Map(subtree.map((element) => [element.id, draw.chance(0.99) ? draw.id('e') : element.id]));
  return subtree.map((element) => ({
    ...element,
    id: ids.get(element.id)!,
    children: element.children.map((child) => (isRun(child) ? child : ids.get(child)!)),
  }));
}

/** A place among elements, now and then within the text that stands there. */
const contentPlace = (draw: Draw) => ({ ...place(draw), ...(draw.chance(0.3) && { offset: draw.below(12) }) });

function insertion(project: Project, draw: Draw, elements: readonly PageElement[]): Edit {
  const parent = anyElement(project, draw);
  const page = treesOf(project).find((one) => parent in one.elements) ?? draw.from(project.pages);
  return { type: 'insertElement', page: page.id, parent, ...contentPlace(draw), elements };
}

const MARKS = ['strong', 'em', 'a', 'code', 'small', 'br', 'span', 'q', 'sub', 'my-mark'];

/** The inside of an element written anew: texts, what stood there, marks around either; now and then with something odd. */
const writing: Maker = (project, draw, odd) => {
  const node = anyElement(project, draw);
  const page = treesOf(project).find((one) => node in one.elements) ?? project.pages[0]!;
  const inside = node in page.elements ? subtreeOf(page, node).slice(1) : [];
  const elements: Mutable<PageElement>[] = inside.slice(0, draw.chance(0.3) ? 2 : 30).map((one) => ({ ...one }));
  const kept = new Set(elements.map(({ id }) => id));
  for (const one of elements) one.children = one.children.filter((child) => isRun(child) || kept.has(child));
  const stood = (page.elements[node]?.children ?? []).filter((child) => isRun(child) || kept.has(child));
  const children: Child[] = [];
  for (const child of stood) {
    if (draw.chance(0.3)) children.push({ text: draw.from(draw.chance(odd) ? ODD_TEXTS : TEXTS) });
    if (!isRun(child) || draw.chance(0.6)) children.push(child);
  }
  for (let more = draw.below(4); more > 0; more--) {
    const mark = { ...anyNew(project, draw, odd), tag: draw.from(MARKS) };
    mark.attributes = {};
    if (mark.tag === 'br') mark.children = [];
    else if (draw.chance(0.3)) mark.children = children.splice(0, draw.below(3));
    elements.push(mark);
    children.splice(draw.below(children.length + 1), 0, mark.id);
  }
  if (draw.chance(0.3)) children.push({ text: draw.from(TEXTS) });
  return { type: 'setContent', node, children: draw.chance(odd) ? [...children, 'egone'] : children, elements };
};

type Maker = (project: Project, draw: Draw, odd: number) => Edit;

/** Mostly of a value that is there. */
const clearing: Maker = (project, draw) => {
  const written = allOwners(project).flatMap(({ id: owner, styles }) =>
    Object.entries(styles).flatMap(([at, declarations]) =>
      Object.keys(declarations).map((property) => ({ owner, at, property })),
    ),
  );
  const any = { owner: anyOwner(project, draw), at: anyPlace(project, draw), property: draw.from(VALUES)[0] };
  return { type: 'clearStyle', ...(written.length > 0 && draw.chance(0.7) ? draw.from(written) : any) };
};

const insert: Maker = (project, draw, odd) => insertion(project, draw, anyTree(project, draw, odd));
const paste: Maker = (project, draw) => insertion(project, draw, copied(project, anyElement(project, draw), draw));
const move: Maker = (project, draw) => ({
  type: 'moveElement',
  node: anyElement(project, draw),
  parent: anyElement(project, draw),
  ...contentPlace(draw),
});
const setStyle: Maker = (project, draw, odd) => ({
  type: 'setStyle',
  owner: anyOwner(project, draw),
  at: anyPlace(project, draw),
  ...anyValue(draw, odd),
});
const breakpoint: Maker = (_, draw) => ({
  type: 'addBreakpoint',
  breakpoint: { id: draw.id('b').slice(0, 6), name: 'New', condition: anyCondition(draw) },
  ...place(draw),
});

const anyPage = (project: Project, draw: Draw) => (draw.chance(0.1) ? 'ggone' : draw.from(project.pages).id);
const PAGE_FIELDS: readonly (readonly [PageField, string | null])[] = [
  ['name', 'Hours'],
  ['name', ''],
  ['slug', 'hours'],
  ['slug', 'con'],
  ['slug', 'öffnung'],
  ['title', 'Opening hours'],
  ['title', 'x'.repeat(10_000)],
  ['title', null],
  ['description', 'When the tool library is open'],
  ['language', 'de'],
  ['language', 'not a language'],
  ['language', null],
  ['direction', 'rtl'],
  ['direction', 'up'],
  ['direction', null],
];
type ProjectField = Extract<Edit, { type: 'setProject' }>['field'];
type ProjectValue = Extract<Edit, { type: 'setProject' }>['value'];
const PROJECT_FIELDS: readonly (readonly [field: ProjectField, values: readonly ProjectValue[]])[] = [
  ['language', ['de', 'ar', 'pt-BR', '?']],
  ['queries', ['range', 'min-max', 'max']],
  ['rootSize', [100, 62.5, 112.5, 137.5, 20, '18px']],
  ['range', [...[320, 360, 900].map((first) => ({ first, last: 1280 })), { first: 900, last: 600 }, { first: 10, last: 600 }]],
];
const pages: readonly Maker[] = [
  (project, draw) => {
    const from = draw.from(['empty', 'copy', 'around'] as const);
    const page = draw.from(project.pages).id;
    const made = planPage(project, draw.from(NAMES), from === 'empty' ? { from } : { from, page }, draw.id('').slice(0, 8));
    return { type: 'addPage', page: draw.chance(0.2) ? { ...made, id: page } : made, ...place(draw) };
  },
  (project, draw) => ({ type: 'removePage', page: anyPage(project, draw) }),
  (project, draw) => ({ type: 'movePage', page: anyPage(project, draw), ...place(draw) }),
  (project, draw) => {
    const [field, value] = draw.from(PAGE_FIELDS);
    return { type: 'setPage', page: anyPage(project, draw), field, value };
  },
  (_, draw) => {
    const [field, values] = draw.from(PROJECT_FIELDS);
    return { type: 'setProject', field, value: draw.from(values) };
  },
];

const aboutPages: Maker = (project, draw, odd) => draw.from(pages)(project, draw, odd);

const partsMaker: Maker = (project, draw, odd) =>
  aboutParts(project, draw, { element: () => anyElement(project, draw), styles: () => anyStyles(project, draw, odd) });

const listsMaker: Maker = (project, draw) => aboutLists(project, draw, () => anyElement(project, draw));

const MAKERS: readonly Maker[] = [
  aboutPages,
  aboutPages,
  aboutPages,
  ...Array.from({ length: 6 }, () => partsMaker),
  ...Array.from({ length: 4 }, () => listsMaker),
  insert,
  insert,
  insert,
  insert,
  paste,
  paste,
  paste,
  move,
  move,
  move,
  move,
  writing,
  writing,
  writing,
  setStyle,
  setStyle,
  setStyle,
  breakpoint,
  breakpoint,
  clearing,
  (project, draw, odd) => ({
    type: 'restyle',
    label: 'Several',
    changes: Array.from({ length: 1 + draw.below(5) }, () => {
      const { property, value } = anyValue(draw, odd);
      return { owner: anyOwner(project, draw), at: anyPlace(project, draw), property, value: draw.chance(0.3) ? null : value };
    }),
    ...(draw.chance(0.1) && { breakpoints: project.breakpoints.slice(0, draw.below(3)) }),
  }),
  (project, draw, odd) => ({
    type: 'setText',
    node: anyElement(project, draw),
    text: draw.chance(0.1) ? null : draw.from(draw.chance(odd) ? ODD_TEXTS : TEXTS),
  }),
  (project, draw) => ({ type: 'setText', node: anyElement(project, draw), text: '' }),
  (project, draw) => ({ type: 'removeElement', node: anyElement(project, draw) }),
  (project, draw) => {
    const node = anyElement(project, draw);
    const page = treesOf(project).find((one) => node in one.elements);
    return {
      type: 'duplicateElement',
      node,
      ids: Object.fromEntries((page ? subtreeOf(page, node) : []).map(({ id }) => [id, draw.id('e')])),
    };
  },
  (project, draw) => ({ type: 'renameElement', node: anyElement(project, draw), name: draw.from(NAMES) }),
  (project, draw) => ({ type: 'setLocked', node: anyElement(project, draw), locked: draw.chance(0.2) }),
  (project, draw) => ({ type: 'setFirst', node: anyElement(project, draw), first: draw.chance(0.5) }),
  (project, draw) => ({
    type: 'setAlternate',
    node: anyElement(project, draw),
    alternate: draw.chance(0.2)
      ? null
      : {
          set: draw.from(['ha', 'ha', 'hb', ...(draw.chance(0.05) ? ['b?'] : [])]),
          at: draw.some(['base', ...project.breakpoints.map(({ id }) => id), 'bgone'], 3),
          ...(draw.chance(0.2) && { later: true }),
        },
  }),
  (project, draw) => ({
    type: 'setPanel',
    node: anyElement(project, draw),
    panel: draw.chance(0.2)
      ? null
      : {
          kind: draw.from(['drawer', 'sheet', 'menu', 'dialog'] as const),
          at: { [anyPlace(project, draw)]: draw.chance(0.5), [anyPlace(project, draw)]: draw.chance(0.5) },
          ...(draw.chance(0.3) && { locks: true }),
          ...(draw.chance(0.3) && { outside: true, edge: 'left' }),
        },
  }),
  (project, draw) => {
    const node = anyElement(project, draw);
    const children = treesOf(project).flatMap(
      ({ elements }) => elements[node]?.children.filter((one) => typeof one === 'string') ?? [],
    );
    const item = children.length > 0 && draw.chance(0.9) ? draw.from(children) : anyElement(project, draw);
    const at = draw.from([...project.breakpoints.map(({ id }) => id), 'bgone']);
    const copy = draw.chance(0.3) ? { copy: anyElement(project, draw) } : {};
    return { type: 'setDrops', node, drops: draw.chance(0.2) ? null : { items: [{ item, at, ...copy }] } };
  },
  (project, draw) => ({
    type: 'setPictures',
    node: draw.chance(0.8) ? anyImage(project, draw) : anyElement(project, draw),
    pictures: draw.chance(0.2)
      ? null
      : Object.fromEntries(
          draw
            .some([...project.breakpoints.map(({ id }) => id), 'bgone', ...(draw.chance(0.05) ? ['base'] : [])], 3)
            .map((at) => [at, anyOf(project.pictures, draw, 'pgone')]),
        ),
  }),
  (project, draw) => ({ type: 'setKind', node: anyElement(project, draw), kind: draw.from(['krow', 'kgrid', null] as const) }),
  (project, draw) => ({
    type: 'setAttribute',
    node: anyElement(project, draw),
    name: draw.from([
      'title',
      'id',
      'href',
      'src',
      'constructor',
      'type',
      'disabled',
      'checked',
      'aria-current',
      'popovertarget',
    ]),
    value: draw.from(['x', '#', 'picture:pa', 'email', 'javascript:1', null]),
  }),
  (project, draw) => ({
    type: 'carryShared',
    node: anyElement(project, draw),
    shared: draw.some(
      project.shared.map(({ id }) => id),
      4,
    ),
  }),
  (project, draw, odd) => ({
    type: 'addShared',
    style: {
      ...{ id: draw.id('s').slice(0, 5), name: draw.from(NAMES), styles: anyStyles(project, draw, odd) },
      ...anyPseudoStyles(project, draw, odd),
    },
    carriers: draw.chance(0.5) ? [{ node: anyElement(project, draw), place: draw.below(3) }] : [],
    ...place(draw),
  }),
  (project, draw) => ({ type: 'removeShared', id: anyOf(project.shared, draw, 'sgone') }),
  (project, draw) => ({
    type: 'changeShared',
    id: anyOf(project.shared, draw, 'sgone'),
    ...(draw.chance(0.5) ? { name: draw.from(NAMES) } : { index: draw.below(4) }),
  }),
  (project, draw) => ({ type: 'removeBreakpoint', id: anyOf(project.breakpoints, draw, 'bgone') }),
  (project, draw) => ({ type: 'renameBreakpoint', id: anyOf(project.breakpoints, draw, 'bgone'), name: draw.from(NAMES) }),
  (project, draw) => ({
    type: 'moveBreakpoint',
    id: anyOf(project.breakpoints, draw, 'bgone'),
    edge: 30 + draw.below(1500),
    ...(draw.chance(0.3) && { side: draw.from(['from', 'below'] as const) }),
    ...place(draw),
  }),
  (project, draw) => {
    const id = anyOf(project.breakpoints, draw, 'bgone');
    return draw.from<Edit>([
      { type: 'changeBreakpoint', id, condition: anyCondition(draw), ...place(draw) },
      {
        type: 'changeBreakpoint',
        id,
        also: draw.some(
          project.breakpoints.map((one) => one.id),
          3,
        ),
      },
      { type: 'changeBreakpoint', id, index: draw.below(4) },
    ]);
  },
  (_, draw) => ({
    type: 'addSheet',
    sheet: {
      id: draw.id('t').slice(0, 5),
      name: 'Old',
      css: draw.from([
        'p { color: red } @media (max-width: 500px) { li { padding: 4px !important } }',
        '.card, a:hover { color: red }',
        'nothing',
        'p { color: red }\u0000',
      ]),
    },
    ...place(draw),
  }),
  (project, draw) => ({
    type: 'changeSheet',
    id: anyOf(project.sheets, draw, 'tgone'),
    css: draw.from(['div { gap: 9px }', '@import "x"']),
  }),
  (project, draw) => ({ type: 'removeSheet', id: anyOf(project.sheets, draw, 'tgone') }),
  (_, draw) => ({
    type: 'addPicture',
    picture: {
      id: draw.from(['pa', 'pb', 'pc']),
      fileName: `${draw.from(['a', 'b', 'c'])}.svg`,
      svg: draw.from(['<svg xmlns="http://www.w3.org/2000/svg"/>', '<svg onload="x"/>']),
    },
    ...place(draw),
  }),
  (_, draw) => ({
    type: 'addFiles',
    files: ['img/b.png', 'img/a.png', draw.from(['../c.png', 'd.woff2'])]
      .slice(draw.below(3))
      .map((path) => ({ ...{ path, type: 'image/png', hash: draw.from(['0', 'f', 'g']).repeat(64), bytes: draw.below(900) } })),
  }),
  (project, draw) => ({ type: 'removeFiles', paths: [draw.from([...project.files.map(({ path }) => path), 'gone.png'])] }),
  (project, draw) => ({
    type: 'completePage',
    page: anyOf(project.pages, draw, 'ggone'),
    sheets: draw.chance(0.5) ? [] : [{ sheet: anyOf(project.sheets, draw, 'tgone') }],
    leftOut: [{ reason: 'missing', file: 'a.html', what: draw.from(['a.png', 'b.css']) }],
  }),
  (project, draw) => ({ type: 'removePicture', id: anyOf(project.pictures, draw, 'pgone') }),
  (project, draw, odd) => ({
    type: 'addBlock',
    block: {
      id: draw.id('o').slice(0, 5),
      name: draw.from(NAMES),
      elements: draw.chance(0.5) ? anyTree(project, draw, odd) : copied(project, anyElement(project, draw), draw),
    },
    ...place(draw),
  }),
  (project, draw) => ({ type: 'renameBlock', id: anyOf(project.blocks, draw, 'ogone'), name: draw.from(NAMES) }),
  (project, draw) => ({ type: 'removeBlock', id: anyOf(project.blocks, draw, 'ogone') }),
  (project, draw) => ({
    type: 'setColumns',
    page: draw.from([null, ...project.pages.map(({ id }) => id)]),
    at: anyPlace(project, draw),
    grid: draw.chance(0.3)
      ? null
      : { columns: 1 + draw.below(16), gutter: draw.below(90), margin: draw.below(60), align: 'left', columnLeast: 0 },
  }),
  (project, draw) => ({
    type: 'saveGrid',
    grid: {
      id: draw.from(['na', 'nb', 'nc']),
      name: draw.from(NAMES),
      grid: { columns: 6, gutter: 0, margin: 0, align: 'centre', columnLeast: 20 },
    },
    ...place(draw),
  }),
  (project, draw) => ({ type: 'removeGrid', id: anyOf(project.grids, draw, 'ngone') }),
  (project, draw) => ({
    type: 'saveArranged',
    arranged: {
      ...{ id: draw.from(['va', 'vb', 'vc']), name: draw.from(NAMES), kind: 'drawer', back: '[]' },
      node: anyElement(project, draw).split('.')[0]!,
    },
    ...place(draw),
  }),
  (project, draw) => ({ type: 'removeArranged', id: anyOf(project.arranged, draw, 'vgone') }),
  (_, draw) => ({
    type: 'saveRecipe',
    recipe: { id: draw.from(['ya', 'yb']), name: draw.from(NAMES), shape: { '': 'div' }, edits: '[]' },
    ...place(draw),
  }),
  (project, draw) => ({ type: 'removeRecipe', id: anyOf(project.recipes, draw, 'ygone') }),
  (project, draw) => ({
    type: 'saveDevice',
    device: {
      ...draw.from(project.devices),
      ...(draw.chance(0.5) && { id: draw.id('d').slice(0, 5), name: draw.from(NAMES) }),
      width: 100 + draw.below(900),
    },
    ...place(draw),
  }),
  (project, draw) => ({ type: 'removeDevice', id: anyOf(project.devices, draw, 'dgone') }),
  (project, draw) => {
    const set = draw.from(project.deviceSets);
    return {
      type: 'saveDeviceSet',
      set: { ...set, ...(draw.chance(0.5) && { id: `${set.id.slice(0, 1)}${draw.below(50)}`, name: draw.from(NAMES) }) },
      ...place(draw),
    };
  },
  (project, draw) => ({ type: 'removeDeviceSet', id: anyOf(project.deviceSets.slice(1), draw, 'xgone') }),
  (_, draw) => ({
    type: 'tuneCheck',
    check: draw.from(['small-target', 'constructor', 'valueOf']),
    tuning: draw.from([null, { off: true as const }, { limits: { least: 20 } }]),
  }),
  (project, draw) => ({
    type: 'acceptFinding',
    check: 'small-text',
    element: anyElement(project, draw),
    reason: draw.from(['It is a caption.', null, ' x ']),
  }),
];
