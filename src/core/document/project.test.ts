import { CATALOGUE, DEVICE_SETS } from '../devices';
import { demoProject } from '@/demo';
import { surroundings, whyNotAttribute, whyNotConforming, whyNotKept } from './html';
import { kept } from './expand';
import { readProject } from './migrate';
import { newProject } from './new-project';
import { suggestName } from './element';

const demo = () =>
  structuredClone(kept(demoProject('00000000-0000-4000-8000-000000000000'))) as unknown as Record<string, never> & {
    pages: {
      elements: Record<string, { children: string[]; styles: Record<string, unknown>; attributes: Record<string, string> }>;
      root: string;
    }[];
  };

test('a document of version 0 is led to the current one', () => {
  const {
    schema: _,
    baseName: __,
    devices: ___,
    deviceSets: _________,
    kinds: ____,
    sheets: _____,
    blocks: ______,
    columns: _______,
    grids: ________,
    audit: __________,
    parts: ___________,
    ...old
  } = newProject('00000000-0000-4000-8000-000000000000', 'Old');
  expect(readProject(old)).toMatchObject({
    schema: 17,
    baseName: 'Base',
    devices: CATALOGUE,
    deviceSets: DEVICE_SETS,
    name: 'Old',
    kinds: {},
    sheets: [],
    blocks: [],
    parts: [],
    columns: {},
    grids: [],
    audit: { checks: {}, accepted: [] },
  });
});

test('a picture that an earlier version took with more in it than it may hold is cleaned when it is read', () => {
  const svg = '<svg xmlns="http://www.w3.org/2000/svg"><x:script>a()</x:script><rect style="mask:url(//x)" width="4"/></svg>';
  const { pictures } = demo() as unknown as { pictures: object[] };
  const old = { ...demo(), schema: 5, pictures: [...pictures, { id: 'px', fileName: 'x.svg', svg }] };
  expect(readProject(old).pictures.at(-1)!.svg).toBe('<svg xmlns="http://www.w3.org/2000/svg"><rect width="4"/></svg>');
});

test.each<[string, (document: ReturnType<typeof demo>) => unknown, RegExp]>([
  ['a newer version', (document) => ({ ...document, schema: 99 }), /newer Mill Pond/],
  ['no document', () => 'text', /isn't a project/],
  ['an orphan', (document) => (document.pages[0]!.elements[document.pages[0]!.root]!.children.pop(), document), /stand nowhere/],
  [
    'an element in two places',
    (document) => (document.pages[0]!.elements[document.pages[0]!.root]!.children.push('efront1'), document),
    /two places/,
  ],
  [
    'a missing breakpoint',
    (document) => ((document.pages[0]!.elements.efront1!.styles.bnone = { color: 'red' }), document),
    /isn't there/,
  ],
  [
    'a missing picture',
    (document) => (
      (Object.values(document.pages[0]!.elements).find((e) => e.attributes.src)!.attributes.src = 'picture:pnone'),
      document
    ),
    /picture that isn't there/,
  ],
  [
    'a script in a picture',
    (document) => ({ ...document, pictures: [{ id: 'px', fileName: 'x.svg', svg: '<svg><script/></svg>' }] }),
    /may not hold/,
  ],
  [
    'a link in a picture',
    (document) => ({ ...document, pictures: [{ id: 'px', fileName: 'x.svg', svg: '<svg><image href="http://x"/></svg>' }] }),
    /may not hold/,
  ],
])('refuses %s', (_, change, message) => {
  expect(() => readProject(change(demo()))).toThrow(message);
});

test.each([
  ['li', 'ul', 'yes'],
  ['li', 'div', 'kept'],
  ['div', 'p', 'no'],
  ['div', 'h2', 'kept'],
  ['h3', 'h2', 'no'],
  ['span', 'p', 'yes'],
  ['a', 'a', 'no'],
  ['button', 'a', 'kept'],
  ['tr', 'table', 'no'],
  ['div', 'img', 'no'],
  ['body', 'div', 'no'],
  ['h2', 'summary', 'yes'],
  ['div', 'summary', 'kept'],
  ['option', 'select', 'yes'],
  ['span', 'option', 'no'],
  ['source', 'picture', 'yes'],
  ['source', 'div', 'kept'],
  ['rt', 'ruby', 'yes'],
  ['my-card', 'p', 'yes'],
  ['div', 'my-card', 'yes'],
  ['script', 'div', 'kept'],
  ['applet', 'div', 'no'],
] as const)('%s in %s: %s', (child, parent, may) => {
  const around = surroundings(parent);
  const kept = whyNotKept(child, around) === undefined;
  expect(!kept ? 'no' : whyNotConforming(child, around) === undefined ? 'yes' : 'kept').toBe(may);
});

test('a block can not hide in a link inside a paragraph', () => {
  expect(whyNotKept('div', surroundings('a', surroundings('p')))).toMatch(/<p> holds text/);
  expect(whyNotConforming('div', surroundings('a', surroundings('h2')))).toMatch(/<h2> holds text/);
  expect(whyNotConforming('div', surroundings('a', surroundings('li')))).toBeUndefined();
});

test.each([
  ['a', 'href', 'javascript:alert(1)', false],
  ['a', 'href', 'https://example.org', true],
  ['a', 'onclick', 'x', false],
  ['div', 'style', 'x', false],
  ['img', 'src', 'https://example.org/x.png', false],
  ['img', 'src', 'picture:pa', true],
  ['input', 'type', 'image', false],
  // As documents have had them for long.
  ['a', 'href', 'tel:+49 30 123 456', true],
  ['a', 'href', 'https://example.org/a b', true],
  ['a', 'href', '', false],
  ['iframe', 'src', '\\\\example.org', false],
  ['a', 'href', ' javascript:alert(1)', false],
  ['a', 'href', 'java\tscript:alert(1)', false],
  ['a', 'href', 'data:text/html,x', false],
  ['a', 'href', 'tools/list.html?week=2#top', true],
  ['iframe', 'src', 'https://example.org', false],
  ['iframe', 'src', '//example.org', false],
  ['iframe', 'src', 'map.html', true],
  ['iframe', 'srcdoc', 'x', false],
  ['video', 'poster', 'picture:pa', true],
  ['my-card', 'anything', 'x', true],
  ['my-card', 'onclick', 'x', false],
  ['div', 'class', 'hero md:wide', true],
  ['div', 'class', 'mp-hover', false],
  ['canvas', 'width', '12px', false],
  ['div', 'aria-label', 'x', true],
] as const)('<%s %s="%s">: %s', (tag, name, value, may) => {
  expect(whyNotAttribute(tag, name, value) === undefined).toBe(may);
});

test('names come from content and role', () => {
  expect(suggestName('button', '  Reserve  it ')).toBe('Reserve it');
  expect(suggestName('ul')).toBe('List');
  expect(suggestName('p', 'x'.repeat(60))).toHaveLength(28);
});
