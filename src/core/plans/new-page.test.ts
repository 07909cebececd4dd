import { demoProject } from '@/demo';
import { applyEdit } from '../edits';
import { kept, keptTree, readProject } from '../document';
import { freeFileName, freePageName, planPage } from './new-page';

const project = demoProject('00000000-0000-4000-8000-000000000000');
const model = project.pages[1]!;
const asKept = keptTree(model);
const tags = (page: typeof model) => Object.values(page.elements).map(({ tag }) => tag);

test.each(['empty', 'copy', 'around'] as const)('a page from %s fits beside the others', (from) => {
  const page = planPage(project, 'Opening hours', from === 'empty' ? { from } : { from, page: model.id }, 'knew1');
  const { document, inverse } = applyEdit(project, { type: 'addPage', page, index: 2 });
  expect(readProject(JSON.parse(JSON.stringify(kept(document))))).toEqual(document);
  expect([document.pages[2]!.slug, document.pages.length]).toEqual(['opening-hours', project.pages.length + 1]);
  expect(applyEdit(document, inverse).document).toEqual(project);
});

test('a copy has everything, a page around the same main part only what stands around it', () => {
  expect(tags(planPage(project, 'Copy', { from: 'copy', page: model.id }, 'k'))).toEqual(tags(asKept));
  const around = planPage(project, 'Other', { from: 'around', page: model.id }, 'k');
  expect(tags(around).filter((tag) => tag === 'main')).toHaveLength(1);
  expect(tags(around)).toEqual(expect.arrayContaining(['header', 'footer', 'h1']));
  expect(tags(around).length).toBeLessThan(tags(asKept).length);
});

test('file names are free, can be had everywhere, and are made of any name', () => {
  const pages = [{ slug: 'hours' }, { slug: 'hours-2' }, { slug: 'page' }];
  expect(['Hours', 'Öffnung', 'CON', 'Часы'].map((name) => freeFileName(pages, name))).toEqual([
    'hours-3',
    'offnung',
    'con-2',
    'page-2',
  ]);
  expect(freePageName([{ name: 'Hours' }, { name: 'Hours 2' }], 'Hours')).toBe('Hours 3');
});

test('there is always a page, and never more than sixty', () => {
  let grown = project;
  while (grown.pages.length < 60) {
    const page = planPage(grown, 'More', { from: 'empty' }, `k${grown.pages.length}`);
    grown = applyEdit(grown, { type: 'addPage', page }).document;
  }
  const page = planPage(grown, 'More', { from: 'empty' }, 'klast');
  expect(() => applyEdit(grown, { type: 'addPage', page })).toThrow('A project has at most 60 pages.');
  for (const { id } of project.pages.slice(1)) grown = applyEdit(grown, { type: 'removePage', page: id }).document;
  const alone = { ...grown, pages: grown.pages.slice(0, 1) };
  expect(() => applyEdit(alone, { type: 'removePage', page: alone.pages[0]!.id })).toThrow('A project has at least one page.');
});
