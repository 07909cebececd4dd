import type { Breakpoint } from './breakpoint';
import { defaultOrder } from './breakpoint';
import { bandsOf, describeInterval } from './bands';
import type { BreakpointSet } from './bands';
import { cellsOf, holdingIn } from './cells';
import type { Condition } from './condition';
import { describeCondition, edgesOf, isWidthOnly, sameCondition, shownEdge } from './condition';

/** Bands narrower than this are hardly ever meant, px. */
const LEAST_BAND = 40;
/** How far a device's width should lie from an edge, px: a scrollbar or a rounding must not carry it across. */
const CLEAR = 8;

const SET_PROBLEMS = ['hole', 'overlap', 'duplicate', 'never-holds', 'never-reached', 'thin-band', 'device-on-edge'] as const;
export type SetProblemKind = (typeof SET_PROBLEMS)[number];

/** What a mend would do to the set. */
export type Mend =
  | { readonly do: 'change'; readonly id: string; readonly condition: Condition }
  | { readonly do: 'remove'; readonly id: string }
  /** The values of `id` go to `into`, where that has none of its own. */
  | { readonly do: 'merge'; readonly id: string; readonly into: string }
  | { readonly do: 'reorder'; readonly id: string; readonly index: number };

export interface SetProblem {
  readonly kind: SetProblemKind;
  readonly breakpoints: readonly string[];
  readonly sentence: string;
  readonly mend: Mend;
  /** What the mend does, as a verb and its object: "Let Narrow begin at 800". */
  readonly offer: string;
}

interface DeviceWidth {
  readonly name: string;
  readonly width: number;
}

/**
 * What is likely wrong with a set of breakpoints, in the order of `SET_PROBLEMS`. Each comes with one mend; mending
 * may bring up another.
 */
export function checkSet(set: BreakpointSet, devices: readonly DeviceWidth[]): SetProblem[] {
  const list = set.breakpoints;
  const cells = cellsOf(list.map(({ condition }) => condition));
  const held = cells.map((cell) => holdingIn(list, cell));
  const never = list.filter((one) => !held.some((holding) => holding.includes(one)));
  const sound = list.filter((one) => !never.includes(one));
  const duplicates = duplicatesIn(sound);
  const doubled = new Set(duplicates.flatMap(({ breakpoints }) => breakpoints));
  const problems = [
    ...holes(set, sound),
    ...overlaps(sound.filter(({ id }) => !doubled.has(id))),
    ...duplicates,
    ...never.map((one): SetProblem => ({
      kind: 'never-holds',
      breakpoints: [one.id],
      sentence: `${one.name} (${describeCondition(one.condition)}) can hold on no screen.`,
      mend: { do: 'remove', id: one.id },
      offer: `Remove ${one.name}`,
    })),
    ...unreached(
      sound.filter(({ id }) => !doubled.has(id)),
      list,
      held,
    ),
    ...thinBands(set, sound),
    ...devicesOnEdges(sound, devices),
  ];
  return problems.sort((a, b) => SET_PROBLEMS.indexOf(a.kind) - SET_PROBLEMS.indexOf(b.kind));
}

const bounded = ({ condition }: Breakpoint) => condition.from !== undefined && condition.below !== undefined;

function holes(set: BreakpointSet, list: readonly Breakpoint[]): SetProblem[] {
  const plain = list.filter(({ condition }) => isWidthOnly(condition));
  const bands = bandsOf({ breakpoints: plain, baseName: set.baseName });
  return bands.flatMap((band, i): SetProblem[] => {
    if (band.holds.length > 0 || i === 0 || i === bands.length - 1) return [];
    const under = plain.filter(({ condition }) => condition.below === band.from);
    const over = plain.filter(({ condition }) => condition.from === band.below);
    const lower = under[0];
    const upper = over[0];
    if (!lower || !upper) return [];
    const between = under.some(bounded) && over.some(bounded);
    if (band.below - band.from >= LEAST_BAND && !between) return [];
    const width = describeInterval(band);
    const fraction = Math.ceil(band.from) >= band.below;
    return [
      {
        kind: 'hole',
        breakpoints: [lower.id, upper.id],
        sentence: `Between ${lower.name} and ${upper.name} there is a hole${fraction ? `: widths from ${band.from} to ${band.below} fall through` : ` at ${width}`}.`,
        mend: { do: 'change', id: lower.id, condition: { ...lower.condition, below: band.below } },
        offer: `Let ${lower.name} go on to ${shownEdge({ side: 'below', at: band.below })}`,
      },
    ];
  });
}

/** Two that meet and share a few px, where neither lies inside the other. */
function overlaps(list: readonly Breakpoint[]): SetProblem[] {
  const plain = list.filter(({ condition }) => isWidthOnly(condition));
  return plain.flatMap((upper) =>
    plain.flatMap((lower): SetProblem[] => {
      const start = upper.condition.from;
      const end = lower.condition.below;
      if (start === undefined || end === undefined || lower === upper) return [];
      if (start >= end || end - start >= LEAST_BAND) return [];
      const inside = (lower.condition.from ?? 0) >= start || (upper.condition.below ?? Infinity) <= end;
      if (inside) return [];
      return [
        {
          kind: 'overlap',
          breakpoints: [lower.id, upper.id],
          sentence: `${lower.name} and ${upper.name} both hold at ${describeInterval({ from: start, below: end })}.`,
          mend: { do: 'change', id: lower.id, condition: { ...lower.condition, below: start } },
          offer: `Let ${lower.name} end before ${start}`,
        },
      ];
    }),
  );
}

function duplicatesIn(list: readonly Breakpoint[]): SetProblem[] {
  return list.flatMap((one, i): SetProblem[] => {
    const earlier = list.slice(0, i).find((other) => sameCondition(other.condition, one.condition));
    return earlier
      ? [
          {
            kind: 'duplicate',
            breakpoints: [earlier.id, one.id],
            sentence: `${earlier.name} and ${one.name} hold at the same viewports (${describeCondition(one.condition)}).`,
            mend: { do: 'merge', id: earlier.id, into: one.id },
            offer: `Put the values of ${earlier.name} into ${one.name}`,
          },
        ]
      : [];
  });
}

/** One that holds only where another, later one holds as well: on whatever both set, it never has a say. */
function unreached(
  list: readonly Breakpoint[],
  order: readonly Breakpoint[],
  held: readonly (readonly Breakpoint[])[],
): SetProblem[] {
  return list.flatMap((one): SetProblem[] => {
    const where = held.filter((holding) => holding.includes(one));
    const stronger = order
      .slice(order.indexOf(one) + 1)
      .find((other) => list.includes(other) && where.every((holding) => holding.includes(other)));
    if (!stronger) return [];
    return [
      {
        kind: 'never-reached',
        breakpoints: [one.id, stronger.id],
        sentence: `${stronger.name} comes later in the order and holds wherever ${one.name} does, so ${stronger.name} always wins.`,
        mend: { do: 'reorder', id: one.id, index: order.indexOf(stronger) },
        offer: `Put ${one.name} after ${stronger.name}`,
      },
    ];
  });
}

function thinBands(set: BreakpointSet, list: readonly Breakpoint[]): SetProblem[] {
  const plain = list.filter(({ condition }) => isWidthOnly(condition));
  const bands = bandsOf({ breakpoints: plain, baseName: set.baseName });
  return bands.flatMap((band): SetProblem[] => {
    const home = plain.find(({ id }) => id === band.home);
    const width = band.below - band.from;
    if (!home || width >= LEAST_BAND || band.from === 0 || band.below === Infinity) return [];
    // Overlaps and holes are told as what they are.
    if (band.holds.length > 1 && !nested(plain, band.holds)) return [];
    const inner = edgesOf(home.condition);
    const own = inner.find(({ side, at }) => (side === 'below' ? at === band.below : at === band.from));
    if (!own) return [];
    const at = own.side === 'below' ? band.from + LEAST_BAND : band.below - LEAST_BAND;
    const condition = { ...home.condition, [own.side]: at };
    if (at <= LEAST_BAND || (condition.from ?? 0) >= (condition.below ?? Infinity)) return [];
    return [
      {
        kind: 'thin-band',
        breakpoints: [home.id],
        sentence: `The band ${band.name} (${describeInterval(band)}) is only ${Math.round(width * 100) / 100} px wide.`,
        mend: { do: 'change', id: home.id, condition },
        offer: `Move ${home.name} to ${describeCondition(condition)}`,
      },
    ];
  });
}

/** Whether each of these lies inside the one before it. */
function nested(list: readonly Breakpoint[], ids: readonly string[]): boolean {
  const found = ids.flatMap((id) => list.find((one) => one.id === id) ?? []);
  return found.every((one, i) => {
    const outer = found[i - 1]?.condition;
    if (!outer) return true;
    const { from = 0, below = Infinity } = one.condition;
    return from >= (outer.from ?? 0) && below <= (outer.below ?? Infinity);
  });
}

function devicesOnEdges(list: readonly Breakpoint[], devices: readonly DeviceWidth[]): SetProblem[] {
  return list.flatMap((one) =>
    edgesOf(one.condition).flatMap(({ side, at }): SetProblem[] => {
      // The last px under the edge and the first above it.
      const device = devices.find(({ width }) => width === Math.ceil(at) || width === Math.ceil(at) - 1);
      if (!device) return [];
      const moved = device.width >= at ? device.width - CLEAR : device.width + 1 + CLEAR;
      const condition = { ...one.condition, [side]: moved };
      if ((condition.from ?? 0) >= (condition.below ?? Infinity)) return [];
      return [
        {
          kind: 'device-on-edge',
          breakpoints: [one.id],
          sentence: `${device.name} (${device.width} wide) sits right on the edge of ${one.name} (${describeCondition(one.condition)}).`,
          mend: { do: 'change', id: one.id, condition },
          offer: `Move ${one.name} to ${describeCondition(condition)}`,
        },
      ];
    }),
  );
}

/** Where a breakpoint would stand in the default order of a set. */
export function defaultIndex(breakpoints: readonly Breakpoint[], id: string): number {
  return [...breakpoints].sort(defaultOrder).findIndex((one) => one.id === id);
}
