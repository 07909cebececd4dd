import type { BreakpointSet } from './bands';
import type { Condition } from './condition';

/** Up to which width, px, a breakpoint is usually called so; in order, so that a neighbouring word serves where one is taken. */
const BY_WIDTH: readonly (readonly [last: number, name: string])[] = [
  [340, 'Smallest'],
  [440, 'Very narrow'],
  [640, 'Narrow'],
  [780, 'Fairly narrow'],
  [960, 'Middle'],
  [1180, 'Fairly wide'],
  [1500, 'Wide'],
  [1850, 'Very wide'],
  [Infinity, 'Widest'],
];

/** Words for what else a condition asks for. */
function besideWidth({ orientation, pointer, heightFrom, heightBelow }: Condition): string[] {
  return [
    ...(orientation ? [orientation === 'portrait' ? 'upright' : 'lying'] : []),
    ...(heightBelow !== undefined ? ['low'] : heightFrom !== undefined ? ['high'] : []),
    ...(pointer ? [`by ${pointer}`] : []),
  ];
}

const capital = (words: string) => words[0]!.toUpperCase() + words.slice(1);

/** A free name for a breakpoint that nobody has named yet: by its width, nearest words first, or with a number behind. */
export function breakpointName(
  { baseName, breakpoints }: Pick<BreakpointSet, 'breakpoints'> & { readonly baseName: string },
  condition: Condition,
): string {
  const taken = new Set([baseName, ...breakpoints.map(({ name }) => name)]);
  const { from, below } = condition;
  const beside = besideWidth(condition);
  const width = from !== undefined && below !== undefined ? (from + below) / 2 : below !== undefined ? below - 1 : from;
  let words = [capital(beside.join(', ') || 'Everywhere')];
  if (width !== undefined) {
    const home = BY_WIDTH.findIndex(([last]) => width <= last);
    words = BY_WIDTH.map(([, name], i) => ({ name, away: Math.abs(i - home) }))
      .sort((a, b) => a.away - b.away)
      .map(({ name }) => [name, ...beside].join(', '));
  }
  const free = words.find((name) => !taken.has(name));
  if (free) return free;
  for (let n = 2; ; n++) if (!taken.has(`${words[0]} ${n}`)) return `${words[0]} ${n}`;
}
