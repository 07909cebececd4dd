import type { Check } from '../check';
import { px } from '../check';
import type { PageFacts, PanelFacts } from '../facts';
import { boxOf, isAbove, TOLERANCE } from '../geometry';
import { areaExceeds, exceeds, exceedsBy, isMore, larger, slackOf, smaller } from '../readers';
import { Positioning } from '../facts';
import { clippedContent } from './clipped-content';
import { contrast } from './contrast';
import { faultsOf, inWordsOf } from './faults-of';
import { smallTarget } from './small-target';
import { squeezedText } from './squeezed-text';

interface Opened {
  readonly element: number;
  readonly id: string;
  readonly panel: PanelFacts;
  /** How far it reaches past each edge of the screen, px; below 0 where there is room beside it. */
  readonly past: readonly [left: number, top: number, right: number, bottom: number];
}

/** The panel that is held open, where it can be seen. */
function openedIn(facts: PageFacts): Opened | undefined {
  const { opened, viewport } = facts;
  const panel = opened === undefined ? undefined : facts.panels?.get(opened);
  if (opened === undefined || !panel || !facts.shown[opened]) return undefined;
  const { left, top, right, bottom } = boxOf(facts, opened);
  return {
    ...{ element: opened, id: facts.elements[opened]!.id, panel },
    past: [-left, -top, right - viewport.width, bottom - viewport.height],
  };
}

/** Room beside a panel that a finger can hit, px (WCAG 2.2, 2.5.5). */
const ROOM = 44;

/** An open panel that leaves no way to close it but a key. */
export const stuckPanel: Check = {
  id: 'stuck-panel',
  title: 'An open panel that can’t be closed by hand',
  severity: 'broken',
  why: 'A phone has no Escape key: whoever opened it has to leave the page.',
  rule: 'WCAG 2.2, 2.1.2 No keyboard trap, and the same by pointer (ARIA practices, “Dialog (modal)”)',
  view: 'opened',
  judge(facts) {
    const opened = openedIn(facts);
    if (!opened?.panel.over) return [];
    const { panel, past, id } = opened;
    const isReached = (one: number) => facts.shown[one] === 1;
    const leavesRoom = panel.outside && past.some((beyond) => !exceeds(facts, beyond, -ROOM));
    if (leavesRoom || panel.closers.some(isReached)) return [];
    const others = panel.closers.map((one) => facts.elements[one]!.id);
    return [{ element: id, amount: 1, measured: { outside: panel.outside ? 1 : 0 }, others }];
  },
  sentence: ({ element, measured, others }, name) =>
    `${name(element)} is open, and ${others.length > 0 ? `${others.map(name).join(', ')} can’t be seen` : 'no button in it closes it'}${measured.outside ? '; nothing is left beside it to press' : ', nor does a press outside'}.`,
};

/** A panel over the whole screen behind which the page can still be scrolled. */
export const loosePage: Check = {
  id: 'loose-page',
  title: 'The page moves behind an open panel',
  severity: 'poor',
  why: 'Who scrolls in the panel moves the page behind it, and is somewhere else when it closes.',
  rule: 'What covers nearly the whole screen holds the page behind it still (ARIA practices, “Dialog (modal)”)',
  view: 'opened',
  limits: { share: { label: 'Covers the screen from', unit: '%', usual: 70, least: 30, most: 100 } },
  judge(facts, { share }) {
    const opened = openedIn(facts);
    if (!opened?.panel.over || opened.panel.locked || !exceedsBy(facts, facts.scrollHeight, facts.viewport.height + 0.5, 1))
      return [];
    const { width, height } = facts.viewport;
    const box = boxOf(facts, opened.element);
    const across = larger(facts, 0, smaller(facts, width, box.right) - larger(facts, 0, box.left));
    const down = larger(facts, 0, smaller(facts, height, box.bottom) - larger(facts, 0, box.top));
    const screen = width * height;
    if (!areaExceeds(facts, across * down, (screen * share!) / 100 - 0.5, (width + height) * slackOf(facts))) return [];
    const covered = (across * down * 100) / screen;
    return [{ element: opened.id, amount: covered, measured: { covered }, others: [] }];
  },
  sentence: ({ element, measured }, name) =>
    `${name(element)} covers ${Math.round(measured.covered!)}% of the screen, and the page behind it still scrolls.`,
};

const EDGES = ['left', 'top', 'right', 'bottom'] as const;

/** A panel that holds on to the screen and reaches past it, where nobody can scroll to. */
export const cutPanel: Check = {
  id: 'cut-panel',
  title: 'An open panel reaches past the screen',
  severity: 'broken',
  why: 'It stays where it is while the page scrolls, so what lies past the edge can’t be reached.',
  rule: 'WCAG 2.2, 1.4.10 Reflow: no loss of content',
  view: 'opened',
  judge(facts) {
    const opened = openedIn(facts);
    if (!opened || facts.position[opened.element] !== Positioning.fixed) return [];
    const worst = opened.past.reduce((most, beyond, i) => (isMore(facts, beyond, opened.past[most]!) ? i : most), 0);
    const beyond = opened.past[worst]!;
    if (!exceeds(facts, beyond, TOLERANCE)) return [];
    return [{ element: opened.id, amount: beyond, measured: { beyond, edge: worst }, others: [] }];
  },
  sentence: ({ element, measured }, name) =>
    `${name(element)} is open and reaches ${px(measured.beyond!)} past the ${EDGES[measured.edge!]} edge of the screen.`,
};

const LOOKS = [contrast, smallTarget, clippedContent, squeezedText] as const;

/** What is wrong in a panel only shows when it is open. */
export const opened: Check = {
  id: 'opened',
  title: 'Wrong in an open panel',
  severity: 'poor',
  why: 'A page is mostly looked at with its panels closed, so what is wrong in them is found last.',
  rule: 'WCAG 2.2, 1.4.3 Contrast (minimum), 2.5.8 Target size (minimum) and 1.4.10 Reflow, with each panel open',
  view: 'opened',
  besides: LOOKS.map(({ id }) => id),
  likewise: LOOKS.map(({ id }) => id),
  judge(facts, limits) {
    const inPanel = openedIn(facts);
    if (!inPanel) return [];
    // What lies behind it is covered: it is neither read nor hit.
    const inside = (at: number) => at === inPanel.element || isAbove(facts, inPanel.element, at);
    return faultsOf(LOOKS)({ ...facts, shown: facts.shown.map((one, at) => (inside(at) ? one : 0)) }, limits);
  },
  sentence: inWordsOf(LOOKS, 'With its panel open'),
};
