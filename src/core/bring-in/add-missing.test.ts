import type { Project } from '../document';
import { newProject } from '../document';
import { applyEdit, makeEdit } from '../edits';
import { addMissing } from './add-missing';
import { bringIn, bringInEdit } from './bring-in';
import type { PackageFile } from './bring-in';
import { hashForTests } from './hash-for-tests';

const text = (path: string, content: string): PackageFile => ({ path, bytes: new TextEncoder().encode(content) });
const kept = new Map<string, Uint8Array>();

function brought(files: readonly PackageFile[]): Project {
  const start = { ...newProject('00000000-0000-4000-8000-000000000000', 'Missing'), pages: [] };
  const read = bringIn(files, { project: start, hash: hashForTests, key: 'a' });
  for (const [hash, { bytes }] of read.bytes) kept.set(hash, bytes);
  return makeEdit(start, bringInEdit(read)).document;
}
const missing = (project: Project) =>
  project.pages.flatMap(({ brought: one }) => one!.leftOut.flatMap(({ reason, what }) => (reason === 'missing' ? [what] : [])));
const complete = (project: Project, ...files: PackageFile[]) =>
  addMissing(project, files, { hash: hashForTests, key: 'b', kept: (hash) => kept.get(hash) });

const PAGE =
  '<!doctype html><link rel=stylesheet href=css/gone.css><style>p { margin: 1px }</style><link rel=stylesheet href=css/there.css><p><img src=img/gone.png>';
const PACKAGE = [text('site/index.html', PAGE), text('site/css/there.css', 'p { color: red }')];

test('a style sheet that was missing gets its place, and what it asks for comes with it', () => {
  const project = brought(PACKAGE);
  expect(missing(project)).toEqual(['css/gone.css', 'img/gone.png']);
  const { edit, found, unasked } = complete(
    project,
    text('gone.css', 'p { padding: 3px; background: url(../img/back.png) } @import "no"'),
    text('back.png', 'PNG'),
    text('other.png', 'PNG'),
  );
  expect(found).toEqual(['site/css/gone.css', 'site/img/back.png']);
  expect(unasked).toEqual(['other.png']);
  const { document, inverse } = applyEdit(project, edit!);
  expect(missing(document)).toEqual(['img/gone.png']);
  const names = document.pages[0]!.brought!.sheets.map(({ sheet }) => document.sheets.find(({ id }) => id === sheet)!.name);
  expect(names).toEqual(['site/css/gone.css', 'index.html, style 2', 'site/css/there.css']);
  // Those that were there are the same ones.
  expect(document.sheets.slice(0, project.sheets.length).map(({ id }) => id)).toEqual(project.sheets.map(({ id }) => id));
  expect(document.files.map(({ path }) => path)).toEqual(['site/img/back.png']);
  expect(applyEdit(document, inverse).document).toEqual(project);
});

test('a file goes to every place that asks for its name; one that nobody asks for is told', () => {
  const project = brought([...PACKAGE, text('site/deep/two.html', '<img src=gone.png><img src="../img/gone.png">')]);
  const { edit, found } = complete(project, text('gone.png', 'PNG'));
  expect(found).toEqual(['site/img/gone.png', 'site/deep/gone.png']);
  expect(missing(applyEdit(project, edit!).document)).toEqual(['css/gone.css']);
  expect(complete(project, text('nobody.png', 'PNG'))).toMatchObject({ edit: undefined, unasked: ['nobody.png'] });
});
