import type { Surroundings } from './html';
import { surroundings } from './html';
import type { Page } from './project';
import { parentOf } from './tree';
import type { Shape } from './trees';
import { whyNotThere } from './trees';

/** What is around the things that stand directly in an element of a page. */
function surroundingsIn(page: Page, parentId: string): Surroundings {
  const parent = parentOf(page, parentId);
  return surroundings(page.elements[parentId]!.tag, parent && surroundingsIn(page, parent.id));
}

/** Why a tree can't be put into an element of a page; undefined when it can. */
export function whyNotInto(page: Page, parentId: string, shape: Shape): string | undefined {
  const parent = page.elements[parentId];
  if (!parent) return 'The element to put it into has been removed.';
  if (parent.text) return `"${parent.name}" holds a text; an element can't stand beside it.`;
  return whyNotThere(shape, surroundingsIn(page, parentId));
}
