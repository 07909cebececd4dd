import { newProject } from '../document';
import type { Project } from '../document';
import type { Edit } from '../edits';
import { makeEdit } from '../edits';
import { bringIn, bringInEdit, handedBack } from './index';
import { hashForTests } from './hash-for-tests';

const start = newProject('00000000-0000-4000-8000-000000000000', 'Brought in');

const HTML = `<!DOCTYPE html>
<html>
  <head>
    <title>Boats</title> <!-- kept -->
    <link rel='stylesheet' href=a.css>
    <script>if (1 < 2) go();</script>
  </head>
  <body onload=start()>
    <h1 CLASS='big'  id=top>Boats &amp; oars</h1>
    <p>One<br/>two <!-- and --> <b>three</b>.
    <ul><li>A<li>B</ul>
    <table><tr><td>1</table>
  </body>
</html>
`;

function brought(html: string | Uint8Array): { project: Project; back: (project: Project) => Record<string, string> } {
  const bytes = typeof html === 'string' ? new TextEncoder().encode(html) : html;
  const files = [
    { path: 'docs/index.html', bytes },
    { path: 'docs/a.css', bytes: new TextEncoder().encode('#top { color: red }') },
  ];
  const read = bringIn(files, { project: { ...start, pages: [] }, hash: hashForTests, key: 'k' });
  return {
    project: makeEdit({ ...start, pages: [] }, bringInEdit(read)).document,
    back: (project) =>
      Object.fromEntries(
        handedBack(project, (one) => read.bytes.get(one)?.bytes).map((one) => [
          one.path,
          Buffer.from(one.bytes).toString('latin1'),
        ]),
      ),
  };
}

const { project, back } = brought(HTML);
const idOf = (tag: string, n = 0) => Object.values(project.pages[0]!.elements).filter((one) => one.tag === tag)[n]!.id;
const after = (...edits: readonly Edit[]) => back(edits.reduce((one, edit) => makeEdit(one, edit).document, project));

test('without a change every file is the same bytes, and nothing is linked', () => {
  expect(back(project)).toEqual({ 'docs/index.html': HTML, 'docs/a.css': '#top { color: red }' });
});

test('a value becomes a class and a rule that stands above the page’s own, linked behind them; all else stays', () => {
  const files = after({ type: 'setStyle', owner: idOf('h1'), at: 'base', property: 'color', value: 'blue' });
  expect(files['docs/index.html']).toBe(
    HTML.replace("CLASS='big'", 'class="big boats-oars"').replace(
      '  </head>',
      '    <link rel="stylesheet" href="index-additions.css">\n  </head>',
    ),
  );
  expect(files['docs/index-additions.css']).toMatch(/\*\/\n\.boats-oars:not\(#mp#mp\) \{\n {2}color: blue;\n\}\n$/);
});

const ADDED = { id: 'eadded', tag: 'em', name: 'Added', attributes: {}, children: [{ text: 'a < b' }], shared: [], styles: {} };
test.each<[string, Edit, (html: string) => string]>([
  [
    'a text',
    { type: 'setText', node: idOf('h1'), text: 'Oars < boats' },
    (html) => html.replace('Boats &amp; oars', 'Oars &lt; boats'),
  ],
  ['an attribute', { type: 'setAttribute', node: idOf('h1'), name: 'id', value: null }, (html) => html.replace('  id=top', ' ')],
  [
    'an attribute that is new',
    { type: 'setAttribute', node: idOf('br'), name: 'title', value: 'x' },
    (html) => html.replace('<br/>', '<br title="x"/>'),
  ],
  [
    'an element in a text',
    { type: 'insertElement', page: project.pages[0]!.id, parent: idOf('p'), index: 2, elements: [ADDED] },
    (html) => html.replace('<ul>', '<em>a &lt; b</em><ul>'),
  ],
  ['an element gone', { type: 'removeElement', node: idOf('li') }, (html) => html.replace('<li>A', '')],
  [
    'an element of an implied one',
    { type: 'removeElement', node: idOf('tr') },
    (html) => html.replace('<tr><td>1', '<tbody></tbody>'),
  ],
  [
    'an implied element',
    { type: 'setAttribute', node: idOf('tbody'), name: 'title', value: 'x' },
    (html) => html.replace('<tr><td>1', '<tbody title="x"><tr><td>1</tbody>'),
  ],
  [
    'the order',
    { type: 'moveElement', node: idOf('li', 1), parent: idOf('ul'), index: 0 },
    (html) => html.replace('<li>A<li>B', '<li>B<li>A'),
  ],
])('a change of %s changes that alone', (_, edit, wanted) => {
  expect(after(edit)['docs/index.html']).toBe(wanted(HTML));
});

test('what is removed leaves its style sheets, which the page has still; what is written anew has scripts and sheets as they were', () => {
  const styled = brought(
    '<!doctype html><title>x</title><div id=a><style>p { color: red }</style><script>go()</script><p>One</div><p>Two<script>went()</script></p></p>',
  );
  const { elements } = styled.project.pages[0]!;
  const [box] = Object.values(elements).filter(({ tag }) => tag === 'div');
  const without = makeEdit(styled.project, { type: 'removeElement', node: box!.id }).document;
  expect(styled.back(without)['docs/index.html']).toBe(
    '<!doctype html><title>x</title>\n<style>p { color: red }</style><p>Two<script>went()</script></p></p>',
  );
  const two = Object.values(elements).filter(({ tag }) => tag === 'p')[1]!.id;
  const anew = makeEdit(without, { type: 'removeElement', node: two }).document;
  expect(styled.back(anew)['docs/index.html']).toContain('<style>p { color: red }</style>');
});

test('a tag that was left out because of what is gone is not missed: the body is written anew then', () => {
  const odd = brought('<!doctype html><title>x</title><p>One<p>Two</p></p><table></table>');
  const { elements } = odd.project.pages[0]!;
  const two = Object.values(elements).filter(({ tag }) => tag === 'p')[1]!.id;
  const changed = makeEdit(odd.project, { type: 'removeElement', node: two }).document;
  expect(odd.back(changed)['docs/index.html']).toBe(
    '<!doctype html><title>x</title><body><p>One</p><p></p><table></table></body>',
  );
});

test('a file in another encoding is written in it, what it has no byte for as a reference', () => {
  const old = brought(Buffer.from('<meta charset=windows-1252><p>gr\xfcn</p><i>\x93x\x94</i>', 'latin1'));
  const paragraph = Object.values(old.project.pages[0]!.elements).find(({ tag }) => tag === 'p')!.id;
  const changed = makeEdit(old.project, { type: 'setText', node: paragraph, text: '“blau” Ж' }).document;
  expect(old.back(changed)['docs/index.html']).toBe('<meta charset=windows-1252><p>\x93blau\x94 &#x416;</p><i>\x93x\x94</i>');
});

test('alternates and panels come along: classes, a popover with its script, a template for what is built later; all else stays', () => {
  const page = `<!DOCTYPE html>
<body>
<button type="button">Menu</button>
<nav id=menu><a href="#a">A</a></nav>
<p>A long text</p><p>Short</p>
</body>
`;
  const one = brought(page);
  const of = (tag: string, n = 0) =>
    Object.values(one.project.pages[0]!.elements).filter((element) => element.tag === tag)[n]!.id;
  const edits: Edit[] = [
    { type: 'addBreakpoint', breakpoint: { id: 'bn', name: 'Narrow', condition: { below: 600 } } },
    { type: 'setPanel', node: of('nav'), panel: { kind: 'drawer', at: { base: false, bn: true }, locks: true, outside: true } },
    { type: 'setAttribute', node: of('button'), name: 'popovertarget', value: 'menu' },
    { type: 'setAlternate', node: of('p'), alternate: { set: 'ha', at: ['base'] } },
    { type: 'setAlternate', node: of('p', 1), alternate: { set: 'ha', at: ['bn'], later: true } },
  ];
  const files = one.back(edits.reduce((before, edit) => makeEdit(before, edit).document, one.project));
  const html = files['docs/index.html']!;
  expect(html).toContain('<button type="button" popovertarget="menu">Menu</button>');
  expect(html).toMatch(/<nav id=menu class="[^"]+" popover="auto" data-panel="locks"><a href="#a">A<\/a><\/nav>/);
  expect(html).toMatch(
    /<p class="a-long-text">A long text<\/p><template class="short" data-later="ha"><p class="short">Short<\/p><\/template>/,
  );
  expect(html).toContain('<script src="index-behaviour.js" defer></script>');
  expect(Object.keys(files).sort()).toEqual(['docs/index-additions.css', 'docs/index-behaviour.js', 'docs/index.html']);
  expect(files['docs/index-additions.css']).toContain('@media (width >= 600px)');
});
