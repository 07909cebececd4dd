import type { Edit } from './edit';
import { makeEdit } from './make-edit';
import { HEADING, insert, MAIN, make, makeFrom, set, START, TEXT } from './project-for-tests';
import { readEdit, upgradedEdit } from './read-edit';

const element = (fields: object) => ({
  id: 'ex',
  tag: 'p',
  name: 'X',
  attributes: {},
  children: [],
  shared: [],
  styles: {},
  ...fields,
});
const inserting = (...elements: readonly object[]) => ({
  type: 'insertElement',
  page: 'gfirst',
  parent: MAIN,
  index: 0,
  elements,
});
const group = (edits: readonly unknown[]) => ({ type: 'group', label: 'x', edits });
const BREAKOUTS = [
  'none} body{background:url(http://elsewhere.example)',
  '</style><script>alert(1)</script>',
  'red;x:y',
  'url(http://elsewhere.example)',
];

test.each(BREAKOUTS)('%s stands in no value, whichever edit brings it', (value) => {
  const styles = { base: { color: value } };
  for (const edit of [
    set(TEXT, 'base', 'color', value),
    inserting(element({ styles })),
    { type: 'addShared', style: { id: 'sx', name: 'X', styles } },
    { type: 'addBlock', block: { id: 'ox', name: 'X', elements: [element({ styles })] } },
    {
      type: 'addBreakpoint',
      breakpoint: { id: 'bx', name: 'X', condition: { below: 700 } },
      overrides: { [TEXT]: { color: value } },
    },
    { type: 'restyle', label: 'x', changes: [{ owner: TEXT, at: 'base', property: 'color', value }] },
    { type: 'restyle', label: 'x', changes: [{ owner: TEXT, at: 'base', property: '--x', value }] },
  ])
    expect(() => makeEdit(START, readEdit(edit))).toThrow(/holds a character|picture in a value|can't be read/);
});

test.each(['constructor', 'toString', '__proto__', 'hasOwnProperty', 'script', ''])(
  '"%s" names no tag, no property, no attribute, no check',
  (name) => {
    // An element nobody knows is one, by whatever small letters it is called.
    if (name !== 'constructor')
      expect(() => makeEdit(START, readEdit(inserting(element({ tag: name }))))).toThrow(/isn't an element/);
    expect(() => makeEdit(START, readEdit(set(TEXT, 'base', name, 'red')))).toThrow(/isn't a property/);
    expect(() => makeEdit(START, readEdit({ type: 'clearStyle', owner: TEXT, at: 'base', property: name }))).toThrow(/no own/);
    expect(() => readEdit({ type: name })).toThrow(/no such kind of edit/);
    expect(() => makeEdit(START, readEdit({ type: 'setAttribute', node: TEXT, name, value: 'x' }))).toThrow(/attribute/);
    const given = JSON.parse(`{"${name}":"x"}`) as object;
    // A field that sets a prototype never gets as far as the document.
    if (name === '__proto__') {
      const read = readEdit(inserting(element({ attributes: given, styles: { base: given } })));
      return expect(JSON.stringify(read)).not.toContain('__proto__');
    }
    // An attribute that nobody knows is kept where it came with a page.
    const own = { ...element({}), attributes: given };
    if (!/^[a-z]+$/.test(name)) expect(() => readEdit(inserting(own))).toThrow(/attribute/);
    else expect(readEdit(inserting(own))).toMatchObject({ elements: [{ attributes: given }] });
    expect(() => readEdit(inserting(element({ styles: { base: given } })))).toThrow(/isn't a property/);
  },
);

test('the name of a check that is inherited from every object is a check like any other', () => {
  const tuned = makeEdit(START, readEdit({ type: 'tuneCheck', check: 'constructor', tuning: { off: true } }));
  expect(tuned.inverse).toEqual({ type: 'tuneCheck', check: 'constructor', tuning: null });
  expect(makeEdit(tuned.document, tuned.inverse).document).toEqual(START);
});

test.each(['a\u0000', '\ud800', 'x\udc00y'])('a text that JSONB would refuse is refused with its place', (text) => {
  expect(() => readEdit({ type: 'setText', node: TEXT, text })).toThrow(/can't be kept.*\(at text\)/);
  expect(() => readEdit(group([set(TEXT, 'base', 'color', 'red'), set(TEXT, 'base', '--x', text)]))).toThrow(
    /at edits\.1\.value/,
  );
  expect(() => readEdit(JSON.parse(`{"type":"setText","node":"${TEXT}","text":"x","${'\\ud800'}":1}`))).toThrow(/can't be kept/);
});

test('a group is bounded before any part of it is read, however it is nested', () => {
  const many = Array.from({ length: 700 }, () => ({ type: 'nonsense' }));
  expect(() => readEdit(group(Array.from({ length: 3 }, () => group(many))))).toThrow(/2100 changes at once; at most 2000/);
  expect(() => readEdit(group([group([group([group([group([])])])])]))).toThrow(/nested too deep/);
  expect(() => readEdit({ type: 'group', label: 'x', edits: 'none' })).toThrow(/needs a list/);
  expect(() => readEdit({ type: 'group', label: 7, edits: [] })).toThrow(/label/);
  expect(() => readEdit({ ...group([]), more: 1 })).toThrow(/has no "more"/);
});

test('reading stops at the first thing that is wrong and says where it is', () => {
  let read = 0;
  const trap = (value: unknown) =>
    Object.defineProperty({ type: 'setText', node: TEXT }, 'text', { enumerable: true, get: () => (read++, value) });
  expect(() => readEdit(group([trap(7), trap('x'), trap('y')]))).toThrow(/A text is needed\. \(at edits\.0\.text\)/);
  const changes = Array.from({ length: 5_000 }, () => ({ owner: TEXT, at: 'base', property: 'nonsense', value: 'x' }));
  expect(() => readEdit({ type: 'restyle', label: 'x', changes })).toThrow(
    /isn't a single property known here\. \(at changes\.0\.property\)/,
  );
  // Once when it is looked through for what can't be kept; the second and third are read no further.
  expect(read).toBeLessThan(6);
});

test('edits as logs of earlier versions hold them are read as they are written now', () => {
  const old = { type: 'setStyle', node: TEXT, at: 'base', property: 'color', value: 'red' };
  const { node, ...rest } = old;
  expect(readEdit(old)).toEqual({ ...rest, owner: node });
  expect(upgradedEdit(group([old]) as unknown as Edit)).toEqual(group([{ ...rest, owner: node }]));
});

const [link, form, button, paragraph] = ['a', 'form', 'button', 'p'].map((tag, i) => insert(`eo${i}`, tag, 0));
const NESTED: readonly (readonly [string, Edit, readonly object[], RegExp])[] = [
  [
    'a group with a link into a link',
    link!,
    [element({ tag: 'div', children: ['ei'] }), element({ id: 'ei', tag: 'a' })],
    /inside another link/,
  ],
  [
    'a form into a form',
    form!,
    [element({ tag: 'section', children: ['ei'] }), element({ id: 'ei', tag: 'form' })],
    /inside a form/,
  ],
  [
    'a button into a button',
    button!,
    [element({ tag: 'span', children: ['ei'] }), element({ id: 'ei', tag: 'button' })],
    /inside another link/,
  ],
  ['a block into a paragraph', paragraph!, [element({ tag: 'section' })], /holds text/],
];

test.each(NESTED)('%s: neither put in nor moved in, whatever stands between', (_, outer, elements, why) => {
  const parent = (outer as Extract<Edit, { type: 'insertElement' }>).elements[0]!.id;
  const project = makeFrom(START, outer);
  expect(() => makeEdit(project, readEdit({ ...inserting(...elements), parent }))).toThrow(why);
  const beside = makeFrom(project, {
    type: 'insertElement',
    page: 'gfirst',
    parent: MAIN,
    index: 0,
    elements: elements as never,
  });
  expect(() => makeEdit(beside, { type: 'moveElement', node: 'ex', parent, index: 0 })).toThrow(why);
  expect(() => makeEdit(beside, { type: 'moveElement', node: 'ex', parent: MAIN, index: 1 })).not.toThrow();
});

test('a chain moved into a chain counts with what it stands in', () => {
  const chain = (from: number, length: number) =>
    Array.from({ length }, (_, i) =>
      element({ id: `ec${from + i}`, tag: 'div', children: i < length - 1 ? [`ec${from + i + 1}`] : [] }),
    );
  const project = makeFrom(START, inserting(...chain(0, 80)) as Edit, inserting(...chain(100, 60)) as Edit);
  expect(() => makeEdit(project, { type: 'moveElement', node: 'ec100', parent: 'ec79', index: 0 })).toThrow(
    /nested deeper than 120/,
  );
  expect(() => makeEdit(project, { type: 'moveElement', node: 'ec100', parent: 'ec40', index: 0 })).not.toThrow();
});

test('a text that was cleared is none: something can stand there then, and undo brings both back', () => {
  const cleared = makeEdit(START, readEdit({ type: 'setText', node: TEXT, text: '' }));
  expect(cleared.document.pages[0]!.elements[TEXT]!.children).toEqual([]);
  const filled = makeEdit(cleared.document, readEdit({ ...inserting(element({ tag: 'span' })), parent: TEXT }));
  expect(makeEdit(makeEdit(filled.document, filled.inverse).document, cleared.inverse).document).toEqual(START);
  expect(() => makeEdit(START, readEdit({ ...inserting(element({ tag: 'section' })), parent: TEXT }))).toThrow(/holds text/);
  // A copy of an element whose text is empty can take something too.
  const copy = makeEdit(START, readEdit(inserting(element({ text: '' })))).document;
  expect(() => makeEdit(copy, readEdit({ ...inserting(element({ id: 'ey', tag: 'span' })), parent: 'ex' }))).not.toThrow();
});

test('many values are written with one copy of what they touch, and taken back in one edit', () => {
  const project = make(insert('ea', 'div'), insert('eb', 'div'));
  const edits = Array.from({ length: 600 }, (_, i): Edit => set(['ea', 'eb', HEADING][i % 3]!, 'base', `--v${i}`, `${i}px`));
  const applied = makeEdit(project, { type: 'group', label: 'Many', edits });
  expect(applied.inverse).toMatchObject({ type: 'group', edits: [{ type: 'restyle' }] });
  expect(applied.document.pages[0]!.elements[TEXT]).toBe(project.pages[0]!.elements[TEXT]);
  expect(makeEdit(applied.document, applied.inverse).document).toEqual(project);
  const clearing = edits.map((edit): Edit => ({
    type: 'clearStyle',
    owner: (edit as { owner: string }).owner,
    at: 'base',
    property: (edit as { property: string }).property,
  }));
  expect(makeEdit(applied.document, { type: 'group', label: 'None', edits: clearing }).document).toEqual(project);
  // What a run clears must be there by then.
  expect(() => makeEdit(project, { type: 'group', label: 'x', edits: [clearing[0]!, edits[0]!] })).toThrow(/no own/);
  expect(() => makeEdit(project, { type: 'group', label: 'x', edits: [edits[0]!, clearing[0]!, clearing[0]!] })).toThrow(
    /no own/,
  );
});

test('a picture element that shows none yet is given one, and undo takes it back', () => {
  const picture = { id: 'pa', fileName: 'a.svg', svg: '<svg xmlns="http://www.w3.org/2000/svg"/>' };
  const project = makeFrom(make(insert('eimg', 'img')), { type: 'addPicture', picture });
  const given = makeEdit(project, readEdit({ type: 'setAttribute', node: 'eimg', name: 'src', value: 'picture:pa' }));
  expect(makeEdit(given.document, given.inverse).document).toEqual(project);
  expect(() => makeEdit(given.document, { type: 'removePicture', id: 'pa' })).toThrow(/shows this picture/);
  expect(() => makeEdit(project, { type: 'setAttribute', node: 'eimg', name: 'src', value: 'picture:pgone' })).toThrow(
    /isn't there/,
  );
});
