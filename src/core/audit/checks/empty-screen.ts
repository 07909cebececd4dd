import { areaOfUnion } from '../area';
import type { Check } from '../check';
import type { ContentBox } from '../content';
import { contentAbove } from '../content';
import type { PageFacts } from '../facts';
import { boxOf } from '../geometry';
import { areaExceeds, isMore, larger, SLACK, smaller } from '../readers';
import { UNIT } from '../layout-unit';

/** Worked-out areas are off by no more of the screen. */
const ROUNDING = 0.002;

/** So many boxes mostly tell that a screen isn't empty. */
const ENOUGH = 60;
const SIDES = ['left', 'top', 'right', 'bottom'] as const;

/** How far off the area of a worked-out box may be, px²: as far as its sides are. */
function areaSlack(facts: PageFacts, { element, ...part }: ContentBox): number {
  const own = boxOf(facts, element);
  const { across, down } = facts.doubt?.off ?? { across: SLACK, down: SLACK };
  const screen = { left: 0, top: 0, right: facts.viewport.width, bottom: facts.viewport.height };
  return SIDES.reduce((sum, side, i) => {
    if (part[side] === screen[side]) return sum;
    const isStill = part[side] === own[side] && facts.doubt?.moves?.(element * 4 + i) === false;
    const long = i % 2 === 0 ? part.bottom - part.top : part.right - part.left;
    return sum + long * (isStill ? UNIT : i % 2 === 0 ? across : down);
  }, 0);
}

/** How much of the screen is covered at least, px²: by boxes of which none lies on another. */
function coveredAtLeast(facts: PageFacts, boxes: readonly ContentBox[]): number {
  let area = 0;
  const apart: ContentBox[] = [];
  for (const box of boxes) {
    const isApart = (other: ContentBox) =>
      !isMore(facts, other.bottom, box.top) ||
      !isMore(facts, other.right, box.left) ||
      !isMore(facts, box.right, other.left) ||
      !isMore(facts, box.bottom, other.top);
    if (!apart.every(isApart)) continue;
    area += (box.right - box.left) * (box.bottom - box.top);
    // To compare more with each other would take longer than to look at all of it.
    if (apart.push(box) >= ENOUGH) break;
  }
  return area;
}

/** Much of the first screenful holds nothing. */
export const emptyScreen: Check = {
  id: 'empty-screen',
  title: 'First screenful is empty',
  severity: 'note',
  why: 'Room that nothing uses: the layout was made for another size.',
  rule: 'Share of the first screenful that may hold nothing (project profile)',
  view: 'heights',
  limits: { most: { label: 'Most of it empty', unit: '%', usual: 80, least: 10, most: 99 } },
  judge(facts, { most }) {
    const { width, height } = facts.viewport;
    const inside: ContentBox[] = [];
    for (const box of contentAbove(facts, height)) {
      const left = larger(facts, 0, box.left);
      const top = larger(facts, 0, box.top);
      const right = smaller(facts, width, box.right);
      const bottom = smaller(facts, height, box.bottom);
      if (isMore(facts, right, left) && isMore(facts, bottom, top))
        inside.push({ left, top, right, bottom, element: box.element });
    }
    const screen = width * height;
    const limit = (screen * most!) / 100;
    // Mostly a part of it tells, as far from the limit as worked-out areas may be off where type grows.
    if (areaExceeds(facts, coveredAtLeast(facts, inside) - (screen - limit), screen * ROUNDING * 5, 0)) return [];
    const free = screen - areaOfUnion(facts, inside);
    let slack = screen * ROUNDING;
    // How far off it is at most matters only near the limit, or where it is compared.
    if (facts.trace?.isCompared || Math.abs(free - limit) <= slack)
      slack = Math.min(
        slack,
        inside.reduce((sum, box) => sum + areaSlack(facts, box), 0),
      );
    if (!areaExceeds(facts, free, limit, slack)) return [];
    const empty = (100 * free) / screen;
    return [{ element: facts.elements[0]!.id, amount: empty - most!, measured: { empty: Math.round(empty) }, others: [] }];
  },
  sentence: ({ measured }) => `${measured.empty}% of the first screenful holds nothing.`,
};
