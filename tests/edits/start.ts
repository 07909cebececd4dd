import type { PageElement, Project } from '@/core/document';
import { newProject } from '@/core/document';
import { makeEdit } from '@/core/edits';

/** A tag with what stands in it, as text: `ul(li(a) li)`. */
function tree(text: string): PageElement[] {
  const elements: { -readonly [K in keyof PageElement]: PageElement[K] }[] = [];
  const open: number[] = [];
  for (const [token] of text.matchAll(/[a-z0-9]+|[()]/g)) {
    if (token === '(') open.push(elements.length - 1);
    else if (token === ')') open.pop();
    else {
      const id = `e${elements.length}${text.length}x${token}`;
      const parent = open[open.length - 1];
      if (parent !== undefined) elements[parent]!.children = [...elements[parent]!.children, id];
      elements.push({ id, tag: token, name: token, attributes: {}, children: [], shared: [], styles: {} });
    }
  }
  return elements;
}

const TREES = [
  'ul(li(a(span)) li(p(strong)))',
  'form(fieldset(legend label(input) textarea button(span)))',
  'table(thead(tr(th)) tbody(tr(td(a) td)))',
  'section(a(div) dl(dt dd) figure(img figcaption))',
  // Nearly as deep as a page may be.
  `${'div('.repeat(52)}a(span)${')'.repeat(52)}`,
];

/** What random edits begin with: a page with all that nests in particular ways. */
export const START: Project = TREES.reduce(
  (project, text) =>
    makeEdit(project, { type: 'insertElement', page: 'gfirst', parent: 'efirstmain', index: 2, elements: tree(text) }).document,
  newProject('00000000-0000-4000-8000-000000000000', 'By chance'),
);
