import type { Page, PageElement, Project } from '@/core/document';
import { childIds, isInert, ownText } from '@/core/document';
import type { Edit } from '@/core/edits';
import { EditError, makeEdit } from '@/core/edits';

/** The same project with some things changed all over a page, as people would: values, texts, attributes, elements. */
export function changedByHand(project: Project, pageId: string): { readonly project: Project; readonly taken: number } {
  let next = make(project, { type: 'addBreakpoint', breakpoint: { id: 'bsmall', name: 'Small', condition: { below: 700 } } })!;
  let taken = 0;
  const ids = Object.keys(page(next, pageId).elements);
  const step = Math.max(3, Math.floor(ids.length / 40));
  for (let at = 1; at < ids.length; at += step) {
    const element = page(next, pageId).elements[ids[at]!];
    if (!element || isInert(element.tag)) continue;
    for (const edit of editsOf(element, at, pageId)) {
      const made = make(next, edit);
      if (made) taken++;
      next = made ?? next;
    }
  }
  return { project: next, taken };
}

const page = (project: Project, id: string): Page => project.pages.find((one) => one.id === id)!;

function make(project: Project, edit: Edit): Project | undefined {
  try {
    return makeEdit(project, edit).document;
  } catch (error) {
    if (error instanceof EditError) return undefined;
    throw error;
  }
}

function editsOf(element: PageElement, at: number, pageId: string): Edit[] {
  const { id, tag } = element;
  const value = (where: string, property: string, text: string): Edit => ({
    type: 'setStyle',
    owner: id,
    at: where,
    property,
    value: text,
  });
  const added: PageElement = {
    id: `eadded${at}`,
    tag: 'p',
    name: 'Added',
    attributes: { title: 'One "more"' },
    children: [{ text: 'Added & shown' }],
    shared: [],
    styles: { base: { 'padding-left': '13px' } },
  };
  switch (at % 7) {
    case 0:
      return [value('base', 'padding-left', '17px'), value('bsmall', 'padding-left', '3px')];
    case 1:
      return [value('bsmall', 'font-size', '12px'), { type: 'setAttribute', node: id, name: 'title', value: 'A "title" & more' }];
    case 2:
      return childIds(element).length === 0 && ownText(element).trim()
        ? [{ type: 'setText', node: id, text: 'Other <words> & signs' }]
        : [];
    case 3:
      return [{ type: 'insertElement', page: pageId, parent: id, index: 1, elements: [added] }];
    case 4:
      return tag === 'body' ? [] : [{ type: 'removeElement', node: id }];
    case 5:
      return [{ type: 'moveElement', node: id, parent: 'nowhere', index: 0 }, value('base', 'letter-spacing', '1px')];
    default:
      return [{ type: 'setAttribute', node: id, name: 'class', value: null }, value('bsmall', 'display', 'block')];
  }
}
