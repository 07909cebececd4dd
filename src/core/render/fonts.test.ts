import type { FontFace, Project } from '../document';
import { newProject } from '../document';
import { makeEdit } from '../edits';
import { charactersOf } from './characters';
import { addedFonts, familyValue, fontsUsed, writeFontFaces } from './fonts';
import { renderExport } from './index';

const FACE: FontFace = {
  ...{ family: 'Quay Sans', weight: '100 900', style: 'normal', licence: 'Open' },
  fallback: { local: 'Arial', sizeAdjust: 104.5, ascent: 92, descent: 24, lineGap: 0 },
};
const added = (project: Project, family = FACE.family): Project =>
  makeEdit(project, {
    type: 'addFiles',
    files: [{ path: `fonts/${family}.ttf`, type: 'font/ttf', hash: 'a'.repeat(64), bytes: 9, font: { ...FACE, family } }],
  }).document;
const start = newProject('00000000-0000-4000-8000-000000000000', 'Fonts');
const using = (project: Project): Project =>
  makeEdit(project, { type: 'setStyle', owner: 'efirsth', at: 'base', property: 'font-family', value: familyValue(FACE) })
    .document;

test('fonts that are named are written, with what stands in for them', () => {
  const project = added(added(using(start)), 'Other Sans');
  expect(addedFonts(project)).toHaveLength(2);
  const used = fontsUsed(project);
  expect(used.added.map(({ font }) => font.family)).toEqual(['Quay Sans']);
  const css = writeFontFaces(used, { bundled: () => 'b', added: ({ type }) => ({ address: 'x.ttf', type }) });
  expect(css).toContain(
    'font-family: "Quay Sans";\n  font-style: normal;\n  font-weight: 100 900;\n  font-display: swap;\n  src: url("x.ttf") format("truetype");',
  );
  expect(css).toContain(
    'font-family: "Quay Sans fallback";\n  src: local("Arial"), local("Liberation Sans");\n  size-adjust: 104.5%;\n  ascent-override: 92%;',
  );
  expect(css).not.toContain('Other Sans');
});

test('an export has as much of them as its texts need, and their licences', () => {
  const files = renderExport(added(using(start)));
  const font = files.find(({ content }) => 'added' in content)!;
  expect(font.path).toMatch(/^fonts\/quay-sans-100-900-aaaaaa\.woff2$/);
  const text = (path: string) =>
    files.flatMap(({ path: one, content }) => (one === path && 'text' in content ? content.text : [])).join();
  expect(text('styles.css')).toContain(`src: url("${font.path}") format("woff2")`);
  expect(text('fonts/LICENCES.txt')).toContain('Open');
  expect(renderExport(added(start)).some(({ path }) => path.includes('quay'))).toBe(false);
});

test('the characters of a project are those of its texts, in both cases, and the usual ones', () => {
  const project = makeEdit(start, { type: 'setText', node: 'efirsth', text: 'Łódź 東' }).document;
  const characters = charactersOf(project);
  for (const one of 'Łłódź東DÓ–€ aZ~ü') expect(characters).toContain(one);
  expect(new Set(characters).size).toBe([...characters].length);
});
