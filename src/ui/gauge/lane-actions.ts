import { BASE, describeInterval, EDGE_MAX } from '@/core/breakpoints';
import type { Stretch } from '@/core/cascade';
import { isWrittenHere } from '@/core/cascade';
import type { Page, Project } from '@/core/document';
import { kindOf, splitPseudo } from '@/core/document';
import { describeTarget } from '@/core/edits';
import type { Receivers } from '@/core/plans';
import { planClear, planCopy, planEverywhere, planGive, planMakeBase, planMoveEnd, planStop, receiversOf } from '@/core/plans';
import { placesOf } from '../breakpoints/places';
import { key } from '../view/actions';
import type { Make } from '../editing/proposal';

/** One stretch of a lane, with those beside it. */
export interface StretchPlace {
  /** The element, perhaps with a state or a box behind it. */
  readonly owner: string;
  readonly property: string;
  readonly stretch: Stretch;
  readonly before: Stretch | undefined;
  readonly after: Stretch | undefined;
}

/** Something that can be done with the value on a stretch, or a further list of such. */
export type LaneAction =
  { readonly label: string; readonly make: Make } | { readonly label: string; readonly more: readonly LaneAction[] };

/** What can be done with the value on one stretch, in the order of the menu. */
export function laneActions(project: Project, page: Page, place: StretchPlace): LaneAction[] {
  const { owner, property, stretch, before, after } = place;
  const { id, pseudo } = splitPseudo(owner);
  const candidate = stretch.origin.kind === 'declared' ? stretch.origin.candidate : undefined;
  const inPart = id in page.elements ? undefined : id;
  const own = candidate && isWrittenHere(candidate, inPart) && (candidate.pseudo ?? '') === pseudo ? candidate.at : undefined;
  const actions: LaneAction[] = [];
  if (own !== undefined) {
    const values = { ids: [owner], at: own, properties: [property] };
    const give = (label: string, receivers: Receivers): LaneAction[] =>
      receiversOf(project, owner, receivers).length === 0
        ? []
        : [{ label, make: (now, slice) => planGive(now, slice, owner, own, receivers, [property]) }];
    const stop = (direction: 'narrower' | 'wider'): LaneAction => ({
      label: `Stop here, not ${direction}`,
      make: (now, slice) => planStop(now, slice, owner, property, lastBefore(stretch, direction), direction),
    });
    const kind = page.elements[id] && kindOf(page.elements[id]);
    actions.push(
      {
        label: `Clear at ${own === BASE ? 'the base' : describeTarget(project, own)}`,
        make: (now, slice) => planClear(now, slice, values),
      },
      {
        label: 'Copy to …',
        more: placesOf(project)
          .filter(({ at }) => at !== own)
          .map(({ at, words }) => ({ label: words, make: (now, slice) => planCopy(now, slice, values, at) })),
      },
      ...(own === BASE ? [] : [{ label: 'Make base', make: (now, slice) => planMakeBase(now, slice, values) } as LaneAction]),
      { label: 'At every band', make: (now, slice) => planEverywhere(now, slice, values) },
      ...give('Give to the siblings', { to: 'siblings' }),
      ...(kind ? give(`Give to all ${kind.many} on this page`, { to: 'kind', everywhere: false }) : []),
      stop('narrower'),
      stop('wider'),
    );
  }
  const grow = (side: 'from' | 'below', neighbour: Stretch): LaneAction => ({
    label: `Carry on over ${describeInterval(neighbour)}`,
    make: (now, slice) => {
      const to = side === 'from' ? neighbour.from : Math.min(neighbour.below, EDGE_MAX);
      return planMoveEnd(now, slice, owner, property, stretch[side], to, stretch.value, `b${key()}`);
    },
  });
  if (before) actions.push(grow('from', before));
  if (after) actions.push(grow('below', after));
  return actions;
}

/** The last whole width of the stretch before the end that the value would go beyond. */
function lastBefore({ from, below }: Stretch, direction: 'narrower' | 'wider'): number {
  if (direction === 'narrower') return Math.ceil(from);
  return below === Infinity ? EDGE_MAX - 1 : Math.ceil(below) - 1;
}
