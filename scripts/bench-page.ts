import type { Page } from 'playwright-core';
import type { PageElement, Project } from '@/core/document';

const CARDS = 99;
/** How many elements the page for measurements has. */
export const ELEMENTS = CARDS * 5 + 5;

const element = (id: string, tag: string, more: Partial<PageElement>): PageElement => ({
  id,
  tag,
  name: id,
  attributes: {},
  children: [],
  shared: [],
  styles: {},
  ...more,
});

/** One grid of 99 cards of five elements each: 500 elements in all, every one of which moves with the gap. */
export function cards(): PageElement[] {
  const parts = Array.from({ length: CARDS }, (_, i): PageElement[] => [
    element(`ec${i}`, 'div', { children: [`eh${i}`, `et${i}`, `er${i}`], styles: { base: { 'padding-top': '8px' } } }),
    element(`eh${i}`, 'h3', { children: [{ text: `Tool ${i}` }] }),
    element(`et${i}`, 'p', { children: [{ text: 'Hangs on a peg, goes out for a week.' }] }),
    element(`er${i}`, 'div', { children: [`eb${i}`] }),
    element(`eb${i}`, 'button', { children: [{ text: 'Reserve' }] }),
  ]);
  const row = element('erow', 'div', {
    name: 'Cards',
    children: parts.map(([card]) => card!.id),
    styles: {
      base: { display: 'grid', 'grid-template-columns': 'repeat(4, minmax(0, 1fr))', 'row-gap': '8px', 'column-gap': '20px' },
    },
  });
  return [row, ...parts.flat()];
}

/** A new project with the cards on its page; resolves to its id. */
export async function projectOfCards(page: Page, address: string): Promise<string> {
  const made = await page.request.post(`${address}/api/projects`, { data: { name: 'Cards', from: 'empty' } });
  const { id } = (await made.json()) as { id: string };
  const opened = (await (await page.request.get(`${address}/api/projects/${id}`)).json()) as {
    project: Project;
    revision: number;
  };
  const first = opened.project.pages[0]!;
  const parent = first.elements[first.root]!.children[0]!;
  const edit = { type: 'insertElement', page: first.id, parent, index: 0, elements: cards() };
  await page.request.post(`${address}/api/projects/${id}/edits`, {
    data: { revision: opened.revision, edits: [{ id: crypto.randomUUID(), kind: 'do', edit }] },
  });
  return id;
}
