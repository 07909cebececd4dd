import type { Project } from '../document/project';
import { stylesOf } from '../edits/owners';
import type { Edit } from '../edits/edit';

/** So much of the look is worth as much as one entry. */
const LOOK = 0.25;
/** So many values that weren't there are. */
const FRESH = 20;

interface Weighed {
  /** How many entries are cleared. */
  readonly entries: number;
  /** How much of the page looks otherwise, 0 to 1. */
  readonly change: number;
  /** How many values are written where there were none. */
  readonly fresh: number;
}

/** What a mend is worth: what it clears, less what it changes besides, less what has to be kept in mind from now on. */
export const worthOf = ({ entries, change, fresh }: Weighed): number => entries - change / LOOK - fresh / FRESH;

/** How many values an edit writes where there were none. */
export function freshIn(project: Project, edit: Edit): number {
  if (edit.type === 'group') return edit.edits.reduce((sum, one) => sum + freshIn(project, one), 0);
  if (edit.type !== 'setStyle') return 0;
  return stylesOf(project, edit.owner)?.[edit.at]?.[edit.property] === undefined ? 1 : 0;
}
