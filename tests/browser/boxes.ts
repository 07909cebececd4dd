import type { Child } from '@/core/document';
import { childIds } from '@/core/document';
import type { APIRequestContext } from '@playwright/test';
import type { Edit } from '@/core/edits';
import { createProject, makeEdits, readProject } from './workbench';

const box = (id: string, name: string, tag = 'div') => ({
  id,
  tag,
  name,
  attributes: {},
  children: [{ text: name }] as readonly Child[],
  shared: [],
  styles: {},
});

const set = (node: string, at: string, property: string, value: string): Edit => ({
  type: 'setStyle',
  owner: node,
  at,
  property,
  value,
});

/**
 * A small page of our own: a row of three boxes and two buttons, two breakpoints downward. The first box has a padding in
 * each band and a colour that is carried on.
 */
export async function boxes(request: APIRequestContext, name: string): Promise<string> {
  const id = await createProject(request, 'empty', name);
  const { project } = await readProject(request, id);
  const page = project.pages[0]!;
  const main = childIds(page.elements[page.root]!)[0]!;
  await makeEdits(request, id, [
    { type: 'addBreakpoint', breakpoint: { id: 'bmid', name: 'Middle', condition: { below: 901 } } },
    { type: 'addBreakpoint', breakpoint: { id: 'bnar', name: 'Narrow', condition: { below: 601 } } },
    {
      type: 'insertElement',
      page: page.id,
      parent: main,
      index: 0,
      elements: [
        { ...box('erow', 'Three boxes'), children: ['ea', 'eb', 'ec', 'ebut', 'ebut2'] },
        box('ea', 'Box A'),
        box('eb', 'Box B'),
        box('ec', 'Box C'),
        box('ebut', 'Press', 'button'),
        box('ebut2', 'Hold', 'button'),
      ],
    },
    set('ea', 'base', 'padding-top', '24px'),
    set('ea', 'bmid', 'padding-top', '12px'),
    set('ea', 'bnar', 'padding-top', '6px'),
    set('ea', 'base', 'color', '#202020'),
    set('ea', 'bmid', 'color', '#a02020'),
  ]);
  return id;
}
