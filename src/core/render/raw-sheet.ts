import { ident } from 'css-tree';
import { sheetPieces } from '../cascade/sheet-pieces';
import type { PageSheet } from '../document/page-sheets';
import { sheetsOf } from '../document/page-sheets';
import type { Page, Project } from '../document/project';
import { readWholeSheet } from '../read';
import { balanced } from '../read/balanced';
import { withAddresses } from '../read/references';
import { heldSelectors } from './held';
import type { SheetOptions } from './sheet-options';
import type { SheetBlock } from './sheet-block';

/** What a file that isn't there is shown as: a picture that can't be. */
export const MISSING = 'data:image/png,';

/**
 * The sheets that a page came with, as they were written: each piece a block of its own, imported ones in the place of their
 * `@import`. Only addresses are others, and states are asked for as frames hold them.
 */
export function rawBlocks(project: Project, page: Page, options: SheetOptions): SheetBlock[] {
  return sheetPieces(project, page).map(({ sheet, css, folder, steps }, i) => {
    const own = withAddresses(css, (address) =>
      /^\s*(#|data:|about:)/i.test(address) ? undefined : (options.addresses.file?.(address, folder) ?? MISSING),
    );
    const said = options.held ? heldSelectors(own) : own;
    const around = steps.flatMap(({ media, supports, layer }) => [
      ...(media ? [`@media ${media}`] : []),
      ...(supports ? [`@supports ${supports}`] : []),
      ...(layer ? [`@layer ${layer.map((name) => ident.encode(name)).join('.')}`] : []),
    ]);
    const inner = around.length > 0 ? balanced(said) : said;
    const raw = around.reduceRight((text, rule) => `${rule} {\n${text}\n}`, inner).replaceAll('</', '<\\/');
    return { key: `${sheet.id} ${i}`, rules: [], raw };
  });
}

const boosts = new WeakMap<readonly PageSheet[], string>();

/** What makes a selector stronger than all that the sheets of a page have: as many ids as their strongest, and one more. */
export function boostOver(project: Project, page: Page): string {
  const sheets = sheetsOf(project, page);
  let boost = boosts.get(sheets);
  if (boost === undefined) {
    const most = Math.max(0, ...sheetPieces(project, page).map(({ css }) => idsIn(css)));
    boosts.set(sheets, (boost = `:not(${'#mp'.repeat(most + 1)})`));
  }
  return boost;
}

/**
 * At most so many ids count for any one selector: those that stand in it, with those of the rules that it is nested in, and of lists in
 * it the strongest. Where that can't be told, all that are written there.
 */
function idsIn(css: string): number {
  let most = 0;
  for (const { selector, selectors } of readWholeSheet(css).rules) {
    const known = selectors.map(({ specificity }) => specificity[0]);
    most = Math.max(most, ...(known.length > 0 ? known : [selector.split('#').length - 1]));
  }
  return most;
}
