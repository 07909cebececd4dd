import { folderOf, pathOf } from '../document/addresses';
import { sheetsOf } from '../document/page-sheets';
import type { ImportedSheet, Page, Project } from '../document/project';
import { importsOf } from '../read/imports';

/** Far more than any page has; sheets that import others twice, and those others twice, would never end. */
const MOST = 2_000;

/** What one `@import`, or the link to a sheet, asks for. */
export interface Step {
  readonly media?: string | undefined;
  /** As `@supports` has it, with its brackets. */
  readonly supports?: string | undefined;
  /** The layer that it goes into, by its names; one without a name has one of its own. Undefined for none. */
  readonly layer?: readonly string[] | undefined;
}

/** A stretch of a style sheet between its imports; empty for what is imported and isn't there, which may name a layer. */
export interface SheetPiece {
  readonly sheet: ImportedSheet;
  readonly css: string;
  /** How many lines of the sheet lie before it. */
  readonly linesBefore: number;
  /** The folder that its addresses go out from. */
  readonly folder: string;
  /** Under what it stands, outermost first. */
  readonly steps: readonly Step[];
}

/**
 * The sheets that a page came with, piece by piece in the order in which browsers read them: what is imported in the place of its
 * `@import` (CSS Cascade 5, 2).
 */
export function sheetPieces(project: Pick<Project, 'sheets'>, page: Pick<Page, 'brought'>): readonly SheetPiece[] {
  const byFile = new Map(
    project.sheets.flatMap((sheet) =>
      sheet.file !== undefined && sheet.line === undefined ? [[sheet.file, sheet] as const] : [],
    ),
  );
  const base = page.brought?.base ?? '';
  const pieces: SheetPiece[] = [];
  let nameless = 0;
  const visit = (sheet: ImportedSheet, steps: readonly Step[], within: readonly ImportedSheet[]): void => {
    const folder = sheet.line !== undefined ? base : folderOf(sheet.file ?? '');
    let at = 0;
    const put = (end: number) => {
      const css = sheet.css.slice(at, end);
      if (css.trim() !== '')
        pieces.push({ sheet, css, linesBefore: sheet.css.slice(0, at).split('\n').length - 1, folder, steps });
    };
    for (const { start, end, address, layer, supports, media } of importsOf(sheet.css)) {
      put(start);
      at = end;
      const imported = byFile.get(pathOf(folder, address) ?? '');
      const path = layer === undefined ? undefined : layer === '' ? [`mp-import-${nameless++}`] : layer.split('.');
      const inner = [...steps, { media, layer: path, supports: supports && inBrackets(supports) }];
      // One that imports itself, by whatever way, isn't read again.
      if (imported && !within.includes(imported) && pieces.length < MOST) visit(imported, inner, [...within, imported]);
      else if (path) pieces.push({ sheet, css: '', linesBefore: 0, folder, steps: inner });
    }
    put(sheet.css.length);
  };
  for (const { sheet, media } of sheetsOf(project, page)) visit(sheet, media === undefined ? [] : [{ media }], [sheet]);
  return pieces;
}

const inBrackets = (supports: string): string => (/^\s*(\(|not\b|selector\()/i.test(supports) ? supports : `(${supports})`);
