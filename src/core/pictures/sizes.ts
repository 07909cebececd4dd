/** How wide a picture is shown from a width of the viewport on: `slope` times that width and `offset` px. */
export interface SizePiece {
  readonly from: number;
  readonly slope: number;
  readonly offset: number;
}

/** How wide a picture is shown in a viewport, both CSS px; 0 where it isn't shown. */
export type Measured = readonly [viewport: number, width: number];

/** What is written may be off by as much, px. */
const TOLERANCE = 0.75;
/** What is asked for where it isn't shown: the narrowest file. */
const UNSEEN: Omit<SizePiece, 'from'> = { slope: 0, offset: 1 };

const rounded = (value: number, digits: number) => Number(value.toFixed(digits));

/** The plainest line through the first point that all of them lie on within the tolerance. */
function lineFor([first, ...rest]: readonly Measured[], least: number, most: number): Omit<SizePiece, 'from'> {
  const [at, width] = first!;
  const share = width / at;
  if (rest.length === 0 || (least <= 0 && most >= 0)) return { slope: 0, offset: rounded(width, 1) };
  if (least <= share && share <= most && rounded(share, 3) === rounded(share, 4)) return { slope: rounded(share, 3), offset: 0 };
  // As plain as it can be: 40vw rather than 39.79vw.
  const middle = (least + most) / 2;
  const slope = [2, 3].map((digits) => rounded(middle, digits)).find((one) => least <= one && one <= most) ?? rounded(middle, 4);
  return { slope, offset: rounded(width - slope * at, 1) };
}

/**
 * Lines that say how wide a picture is shown at all viewports that were measured, as few as keep within 0.75 px of each.
 * @param measured narrow viewports first
 */
export function piecesFor(measured: readonly Measured[]): readonly SizePiece[] {
  const pieces: SizePiece[] = [];
  for (let start = 0; start < measured.length;) {
    const [at, width] = measured[start]!;
    let [least, most, end] = [-Infinity, Infinity, start + 1];
    for (; end < measured.length; end++) {
      const [next, there] = measured[end]!;
      if ((there === 0) !== (width === 0)) break;
      const [low, high] = [(there - TOLERANCE - width) / (next - at), (there + TOLERANCE - width) / (next - at)];
      if (Math.max(least, low) > Math.min(most, high)) break;
      [least, most] = [Math.max(least, low), Math.min(most, high)];
    }
    const line = width === 0 ? UNSEEN : lineFor(measured.slice(start, end), least, most);
    const last = pieces[pieces.length - 1];
    if (last?.slope !== line.slope || last.offset !== line.offset) pieces.push({ from: at, ...line });
    start = end;
  }
  return pieces;
}

/** How wide a picture is shown by those lines, CSS px. */
export function sizeAt(pieces: readonly SizePiece[], viewport: number): number {
  const piece = pieces.findLast(({ from }) => from <= viewport) ?? pieces[0];
  return piece ? Math.max(1, piece.slope * viewport + piece.offset) : viewport;
}

function lengthFor({ slope, offset }: SizePiece): string {
  if (slope === 0) return `${offset}px`;
  const share = `${rounded(slope * 100, 2)}vw`;
  return offset === 0 ? share : `calc(${share} ${offset < 0 ? '-' : '+'} ${Math.abs(offset)}px)`;
}

/** The same as the `sizes` of an image (HTML, 4.8.4.2.2): the widest first, the narrowest without a condition. */
export function sizesText(pieces: readonly SizePiece[]): string {
  const [narrowest, ...wider] = pieces;
  if (!narrowest) return '100vw';
  return [...wider.reverse().map((piece) => `(min-width: ${piece.from}px) ${lengthFor(piece)}`), lengthFor(narrowest)].join(', ');
}
