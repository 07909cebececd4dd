import { demoProject } from '@/demo';
import type { Edit } from '../edits';
import { applyEdit } from '../edits';
import type { PageElement, Project } from '../document';
import { newProject } from '../document';
import { writeDeclarations } from './declarations';
import { renderExport } from './export';
import { escapeAttribute, escapeText } from './markup';
import { patchBetween, renderPreview } from './preview';
import { slugOf } from '../document/class-names';

const demo = demoProject('00000000-0000-4000-8000-000000000000');
const files = (project: Project) =>
  new Map(renderExport(project).map((file) => [file.path, 'text' in file.content ? file.content.text : '']));

test('the same project gives the same bytes', () => {
  expect(renderExport(demo)).toEqual(renderExport(structuredClone(demo) as Project));
});

test('an export is pages, a sheet, pictures and fonts, with nothing of the program in it', () => {
  const out = files(demo);
  expect([...out.keys()].filter((path) => !path.startsWith('pictures/'))).toEqual([
    'index.html',
    'catalogue.html',
    'tool.html',
    'hours.html',
    'join.html',
    'all-tools.html',
    'styles.css',
    'behaviour.js',
    'fonts/schibsted-grotesk.woff2',
  ]);
  expect([...out.values()].join('')).not.toMatch(/data-mp|mill.?pond/i);
  expect(out.get('index.html')).toContain('href="catalogue.html"');
  expect(out.get('index.html')).toContain('src="pictures/shop-front-street-1280.jpg"');
});

const REDUCED = '(prefers-reduced-motion: no-preference)';

test('conditions are written in range syntax, in the order of the cascade', () => {
  const queries = [
    ...files(demo)
      .get('styles.css')!
      .matchAll(/@media (.*) \{/g),
  ].map((match) => match[1]);
  expect(new Set(queries)).toEqual(
    new Set(['(width >= 1600px)', '(width < 900px)', '(width < 600px)', '(width >= 600px)', REDUCED]),
  );
});

test('longhands are gathered into the shortest shorthand', () => {
  const write = (declarations: Record<string, string>) => writeDeclarations(declarations, (_, value) => value);
  expect(write({ 'padding-top': '0', 'padding-right': '24px', 'padding-bottom': '0', 'padding-left': '24px' })).toEqual([
    'padding: 0 24px;',
  ]);
  expect(write({ 'padding-top': '0', 'padding-left': '24px' })).toEqual(['padding-top: 0;', 'padding-left: 24px;']);
  expect(write({ 'row-gap': '8px', 'column-gap': '8px' })).toEqual(['gap: 8px;']);
  expect(write({ 'margin-top': 'inherit', 'margin-right': '1px', 'margin-bottom': '1px', 'margin-left': '1px' })).toHaveLength(4);
});

test('text and attributes are escaped', () => {
  expect(escapeText('<b>&\u00a0')).toBe('&lt;b&gt;&amp;&nbsp;');
  expect(escapeAttribute('"<')).toBe('&quot;&lt;');
});

test('two elements of one name get two classes; a name of signs only still gets one', () => {
  const text = (id: string, name: string): PageElement => ({
    id,
    tag: 'p',
    name,
    attributes: {},
    children: [{ text: 'x' }],
    shared: [],
    styles: { base: { color: 'red' } },
  });
  const empty = newProject('00000000-0000-4000-8000-000000000000', 'T');
  const page = empty.pages[0]!;
  const root = page.elements[page.root]!;
  const elements = {
    ...page.elements,
    [root.id]: { ...root, children: ['ea', 'eb', 'ec'] },
    ea: text('ea', 'Tool card'),
    eb: text('eb', 'Tool card'),
    ec: text('ec', '***'),
  };
  const css = files({ ...empty, pages: [{ ...page, elements }] }).get('styles.css')!;
  expect(css).toContain('.tool-card {');
  expect(css).toContain('.tool-card-2 {');
  expect(css).toContain('.part {');
  expect(slugOf('9 Äpfel')).toBe('n-9-apfel');
});

test('a changed value is one rule to patch; a first override is a block; a text is a body', () => {
  const page = demo.pages[1]!;
  const cards = Object.values(page.elements).find((element) => element.name === 'Tool cards')!;
  const note = Object.values(page.elements).find((element) => element.name === 'Notice')!;
  const preview = (project: Project) => renderPreview(project, project.pages[1]!, () => 'data:,');
  const patch = (edit: Parameters<typeof applyEdit>[1]) => patchBetween(preview(demo), preview(applyEdit(demo, edit).document));
  expect(patch({ type: 'setStyle', owner: cards.id, at: 'bmiddle', property: 'gap', value: '9px' })).toMatchObject({
    kind: 'rules',
    changes: [{ css: expect.stringContaining('gap: 9px') }],
  });
  expect(patch({ type: 'setStyle', owner: note.id, at: 'bnarrow', property: 'width', value: 'auto' }).kind).toBe('blocks');
  expect(patch({ type: 'setText', node: note.id, text: 'x' }).kind).toBe('body');
  expect(patch({ type: 'renameBreakpoint', id: 'bmiddle', name: 'M' }).kind).toBe('none');
});

test('links lead to pages and to places on them; where there is no page they lead nowhere', () => {
  const link = (id: string, attributes: Record<string, string>): Edit => ({
    ...{ type: 'insertElement', page: 'gfirst', parent: 'efirstmain', index: 0 },
    elements: [{ ...{ id, tag: 'a', name: id, shared: [], styles: {}, children: [] }, attributes }],
  });
  const edits: Edit[] = [
    link('ea', { href: 'page:gfirst#top', title: 'page:gfirst' }),
    link('eb', { href: 'page:ggone#top' }),
    link('ec', { href: 'page:gfirst' }),
  ];
  const project = edits.reduce(
    (one, edit) => applyEdit(one, edit).document,
    newProject('00000000-0000-4000-8000-000000000000', 'x'),
  );
  const links = [
    ...files(project)
      .get('index.html')!
      .matchAll(/<a (.*?)>/g),
  ].map(([, said]) => said);
  expect(links).toEqual(['href="index.html"', 'href="#"', 'href="index.html#top" title="page:gfirst"']);
});
