import { alternatesWith } from '../document/alternates';
import { isOver } from '../document/panel';
import { panelsOn } from '../document/panels';
import type { Page } from '../document/project';
import { ALTERNATES_SCRIPT } from './alternates-script';
import { PANELS_SCRIPT } from './panels-script';

/** Whether an element is built only when it is first shown. */
export const isBuiltLater = (page: Page, id: string): boolean => {
  const element = page.elements[id];
  return element?.alternate?.later === true && alternatesWith(page, element) !== undefined;
};

/** The few lines of script that pages need, all of them in one; empty where HTML and CSS are enough. */
export function behaviourOf(pages: readonly Page[]): string {
  const builds = pages.some((page) =>
    Object.values(page.elements).some(({ id, alternate }) => alternate?.later && isBuiltLater(page, id)),
  );
  const opens = pages.some((page) => panelsOn(page).some(({ panel }) => isOver(panel!)));
  return [...(opens ? [PANELS_SCRIPT] : []), ...(builds ? [ALTERNATES_SCRIPT] : [])].join('\n');
}
