import { folderOf, pathOf } from '../document/addresses';
import type { PageSheet } from '../document/page-sheets';
import { sheetsOf } from '../document/page-sheets';
import type { ImportedSheet, Page, Project } from '../document/project';
import { balanced, importsOf, withAddresses } from '../read/references';
import { heldSelectors } from './held';
import type { SheetOptions } from './sheet-options';
import type { SheetBlock } from './sheet-block';

/** What a file that isn't there is shown as: a picture that can't be. */
export const MISSING = 'data:image/png,';

/** Sheets that import each other in a circle end here. */
const NESTED_MOST = 30;

/**
 * The sheets that a page came with, as they were written: each piece a block of its own, imported ones in the place of their
 * `@import`. Only addresses are others, and states are asked for as frames hold them.
 */
export function rawBlocks(project: Project, page: Page, options: SheetOptions): SheetBlock[] {
  const byFile = new Map(
    project.sheets.flatMap((sheet) =>
      sheet.file !== undefined && sheet.line === undefined ? [[sheet.file, sheet] as const] : [],
    ),
  );
  const base = page.brought?.base ?? '';
  const blocks: SheetBlock[] = [];
  const put = (sheet: ImportedSheet, css: string, around: readonly string[]) => {
    if (css.trim() === '') return;
    const folder = sheet.line !== undefined ? base : folderOf(sheet.file ?? '');
    const own = withAddresses(css, (address) =>
      /^\s*(#|data:|about:)/i.test(address) ? undefined : (options.addresses.file?.(address, folder) ?? MISSING),
    );
    const said = options.held ? heldSelectors(own) : own;
    const inner = around.length > 0 ? balanced(said) : said;
    const raw = around.reduceRight((text, rule) => `${rule} {\n${text}\n}`, inner).replaceAll('</', '<\\/');
    blocks.push({ key: `${sheet.id} ${blocks.length}`, rules: [], raw });
  };
  const write = (sheet: ImportedSheet, around: readonly string[], depth: number) => {
    const { css } = sheet;
    const folder = sheet.line !== undefined ? base : folderOf(sheet.file ?? '');
    let at = 0;
    for (const { start, end, address, layer, supports, media } of importsOf(css)) {
      put(sheet, css.slice(at, start), around);
      at = end;
      const inner = byFile.get(pathOf(folder, address) ?? '');
      const conditions = [
        ...(media ? [`@media ${media}`] : []),
        ...(supports ? [`@supports ${/^\s*(\(|not\b|selector\()/i.test(supports) ? supports : `(${supports})`}`] : []),
        ...(layer === undefined ? [] : [`@layer ${layer}`.trim()]),
      ];
      if (inner && depth < NESTED_MOST) write(inner, [...around, ...conditions], depth + 1);
    }
    put(sheet, css.slice(at), around);
  };
  for (const { sheet, media } of sheetsOf(project, page)) write(sheet, media ? [`@media ${media}`] : [], 0);
  return blocks;
}

const boosts = new WeakMap<readonly PageSheet[], string>();

/** What makes a selector stronger than all of these sheets have: as many ids as their strongest, and one more. */
export function boostOver(sheets: readonly PageSheet[]): string {
  let boost = boosts.get(sheets);
  if (boost === undefined) {
    const most = Math.max(0, ...sheets.map(({ sheet }) => idsIn(sheet.css)));
    boosts.set(sheets, (boost = `:not(${'#mp'.repeat(most + 1)})`));
  }
  return boost;
}

/** At most so many ids stand in any one selector. */
function idsIn(css: string): number {
  let most = 0;
  for (const [prelude] of css.replace(/\/\*[\s\S]*?\*\//g, '').matchAll(/[^{};]+(?=\{)/g))
    most = Math.max(most, prelude.split(/#(?=[\w\\-]|[^\u0000-\u007f])/).length - 1);
  return most;
}
