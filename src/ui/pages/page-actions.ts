import type { Page } from '@/core/document';
import type { Edit } from '@/core/edits';
import type { Beginning } from '@/core/plans';
import { freeFileName, freePageName, planPage } from '@/core/plans';
import { loadFiles } from '../bring-in/files';
import { commit, commitOrReport } from '../editing/edits';
import { useSession } from '../state/store';
import { showMode } from '../devices/line-up';
import { key, showPage } from '../view/actions';

const NEW = 'New page';
const COPIED = ', copy';

/** Whether a page has the name and the file name that it was put in with. */
export const isNewPage = (page: Page, others: readonly Page[]): boolean =>
  (page.name.startsWith(NEW) || page.name.endsWith(COPIED)) && page.slug === freeFileName(others, page.name);

/** A new page's name, and the file name that is made of it, as one edit. */
export function renamed(page: Page, others: readonly Page[], name: string): Edit {
  const edits: Edit[] = [
    { type: 'setPage', page: page.id, field: 'name', value: name },
    { type: 'setPage', page: page.id, field: 'slug', value: freeFileName(others, name) },
  ];
  return { type: 'group', label: `Rename page ${page.name} to ${name}`, edits };
}

/** Adds a page behind the one that is shown, and shows it. */
export function addPage(beginning: Beginning): void {
  const { project, pageId } = useSession.getState();
  const model = beginning.from === 'empty' ? undefined : project.pages.find(({ id }) => id === beginning.page);
  const name = freePageName(project.pages, beginning.from === 'copy' && model ? model.name + COPIED : NEW);
  const page = planPage(project, name.slice(0, 80), beginning, key());
  const index = project.pages.findIndex(({ id }) => id === pageId) + 1;
  if (!commitOrReport({ type: 'addPage', page, index })) return;
  showPage(page.id);
  // Its name is what is wanted first.
  requestAnimationFrame(() => document.querySelector<HTMLElement>('[data-page-form] input')?.focus());
}

/** Takes pages in that were read for the project, and shows the first. Says what is wrong where it can't be. */
export async function takeIn(edit: Edit): Promise<string | undefined> {
  const { project } = useSession.getState();
  const parts = edit.type === 'group' ? edit.edits : [edit];
  const files = parts.flatMap((one) => (one.type === 'addFiles' ? one.files : []));
  const first = parts.find((one) => one.type === 'addPage');
  // The server has them, though the project hasn't yet.
  await loadFiles({ ...project, files });
  const wrong = commit(edit);
  if (!wrong && first?.type === 'addPage') showPage(first.page.id);
  return wrong;
}

/** Removes a page and shows the one that takes its place. */
export function removePage(id: string): void {
  const { pages } = useSession.getState().project;
  const at = pages.findIndex((page) => page.id === id);
  const next = pages[at + 1] ?? pages[at - 1];
  if (commitOrReport({ type: 'removePage', page: id }) && next) showPage(next.id);
}

/** Moves a page by so many places among the pages. */
export function movePage(id: string, by: number): void {
  const { pages } = useSession.getState().project;
  const at = pages.findIndex((page) => page.id === id);
  const index = Math.max(0, Math.min(pages.length - 1, at + by));
  if (at >= 0 && index !== at) commitOrReport({ type: 'movePage', page: id, index });
}

/** Goes on with a page at the stage. */
export function openPage(id: string): void {
  showPage(id);
  showMode('shape');
}
