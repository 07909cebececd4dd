import type { Arrangement } from './arrangement';
import { disclosures, oneAtATime, scroller, sideAway } from './rows';
import { gridList, limit, moreColumns, secondPane } from './grids';
import { anotherHeader, drawer, foldingMenu, menuButton } from './headers';
import { atBottom, dropAway, sideColumn } from './header-places';
import { listDetail } from './panes';
import { tableCards, tableScrolls } from './tables';

/** All ready arrangements, in the order in which they are offered. */
export const ARRANGEMENTS: readonly Arrangement[] = [
  ...[menuButton, foldingMenu, drawer, anotherHeader, sideColumn, dropAway, atBottom],
  ...[tableCards, tableScrolls, disclosures, sideAway, scroller, oneAtATime, gridList, listDetail],
  ...[moreColumns, secondPane, limit],
];

export type { Arrangement, Family, Recognised, Role, Setting, Wish } from './arrangement';
export { FAMILIES } from './arrangement';
export { entriesOf } from './header-roles';
export { droppingFrom } from './header-places';
export { placesFor, planArrangement, rolesOf, wholeWish } from './plan-arrangement';
export { planRecipe, recipeOf, whyNotLike } from './recipes';
export { arrangedOn, planTakeBack } from './take-back';
