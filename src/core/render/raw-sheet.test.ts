import type { Page, Project } from '../document';
import { newProject } from '../document';
import type { ImportedSheet } from '../document/project';
import { boostOver, rawBlocks } from './raw-sheet';

/** A page with sheets by their files; the first is linked. */
function page(files: Readonly<Record<string, string>>): [Project, Page] {
  const sheets = Object.entries(files).map(([file, css], i): ImportedSheet => ({ id: `t${i}`, name: file, css, file }));
  const start = newProject('00000000-0000-4000-8000-000000000000', 'Sheets');
  const brought = { file: 'a.html', base: '', source: 'x', html: {}, sheets: [{ sheet: 't0' }], leftOut: [] };
  const one = { ...start.pages[0]!, brought: brought as unknown as NonNullable<Page['brought']> };
  return [{ ...start, sheets, pages: [one] }, one];
}
const options = { addresses: { picture: () => '' } };

test.each([
  ['p { color: red }', 1],
  ['#a .b #c { color: red }', 3],
  ['#a { .b { #c, p { color: red } } }', 3],
  [':is(#a #b, p) #c { color: red } #d { color: red }', 4],
  ['p:has(#a) { color: #abcdef; background: url(#x) }', 2],
])('what is written here counts for more ids than %s', (css, ids) => {
  expect(boostOver(...page({ 'a.css': css }))).toBe(`:not(${'#mp'.repeat(ids)})`);
  expect(boostOver(...page({ 'a.css': '@import "b.css"; p { color: tan }', 'b.css': css }))).toBe(`:not(${'#mp'.repeat(ids)})`);
});

test('imports stand where they are asked for, under their conditions; those in a circle end', () => {
  const [project, one] = page({
    'a.css': '@layer x; @import "b.css" layer(x) screen; p { margin: 0 }',
    'b.css': '@import "a.css"; @import "c.css" layer; b { margin: 1px }',
    'c.css': '@import "b.css"; @import "gone.css" layer(late); i { margin: 2px',
  });
  expect(rawBlocks(project, one, options).map(({ raw }) => raw!.replace(/\s+/g, ' ').trim())).toEqual([
    '@layer x;',
    '@media screen { @layer x { @layer mp-import-0 { @layer late { } } } }',
    '@media screen { @layer x { @layer mp-import-0 { i { margin: 2px} } } }',
    '@media screen { @layer x { b { margin: 1px } } }',
    'p { margin: 0 }',
  ]);
});
