import { planOf } from '../audit';
import { DEFAULT_SLICE } from '../breakpoints';
import { ComputedStyles } from '../cascade';
import type { Project } from '../document';
import { newProject, readProject } from '../document';
import { renderExport, renderPreview } from '../render';
import type { Edit } from './index';
import { describeEdit, EditError, makeEdit, readEdit } from './index';

const project = newProject('00000000-0000-4000-8000-000000000000', 'New');
const page = project.pages[0]!;
const set = (field: string, value: unknown) => readEdit({ type: 'setProject', field, value });
const sheetOf = (of: Project) => {
  const { content } = renderExport(of).find(({ path }) => path === 'styles.css')!;
  return 'text' in content ? content.text : '';
};

test.each<[string, unknown, RegExp]>([
  ['rootSize', 49, /at least 50%/],
  ['rootSize', 301, /at most 300%/],
  ['rootSize', '112.5%', /number of percent/],
  ['range', { first: 239, last: 600 }, /begins at 240 px at the narrowest/],
  ['range', { first: 320, last: 2561 }, /ends at 2560 px at the widest/],
  ['range', { first: 320.5, last: 600 }, /whole px/],
  ['range', { first: 600, last: 600 }, /narrower width than it ends at/],
  ['range', 600, /expected object/],
  ['queries', 'max', /ranges, or with min and max/],
  ['language', 'not a language', /en, de or pt-BR/],
])('%s as %j is refused with the reason', (field, value, reason) => {
  expect(() => makeEdit(project, set(field, value))).toThrow(EditError);
  expect(() => makeEdit(project, set(field, value))).toThrow(reason);
});

test('the root text size reaches everything in rem, on all pages, in the preview and the export, and comes back', () => {
  const edit: Edit = set('rootSize', 112.5);
  expect(describeEdit(project, edit)).toBe('Root text size: 112.5%');
  const { document, inverse, footprint } = makeEdit(project, edit);
  expect(Object.keys(footprint)).toEqual(expect.arrayContaining(document.pages.map(({ id }) => id)));
  const viewport = { ...DEFAULT_SLICE, width: 1000 };
  const sizes = (of: Project, text?: number) => {
    const styles = new ComputedStyles(of, of.pages[0]!, { ...viewport, ...(text && { text }) });
    return [styles.rootSize, styles.fontSize(page.root)];
  };
  expect([sizes(project), sizes(document), sizes(document, 2)]).toEqual([
    [16, 16],
    [18, 18],
    [36, 36],
  ]);
  expect(sheetOf(project)).not.toContain('html {');
  expect(sheetOf(document)).toContain('html {\n  font-size: 112.5%;\n}');
  expect(renderPreview(document, page, () => '').blocks.find(({ key }) => key === 'root')?.rules).toHaveLength(1);
  expect(makeEdit(document, inverse).document).toEqual(project);
});

test('the audit looks at the widths of the project, and at 320 by 256 px whatever they are', () => {
  const { document, footprint } = makeEdit(project, set('range', { first: 600, last: 900 }));
  expect(footprint).toEqual({});
  const plan = planOf(document, DEFAULT_SLICE);
  expect(plan[0]!.widths).toEqual(Array.from({ length: 301 }, (_, i) => 600 + i));
  expect(plan.find(({ view }) => view === 'reflow')).toMatchObject({ heights: [256], widths: [320] });
  expect(planOf(document, DEFAULT_SLICE)[0]!.widths).toBe(plan[0]!.widths);
});

test('projects of before keep the reader’s size, 320 to 1920 px, and what they asked of audits', () => {
  const { rootSize: _, audit, ...old } = project;
  const { range: __, ...asked } = audit;
  const accepted = [{ check: 'small-text', element: 'e1', reason: 'A caption.' }];
  const read = readProject({ ...structuredClone({ ...old, audit: { ...asked, accepted } }), schema: 10 });
  expect([read.rootSize, read.audit]).toEqual([100, { ...audit, accepted }]);
});
