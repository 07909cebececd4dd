import type { Viewport } from '../breakpoints/viewport';
import type { Term } from '../breakpoints/choice';
import { holdsIn } from '../breakpoints/choice';
import { holdsAt } from '../breakpoints/condition';
import { gridAt } from '../grid/columns';
import type { Page, Project } from '../document/project';
import { fontsUsed } from './fonts';
import { renderElement } from './markup';
import { addressesFor } from './preview';
import { renderSheet } from './sheet';
import { writeBlock } from './sheet-block';
import { standInKey, whatMatters } from './stand-in';

/**
 * Says of any viewport all that decides what a page looks like there, and what is found there: its HTML, the rules
 * whose conditions hold, the viewport itself. Pictures of two pages of the same text are the same picture; an edit that
 * holds elsewhere leaves it as it was.
 */
export function seenBy(project: Project, page: Page): (viewport: Viewport) => string {
  const conditions = new Map(project.breakpoints.map(({ id, condition }) => [id, condition]));
  const addresses = addressesFor(project, page);
  const body = renderElement(project, page, page.root, { addresses, page: () => '#', marked: false, inert: true });
  const { bundled, added } = fontsUsed(project);
  const fonts = [...bundled.map(({ file }) => file), ...added.map(({ hash, font }) => hash + JSON.stringify(font))].join();
  const sheets = new Map<string, { key: string; term: Term | undefined; css: string }[]>();
  return (viewport) => {
    const standIn = { ...whatMatters(project, viewport), height: undefined };
    const reader = standInKey(standIn);
    let blocks = sheets.get(reader);
    if (!blocks) {
      // Without their queries, which hold: a breakpoint that moves elsewhere changes nothing here.
      blocks = renderSheet(project, [page], { addresses, standIn, shows: true }).map(({ query, within: _, ...block }) => ({
        key: block.key,
        term: block.term,
        css: writeBlock(block.layer === 'imported' && query ? { ...block, query } : block),
      }));
      sheets.set(reader, blocks);
    }
    const holding = blocks.filter(({ key, term }) => {
      if (term) return holdsIn(term, viewport);
      // "<owner> <breakpoint>" or "<owner> <breakpoint> from <another>"; sheets from elsewhere have numbers there.
      const condition = conditions.get(key.split(' ')[1] ?? '');
      return !condition || holdsAt(condition, viewport);
    });
    return [
      `${viewport.width} ${viewport.height} ${reader}`,
      JSON.stringify(gridAt(project, page, viewport)?.grid ?? null),
      fonts,
      ...holding.map(({ css }) => css),
      body,
    ].join('\n');
  };
}
