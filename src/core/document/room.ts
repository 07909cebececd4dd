import { childIds, ownText } from './content';
import type { Surroundings } from './html';
import { surroundings } from './html';
import type { Page } from './project';
import { parentOf } from './tree';
import type { Shape } from './trees';
import { whyNotConformingThere, whyNotThere } from './trees';

/** What is around the things that stand directly in an element of a page. */
export function surroundingsIn(page: Page, parentId: string): Surroundings {
  const parent = parentOf(page, parentId);
  return surroundings(page.elements[parentId]!.tag, parent && surroundingsIn(page, parent.id));
}

/** Why a tree can't be kept in an element of a page; undefined when it can. */
export function whyNotInto(page: Page, parentId: string, shape: Shape): string | undefined {
  const parent = page.elements[parentId];
  if (!parent) return 'The element to put it into has been removed.';
  return whyNotThere(shape, surroundingsIn(page, parentId));
}

/** Why something that is made or arranged here can't be put into an element: because it can't be kept, or HTML forbids it. */
export function whyNotMadeIn(page: Page, parentId: string, shape: Shape): string | undefined {
  const why = whyNotInto(page, parentId, shape);
  if (why) return why;
  const parent = page.elements[parentId]!;
  // Among words things are put by writing, where it can be said between which.
  if (ownText(parent) && childIds(parent).length === 0) return `"${parent.name}" holds a text; write what is to stand in it.`;
  return whyNotConformingThere(shape, surroundingsIn(page, parentId), false);
}
