import type { Check, Violation } from '../check';
import { px } from '../check';
import type { Box } from '../geometry';
import type { PageFacts } from '../facts';
import { boxOf, inkOf, isAbove, LEFT, RIGHT, TOLERANCE, visiblePart } from '../geometry';
import { Cut } from '../facts';
import { oncePerGiven } from '../once';
import { exceeds, foundOn, isMore, isSame, larger, smaller } from '../readers';

const oncePerPage = <T>(work: (elements: PageFacts['elements']) => T) =>
  oncePerGiven(
    ({ elements }) => [elements],
    ({ elements }) => work(elements),
  );

/** Indexes of the children of each element, in reading order. */
const childrenOf = oncePerPage((elements): readonly (readonly number[])[] => {
  const lists: number[][] = elements.map(() => []);
  elements.forEach(({ parent }, i) => parent >= 0 && lists[parent]!.push(i));
  return lists;
});

const headRows = oncePerPage((elements) => [
  ...new Set(elements.flatMap(({ heads, parent }) => (heads && parent >= 0 ? [parent] : []))),
]);
const panes = oncePerPage((elements) => elements.flatMap(({ pane }, i) => (pane ? [{ i, pane }] : [])));
const arranged = oncePerPage((elements) => elements.flatMap(({ same }, i) => (same ? [{ i, same }] : [])));
const scrollers = oncePerGiven(
  ({ elements, cutX }) => [elements, cutX],
  ({ elements, cutX }) => elements.flatMap((_, i) => (i > 0 && cutX[i] === Cut.scrolls ? [i] : [])),
);

/** What is put away for those who hear the page. */
const PUT_AWAY = 2;

/** Where the rows may be that a row of headings stands over, nearest first: those that follow it, or that stand in what follows, with as many cells. */
const rowsBehind = oncePerGiven(
  ({ elements }) => [elements],
  (facts) => {
    const children = childrenOf(facts);
    const behind = (head: number): (readonly number[])[] => {
      const isRow = (row: number) => row !== head && children[row]!.length === children[head]!.length;
      const lists: (readonly number[])[] = [];
      for (let at = head; at > 0; at = facts.elements[at]!.parent) {
        const siblings = children[facts.elements[at]!.parent]!;
        const after = siblings.slice(siblings.indexOf(at) + 1);
        lists.push(
          after.filter(isRow),
          after.flatMap((one) => children[one]!.filter(isRow)),
        );
        if (siblings.length > 1) break;
      }
      return lists;
    };
    return new Map(headRows(facts).map((head) => [head, behind(head)]));
  },
);

/** The rows that a row of headings stands over. */
function rowsUnder(facts: PageFacts, head: number): readonly number[] {
  const children = childrenOf(facts);
  const isBeside = (row: number) => {
    const [first, second] = children[row]!;
    return exceeds(facts, facts.boxes[second! * 4 + LEFT]!, facts.boxes[first! * 4 + LEFT]! + TOLERANCE);
  };
  const lists = rowsBehind(facts).get(head)!;
  for (let at = 0; at < lists.length; at += 2) {
    const near = lists.slice(at, at + 2);
    // What stands side by side is a row sooner than what only holds as many.
    const found = near.find((some) => some.some(isBeside)) ?? near.find((some) => some.length > 0);
    if (found) return found;
  }
  return [];
}

type Seen = Pick<Box, 'left' | 'right'>;

/** What is seen of a cell: its own words where it has some, else its box. */
function seenOf(facts: PageFacts, cell: number): Seen {
  const count = facts.lines[cell]!.length / 4;
  if (count === 0) return boxOf(facts, cell);
  const lines = facts.lines[cell]!;
  let [left, right] = [lines[LEFT]!, lines[RIGHT]!];
  for (let at = 4; at < lines.length; at += 4) {
    left = smaller(facts, left, lines[at + LEFT]!);
    right = larger(facts, right, lines[at + RIGHT]!);
  }
  return { left, right };
}

/** Whether the boxes of two cells stand in one column, within a tolerance: mostly they do, and nothing hangs on which of them a hair further left. */
function areInColumn(facts: PageFacts, a: number, b: number): boolean {
  const { boxes } = facts;
  return [LEFT, RIGHT].every((side) => {
    const off = boxes[a * 4 + side]! - boxes[b * 4 + side]!;
    return !exceeds(facts, off, TOLERANCE) && !exceeds(facts, -off, TOLERANCE);
  });
}

/** How far two cells are from standing in one column, px: their boxes, or what is seen of them by its left, right or middle. */
function apart(facts: PageFacts, [a, one]: readonly [number, Seen], [b, other]: readonly [number, Seen]): number {
  const { boxes } = facts;
  const size = (value: number) => larger(facts, value, -value);
  const by = (side: number) => size(boxes[a * 4 + side]! - boxes[b * 4 + side]!);
  const [left, right] = [one.left - other.left, one.right - other.right];
  const least = smaller(facts, smaller(facts, size(left), size(right)), size((left + right) / 2));
  return smaller(facts, larger(facts, by(LEFT), by(RIGHT)), least);
}

/** Headings of columns that don't stand over them. */
export const headingLine: Check = {
  id: 'heading-line',
  title: 'Headings out of line with their columns',
  severity: 'poor',
  why: 'People read a column by what stands over it; a heading beside its column names the wrong one.',
  rule: 'WCAG 2.2, 1.3.1 Info and Relationships: what is told by where things stand (project profile)',
  judge(facts) {
    return headRows(facts).flatMap((head): Violation[] => {
      const cells = childrenOf(facts)[head]!;
      const box = cells.length > 1 && facts.shown[head] ? visiblePart(facts, head, boxOf(facts, head)) : undefined;
      if (!box || !exceeds(facts, box.bottom - box.top, PUT_AWAY) || !exceeds(facts, box.right - box.left, PUT_AWAY)) return [];
      let worst: Violation | undefined;
      /** By column: the last cell that stands in it. */
      const inColumn: (number | undefined)[] = [];
      /** By column: what is seen of its heading. */
      const seen: (Seen | undefined)[] = [];
      for (const row of rowsUnder(facts, head)) {
        if (!facts.shown[row]) continue;
        childrenOf(facts)[row]!.forEach((cell, i) => {
          const heading = cells[i]!;
          if (!facts.shown[cell] || !facts.shown[heading]) return;
          const above = inColumn[i];
          if (
            above !== undefined &&
            [LEFT, RIGHT].every((side) => isSame(facts, facts.boxes[cell * 4 + side]!, facts.boxes[above * 4 + side]!))
          )
            return;
          if (areInColumn(facts, heading, cell)) return void (inColumn[i] = cell);
          // From here on it goes by how far lines reach.
          foundOn(facts, heading, cell);
          const [its, own] = [(seen[i] ??= seenOf(facts, heading)), seenOf(facts, cell)];
          // Within the tolerance they are, however far off both may be.
          if (isSame(facts, its.left, own.left) || isSame(facts, its.right, own.right)) return;
          const off = apart(facts, [heading, its], [cell, own]);
          // Cells of one column are mostly as far off: the first of them is told.
          if (!exceeds(facts, off, worst ? worst.amount + TOLERANCE : TOLERANCE)) return;
          worst = {
            ...{ element: facts.elements[head]!.id, amount: off, measured: { off, column: i + 1 } },
            others: [facts.elements[heading]!.id, facts.elements[cell]!.id],
          };
        });
      }
      return worst ? [worst] : [];
    });
  },
  sentence: ({ element, measured, others }, name) =>
    `${name(others[0]!)} in ${name(element)} stands ${px(measured.off!)} beside its column, ${name(others[1]!)}.`,
};

/** So much of something has to be seen, and so much be cut off, for people to see that it goes on, px. */
const SEEN = 8;

/** By how much something is visibly cut by the right edge of a box, beyond what it takes, px; it isn't where that is no more than 0. */
function cutBy(facts: PageFacts, edge: Box, { left, right }: Pick<Box, 'left' | 'right'>): number {
  return smaller(facts, right - edge.right - SEEN, edge.right - SEEN - left);
}

/** A box that scrolls sideways and doesn't look like it. */
export const sidewaysHint: Check = {
  id: 'sideways-hint',
  title: 'Scrolls sideways, and nothing shows it',
  severity: 'poor',
  why: 'On touch screens there is no scrollbar to be seen: where nothing is cut at the edge, nobody looks for more.',
  rule: 'What scrolls sideways shows that it goes on: something cut at its edge, or words beside it (project profile)',
  judge(facts) {
    return scrollers(facts).flatMap((i): Violation[] => {
      if (!facts.shown[i]) return [];
      const { id, described = [] } = facts.elements[i]!;
      const edge = boxOf(facts, i);
      let hidden = 0;
      /** By how much what is cut most is; only that is compared, so that no other leaves it in doubt. */
      let cut = -SEEN;
      const taken: number[] = [];
      for (let at = i + 1; at < facts.elements.length && isAbove(facts, i, at); at++) {
        if (!facts.shown[at]) continue;
        const box = boxOf(facts, at);
        const isOver = exceeds(facts, box.right, edge.right + TOLERANCE);
        if (isOver) hidden = larger(facts, hidden, box.right - edge.right);
        for (let line = 0; line < facts.lines[at]!.length / 4; line++) {
          const by = cutBy(facts, edge, inkOf(facts, at, line));
          cut = larger(facts, cut, by);
          if (isOver || isMore(facts, by, 0)) taken.push(at);
        }
        if (!facts.solid[at] && facts.elements[at]!.tag !== 'img') continue;
        // What begins outside of it on the left is no hint.
        cut = larger(facts, cut, smaller(facts, cutBy(facts, edge, box), box.left - edge.left - SEEN));
      }
      if (hidden === 0 || described.some((one) => facts.shown[one])) return [];
      foundOn(facts, ...taken);
      return !exceeds(facts, cut, 0) ? [{ element: id, amount: hidden, measured: { hidden }, others: [] }] : [];
    });
  },
  sentence: ({ element, measured }, name) =>
    `${name(element)} scrolls sideways over ${px(measured.hidden!)} more, and nothing at its edge shows it.`,
};

/** A pane that isn't shown, and to which no link leads. */
export const unreachedPane: Check = {
  id: 'unreached-pane',
  title: 'A list or detail that can’t be reached',
  severity: 'broken',
  why: 'Where a pane isn’t beside the other, a link is the only way there, by keyboard as by pointer.',
  rule: 'WCAG 2.2, 2.1.1 Keyboard: what isn’t shown beside is behind a link that can have the focus',
  judge(facts) {
    return panes(facts).flatMap(({ i, pane }): Violation[] => {
      const { id, parent } = facts.elements[i]!;
      if (facts.shown[i] || (parent >= 0 && !facts.shown[parent])) return [];
      return pane.some((link) => facts.shown[link])
        ? []
        : [{ element: id, amount: 1, measured: { links: pane.length }, others: [] }];
    });
  },
  sentence: ({ element, measured }, name) =>
    measured.links === 0
      ? `${name(element)} isn’t shown here, and no link leads to it.`
      : `${name(element)} isn’t shown here, and no link that leads to it is either.`,
};

/** Whether something can be got at though it isn't seen now: it waits in what can be opened. */
function waits(facts: PageFacts, element: number): boolean {
  for (let at = element; at > 0; at = facts.elements[at]!.parent) {
    const panel = facts.panels?.get(at);
    if (panel?.here && panel.openers.some((opener) => facts.shown[opener])) return true;
    if (facts.elements[at]!.tag === 'details' && facts.shown[at]) return true;
  }
  return false;
}

/** Something of what was arranged that is gone at a width. */
export const lostContent: Check = {
  id: 'lost-content',
  title: 'An arrangement lost content',
  severity: 'broken',
  why: 'What people find on one screen they look for on another; an arrangement is to lay it out otherwise, not to take it away.',
  rule: 'WCAG 2.2, 1.4.10 Reflow: no loss of information or functionality',
  judge(facts) {
    const lost = arranged(facts).flatMap(({ i, same }) => {
      if (facts.shown[i] || waits(facts, i)) return [];
      return same.some((other) => facts.shown[other] || waits(facts, other)) ? [] : [i];
    });
    // One that says it for all that stand in it, and for all at once.
    const [first, ...rest] = lost;
    if (first === undefined) return [];
    const ids = rest.map((one) => facts.elements[one]!.id);
    return [
      { element: facts.elements[first]!.id, amount: lost.length, measured: { lost: lost.length }, others: ids.slice(0, 8) },
    ];
  },
  sentence: ({ element, measured, others }, name) =>
    measured.lost === 1
      ? `${name(element)} was arranged, and can’t be seen or opened here.`
      : `${name(element)}${others[0] ? `, ${name(others[0])}` : ''}${measured.lost! > 2 ? ` and ${measured.lost! - 2} more` : ''} were arranged, and can’t be seen or opened here.`,
};
