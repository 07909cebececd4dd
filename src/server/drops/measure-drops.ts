import { bandsOf, DEFAULT_SLICE } from '@/core/breakpoints';
import type { Project } from '@/core/document';
import { dropsOf, expanded, pageOf } from '@/core/document';
import { applyEdit } from '@/core/edits';
import type { DropWish } from '@/core/plans';
import { dropOrder, PlanError, planDrops, showsAs } from '@/core/plans';
import { previewDocument, renderPreview } from '@/core/render';
import { fontData } from '../browser/fonts';
import { turns } from '../browser/lanes';
import { measuringTabs, POLICY } from '../browser/measuring';
import { stand } from '../browser/stand';
import { tried } from '../browser/tries';
import { loadFiles } from '../store/files';

/** From one width looked at to the next, px; where it fails in between is found by halving. */
const STEP = 4;
const AT_ONCE = 40;

/**
 * The widths under which items of a row no longer fit, measured in a browser over all widths that the project is audited at: for each item
 * the width under which it has to drop, with all before it dropped; 0 for one that always fits.
 * @param wish what is to drop; without, what drops already
 * @throws PlanError where nothing can
 */
export async function measureDrops(given: Project, treeId: string, row: string, wish?: DropWish): Promise<readonly number[]> {
  const before = expanded(given);
  await loadFiles(before);
  const project = wish ? provisional(before, treeId, row, wish) : before;
  const tree = pageOf(project, treeId);
  if (!tree?.elements[row]) throw new PlanError('The row has been taken away.');
  const items = wish?.items ?? dropOrder(project, tree, row);
  if (items.length === 0) throw new PlanError(`Nothing drops out of ${tree.elements[row]!.name}.`);
  const { first, last } = project.audit.range;
  const edges = bandsOf(project, DEFAULT_SLICE).map(({ from }) => from);
  const widths: number[] = [];
  return tried(`The row ${tree.elements[row]!.name} could not be measured`, () =>
    turns.run({ urgency: 'now' }, async () => {
      const tab = await measuringTabs.take();
      try {
        let top = last;
        for (let dropped = 0; dropped < items.length; dropped++) {
          const html = documentWith(project, treeId, row, dropped);
          await stand(tab, [html], DEFAULT_SLICE.height);
          const look = (list: readonly number[]) =>
            tab.ask((page) => page.evaluate(([asked, id]) => globalThis.millPond.fits(asked, id), [list, row] as const));
          const failing = await widestFailing(look, first, top, edges);
          // With nothing failing below, this one and all after it always fit.
          if (failing === undefined) return [...widths, ...items.slice(dropped).map(() => 0)];
          widths.push(failing + 1);
          top = failing;
        }
        return widths;
      } finally {
        await measuringTabs.leave(tab);
      }
    }),
  );
}

/** The widest width from which on down the row doesn't fit, looking from wide to narrow; undefined where it always fits. */
async function widestFailing(
  look: (widths: readonly number[]) => Promise<readonly boolean[]>,
  first: number,
  top: number,
  edges: readonly number[],
): Promise<number | undefined> {
  const widths = new Set([top, first]);
  for (let width = top; width > first; width -= STEP) widths.add(width);
  for (const edge of edges) for (const width of [edge, edge - 1]) if (width >= first && width <= top) widths.add(width);
  const list = [...widths].sort((a, b) => b - a);
  for (let at = 0; at < list.length; at += AT_ONCE) {
    const part = list.slice(at, at + AT_ONCE);
    const failing = (await look(part)).indexOf(false);
    if (failing < 0) continue;
    const width = part[failing]!;
    const wider = list[at + failing - 1];
    if (wider === undefined || wider - width === 1) return width;
    const between = Array.from({ length: wider - width - 1 }, (_, i) => wider - 1 - i);
    const found = (await look(between)).indexOf(false);
    return found < 0 ? width : between[found]!;
  }
  return undefined;
}

/** The project as it will be, with the items at breakpoints that say nothing yet. */
function provisional(project: Project, treeId: string, row: string, wish: DropWish): Project {
  const tree = pageOf(project, treeId);
  if (!tree?.elements[row]) throw new PlanError('The row has been taken away.');
  let count = 0;
  const widths = wish.items.map((_, i) => 10 + i);
  const plan = planDrops(project, tree, row, wish, widths, () => `measured${(count++).toString(36)}`);
  return expanded(applyEdit(project, plan.edit).document);
}

/** The page with so many items dropped at all widths, and none of the others. */
function documentWith(project: Project, treeId: string, row: string, dropped: number): string {
  const tree = pageOf(project, treeId)!;
  const drops = dropsOf(project, tree, tree.elements[row]!)!;
  const ats = new Set(drops.items.map(({ at }) => at));
  // Breakpoints for dropping lie where no screen is, so that nothing drops by itself.
  const breakpoints = project.breakpoints.map((one) => (ats.has(one.id) ? { ...one, condition: { below: 1 } } : one));
  const html = previewDocument(renderPreview({ ...project, breakpoints }, tree, fontData), POLICY);
  const out = drops.items.slice(0, dropped).map(({ item }) => `[data-mp-node="${item}"] { display: none !important; }`);
  const more =
    drops.more === undefined || dropped === 0
      ? []
      : [`[data-mp-node="${drops.more}"] { display: ${showsAs(tree.elements[drops.more]!)} !important; }`];
  return html.replace('</head>', () => `<style>${[...out, ...more].join('\n')}</style>\n</head>`);
}
