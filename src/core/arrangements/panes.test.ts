import { DEFAULT_SLICE } from '../breakpoints';
import type { PageElement, Project } from '../document';
import { kept, newPage, pageOf } from '../document';
import type { Edit } from '../edits';
import { makeEdit } from '../edits';
import { makeFrom, MAIN, NARROW, START } from '../edits/project-for-tests';
import { renderExport } from '../render';
import { ARRANGEMENTS, planArrangement, planTakeBack } from './index';

const el = (id: string, tag: string, children: PageElement['children'] = [], more: Partial<PageElement> = {}): PageElement => ({
  ...{ id, tag, name: id, attributes: {}, children, shared: [], styles: {} },
  ...more,
});
const page = (id: string, name: string, ...inside: readonly PageElement[]): Edit => {
  const { id: root } = { id: `eb${id}` };
  const main = el(
    `em${id}`,
    'main',
    inside.filter(({ name: one }) => one.startsWith('top')).map((one) => one.id),
  );
  const elements = [el(root, 'body', [main.id]), main, ...inside];
  return {
    type: 'addPage',
    page: { ...newPage(id, name, name.toLowerCase()), root, elements: Object.fromEntries(elements.map((one) => [one.id, one])) },
  };
};
const link = (id: string, to: string) => el(id, 'a', [{ text: `To ${to}` }], { attributes: { href: `page:${to}` } });

const project = makeFrom(
  START,
  NARROW,
  page(
    'gtool',
    'Tool',
    el('eth', 'h1', [{ text: 'Drill' }], { name: 'top heading' }),
    el('etp', 'p', ['etl'], { name: 'top text' }),
    link('etl', 'gpart'),
  ),
  page('gpart', 'Spare', el('esh', 'h1', [{ text: 'Battery' }], { name: 'top heading' })),
  {
    ...{ type: 'insertElement', page: 'gfirst', parent: MAIN, index: 0 },
    elements: [el('elist', 'ul', ['eli'], { name: 'Tools' }), el('eli', 'li', ['elink']), link('elink', 'gtool')],
  },
);
const join = (from: Project, tree: string, id: string, detail: string, more: Record<string, string> = {}, prefix = 'j') => {
  let n = 0;
  const arrangement = ARRANGEMENTS.find((one) => one.id === 'list-detail')!;
  return planArrangement(
    from,
    DEFAULT_SLICE,
    tree,
    id,
    arrangement,
    { settings: { detail, ...more } },
    () => `${prefix}${(n++).toString(36)}`,
  );
};
const html = (of: Project, path: string) => {
  const { content } = renderExport(of).find((one) => one.path === path)!;
  return 'text' in content ? content.text : '';
};
const named = (of: Project, tree: string, name: string) =>
  Object.values(pageOf(of, tree)!.elements).find((one) => one.name === name)!.id;

test('the list shows beside the detail on both pages; links have addresses of their own and give the detail the focus', () => {
  const joined = makeEdit(project, join(project, 'gfirst', 'elist', 'gtool').edit).document;
  const list = html(joined, 'index.html');
  const detail = html(joined, 'tool.html');
  for (const one of [list, detail]) {
    expect(one).toMatch(/<a [^>]*href="tool\.html#tool"/);
    expect(one).toMatch(/<div [^>]*id="tool"[^>]*tabindex="-1"/);
    expect(one.match(/<ul /g)).toHaveLength(1);
  }
  expect(detail).toMatch(/<a [^>]*href="index\.html#tools"[^>]*>Back to/);
  const { joins } = joined.arranged[0]!;
  expect(joins!.pages).toEqual(['gfirst', 'gtool']);
  expect(Object.values(joins!.panes)).toEqual(['gtool', 'gfirst']);
  const back = makeEdit(joined, planTakeBack(joined, joined.arranged[0]!.id).edit).document;
  expect(kept(back)).toEqual(kept(project));
});

test('three panes: the page of the detail is itself joined to another; a circle is refused in words', () => {
  const two = makeEdit(project, join(project, 'gfirst', 'elist', 'gtool', { upright: 'stacked' }).edit).document;
  expect(two.breakpoints.map(({ name, condition }) => [name, condition])).toContainEqual([
    'Upright',
    { orientation: 'portrait', from: 600 },
  ]);
  const panes = named(two, 'gtool', 'Tools, panes');
  const three = makeEdit(two, join(two, 'gtool', panes, 'gpart', {}, 'k').edit).document;
  expect(html(three, 'spare.html').match(/<ul |<h1/g)).toHaveLength(3);
  expect(() => join(three, 'gpart', named(three, 'gpart', 'Tools, panes, panes'), 'gfirst', {}, 'l')).toThrow(
    /leads on to Spare already, as the list of it: one of them would be its own detail in a circle/,
  );
});

test('a list that leads nowhere, and a page without others, are refused in words', () => {
  expect(() => join(project, 'gfirst', 'elist', 'gpart')).toThrow(/Nothing in Tools leads to Spare/);
  expect(() => join(project, 'gfirst', MAIN, 'gtool')).toThrow(/is the main part of the page: select the list in it/);
  expect(() => join(START, 'gfirst', 'efirstp', 'gtool')).toThrow(/There is only one page/);
  expect(() => join(project, 'gfirst', 'elink', 'gtool')).toThrow(/\(<a>\) is no list: select what holds the items/);
});
