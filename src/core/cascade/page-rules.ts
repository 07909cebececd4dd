import type { Condition } from '../breakpoints/condition';
import { folderOf, pathOf } from '../document/addresses';
import type { PageSheet } from '../document/page-sheets';
import { sheetsOf } from '../document/page-sheets';
import type { ImportedSheet, Page, Project } from '../document/project';
import type { SheetRule } from '../read';
import { readSheet } from '../read';
import { both, readMediaQuery } from '../read/media';
import { importsOf } from '../read/references';

/** A rule of a sheet from elsewhere, under all the conditions that the sheet itself stands under. */
export interface PageRule {
  readonly rule: SheetRule;
  readonly sheetId: string;
}

const NESTED_MOST = 30;
const memo = new WeakMap<readonly PageSheet[], readonly PageRule[]>();

/** The rules of all sheets from elsewhere that hold on a page, in the order of the cascade. The same list for the same sheets. */
export function rulesOn(project: Pick<Project, 'sheets'>, page: Pick<Page, 'brought'>): readonly PageRule[] {
  const sheets = sheetsOf(project, page);
  let rules = memo.get(sheets);
  if (!rules) memo.set(sheets, (rules = collect(project, page, sheets)));
  return rules;
}

type When = readonly Condition[] | undefined;

/** What holds where both hold; empty where both never do. */
const meet = (outer: When, inner: When): When => {
  if (!outer || !inner) return outer ?? inner;
  return outer.flatMap((a) =>
    inner.flatMap((b) => {
      const met = both(a, b);
      return met ? [met] : [];
    }),
  );
};

function collect(project: Pick<Project, 'sheets'>, page: Pick<Page, 'brought'>, sheets: readonly PageSheet[]): PageRule[] {
  const byFile = new Map(
    project.sheets.flatMap((sheet) =>
      sheet.line === undefined && sheet.file !== undefined ? [[sheet.file, sheet] as const] : [],
    ),
  );
  const found: PageRule[] = [];
  const visit = (sheet: ImportedSheet, media: string | undefined, outer: When, depth: number): void => {
    const own = media === undefined ? undefined : readMediaQuery(media);
    const when = meet(outer, own);
    // What isn't known, or never holds on a screen.
    if ((media !== undefined && own === undefined) || when?.length === 0) return;
    const folder = sheet.line !== undefined ? (page.brought?.base ?? '') : folderOf(sheet.file ?? '');
    if (sheet.file !== undefined && depth < NESTED_MOST)
      for (const { address, media: inner } of importsOf(sheet.css)) {
        const imported = byFile.get(pathOf(folder, address) ?? '');
        if (imported) visit(imported, inner, when, depth + 1);
      }
    for (const rule of readSheet(sheet.css).rules) {
      const all = meet(when, rule.when);
      if (all?.length === 0) continue;
      const line = sheet.line === undefined ? rule.line : sheet.line + rule.line - 1;
      found.push({ sheetId: sheet.id, rule: when || sheet.line !== undefined ? { ...rule, when: all, line } : rule });
    }
  };
  for (const { sheet, media } of sheets) visit(sheet, media, undefined, 0);
  return found;
}
