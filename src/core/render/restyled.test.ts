import type { Project } from '../document';
import { applyEdit } from '../edits';
import type { Edit } from '../edits';
import { HEADING, insert, make, MIDDLE, NARROW, set, shared, TEXT } from '../edits/project-for-tests';
import type { Preview } from './index';
import { renderPreview, restyledPreview } from './index';

const preview = (project: Project) => renderPreview(project, project.pages[0]!, () => 'data:,');
const project = make(
  MIDDLE,
  NARROW,
  shared(TEXT),
  insert('e1', 'div'),
  set(TEXT, 'base', 'width', '9px'),
  set(TEXT, 'bm', 'width', '5px'),
  set(HEADING, 'base', 'color', 'red'),
  set('sx', 'base', 'color', 'red'),
);
const shown = { project, page: project.pages[0]!, preview: preview(project) };
const after = (edit: Edit) => {
  const next = applyEdit(project, edit).document;
  return { next, quick: restyledPreview(shown, next, next.pages[0]!) };
};

test.each<[string, Edit, string]>([
  ['a value at the base', set(TEXT, 'base', 'width', '10px'), 'width: 10px;'],
  ['a value under a breakpoint', set(TEXT, 'bm', 'width', '6px'), 'width: 6px;'],
  ['one more value in a rule', set(TEXT, 'bm', 'height', '6px'), 'width: 5px; height: 6px;'],
])('%s goes the short way, and comes to the same', (_, edit, css) => {
  const { next, quick } = after(edit);
  expect(quick!.patch).toEqual({ kind: 'rules', changes: [expect.objectContaining({ css })] });
  const said = (one: Preview) => ({ ...one, body: one.body() });
  expect(said(quick!.preview)).toEqual(said(preview(next)));
});

test.each<[string, Edit]>([
  ['a first value, which brings a class', set('e1', 'base', 'width', '10px')],
  ['a first value under a breakpoint, which brings a rule', set(TEXT, 'bn', 'width', '10px')],
  ['a last value', { type: 'clearStyle', owner: HEADING, at: 'base', property: 'color' }],
  ['a family, which may bring a font', set(TEXT, 'base', 'font-family', 'Georgia')],
  ['a variable, which may name a font', set(TEXT, 'base', '--x', '1px')],
  ['a text', { type: 'setText', node: TEXT, text: 'Other' }],
  ['a shared style', set('sx', 'base', 'color', 'blue')],
  ['a kind', set('kbutton', 'base', 'color', 'blue')],
  ['a breakpoint', { type: 'moveBreakpoint', id: 'bm', edge: 800 }],
  ['a name, and so a class', { type: 'renameElement', node: TEXT, name: 'Other' }],
  ['an element', { type: 'removeElement', node: 'e1' }],
])('%s goes the long way', (_, edit) => {
  expect(after(edit).quick).toBeUndefined();
});

test('what changes nothing is no patch', () => {
  expect(restyledPreview(shown, { ...project }, shown.page)!.patch).toEqual({ kind: 'none' });
});
