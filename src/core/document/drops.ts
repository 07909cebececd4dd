import { BASE } from '../breakpoints/breakpoint';
import type { Drops } from './drop';
import type { PageElement } from './element';
import type { Page, Project } from './project';
import { parentOf } from './tree';

/**
 * What drops out of a row, as far as it is there: items that have been moved or taken away, and breakpoints that are gone, don't count.
 * Undefined for nothing.
 */
export function dropsOf({ breakpoints }: Pick<Project, 'breakpoints'>, page: Page, row: PageElement): Drops | undefined {
  if (!row.drops) return undefined;
  const items = row.drops.items.filter(
    ({ item, at }) => item in page.elements && parentOf(page, item)?.id === row.id && breakpoints.some(({ id }) => id === at),
  );
  return items.length === 0 ? undefined : { ...row.drops, items };
}

/** Whether a breakpoint is there only for items to drop away at. */
export const isForDrops = (trees: readonly Page[], id: string): boolean =>
  id !== BASE &&
  trees.some(({ elements }) => Object.values(elements).some(({ drops }) => drops?.items.some(({ at }) => at === id)));
