/** How high a frame that shows a whole page may become, CSS px. */
export const WHOLE_MOST = 20_000;
/** A page that asks for more height this many times in a row only because it got some grows without end. */
const ROUNDS_MOST = 6;

export interface Whole {
  /** CSS px. */
  readonly height: number;
  readonly rounds: number;
  /** Why less than the whole page shows. */
  readonly cut?: 'endless' | 'long';
}

/** The height to give a frame next, after its page turned out to be `natural` px high in the height that it had. */
export function nextWhole(before: Whole, natural: number, least: number): Whole {
  const height = Math.max(natural, least);
  if (before.cut || height === before.height) return before;
  if (height > WHOLE_MOST) return { height: WHOLE_MOST, rounds: before.rounds, cut: 'long' };
  if (height > before.height && before.rounds >= ROUNDS_MOST) return { ...before, cut: 'endless' };
  return { height, rounds: before.rounds + 1 };
}

export function cutInWords(cut: NonNullable<Whole['cut']>): string {
  return cut === 'endless'
    ? 'This page grows with its viewport without end; it is cut here.'
    : `This page is higher than ${WHOLE_MOST.toLocaleString('en')} px; it is cut there.`;
}
