import type { ImportedSheet, Page, Project } from './project';

/** A style sheet as a page has it. */
export interface PageSheet {
  readonly sheet: ImportedSheet;
  readonly media?: string | undefined;
}

const NONE: readonly PageSheet[] = [];
const known = new WeakMap<
  Project['sheets'],
  { readonly shared: readonly PageSheet[]; readonly pages: Map<string, readonly PageSheet[]> }
>();

/** The style sheets from elsewhere that hold on all pages but those that were brought in. */
export const sharedSheets = (project: Pick<Project, 'sheets'>): readonly ImportedSheet[] =>
  sheetsOf(project, {}).map(({ sheet }) => sheet);

/**
 * The style sheets from elsewhere that hold on a page, in their order: those that a page which was brought in came with; on all other pages
 * those that hold in the whole project. Always the same list for the same page and sheets.
 */
export function sheetsOf(project: Pick<Project, 'sheets'>, page: Pick<Page, 'brought'>): readonly PageSheet[] {
  if (project.sheets.length === 0) return NONE;
  let lists = known.get(project.sheets);
  if (!lists) {
    const shared = project.sheets.filter(({ file }) => file === undefined).map((sheet) => ({ sheet }));
    known.set(project.sheets, (lists = { shared: shared.length > 0 ? shared : NONE, pages: new Map() }));
  }
  if (!page.brought) return lists.shared;
  const key = JSON.stringify(page.brought.sheets);
  let list = lists.pages.get(key);
  if (!list) {
    list = page.brought.sheets.flatMap(({ sheet: id, media }): PageSheet[] => {
      const sheet = project.sheets.find((one) => one.id === id);
      return sheet ? [{ sheet, ...(media !== undefined && { media }) }] : [];
    });
    lists.pages.set(key, list);
  }
  return list;
}
