import type { PageFacts } from '../facts';
import { Cut, Laying, Level, Pinned, Positioning } from '../facts';
import { chance } from './chance';

/** Elements of a page made of chance; most numbers lie near those that checks go by, so that verdicts turn. */
const COUNT = 14;
const TAGS = ['div', 'p', 'a', 'button', 'img', 'input', 'span', 'nav', 'div', 'p'];
const SIZES = [0.4, 0.6, 1, 2, 8, 12, 13, 13.4, 16, 22, 23.4, 23.6, 43.4, 43.6, 45, 60, 120, 300];

/**
 * The same page at a width, with every coordinate on a straight line from one width to another: facts as sweeps work them out.
 * @param seed of the page
 * @param share of the way, 0 to 1
 * @param jitter how far coordinates are off, px
 */
export function randomFacts(seed: number, share: number, jitter: (() => number) | undefined = undefined): PageFacts {
  const random = chance(seed);
  const whole = (most: number) => Math.floor(random() * most);
  const pick = <T>(list: readonly T[]): T => list[whole(list.length)]!;
  const maybe = (share: number, yes = 1) => (random() < share ? yes : 0);
  const off = jitter ?? (() => 0);
  /** Most things don't move; what does, does at its own pace. */
  const moving = (most: number, least = 0) => {
    const from = least + whole(most * 2) / 2 + pick([0, 0, 0.1, -0.1]);
    const by = maybe(0.4) ? (random() - 0.3) * 60 : 0;
    return from + by * share + off();
  };
  const width = 500 + 60 * share;
  const parents: number[] = [];
  const boxes: number[] = [];
  const lines: Float64Array[] = [];
  const elements = Array.from({ length: COUNT }, (_, i) => {
    const parent = i === 0 ? -1 : Math.max(0, i - 1 - whole(4));
    parents.push(parent);
    const [left, top] = i === 0 ? [0, 0] : [moving(420, -10), moving(160, -4)];
    const [across, down] =
      i === 0 ? [width, 900] : [pick(SIZES) + (maybe(0.6) ? moving(30) : off()), pick(SIZES) + (maybe(0.6) ? moving(12) : off())];
    boxes.push(left, top, left + Math.max(0, across), top + Math.max(0, down));
    const texts = i > 0 && maybe(0.55) ? 1 + whole(3) : 0;
    lines.push(
      Float64Array.from(
        Array.from({ length: texts }, (__, line) => {
          const start = left + moving(4, -2);
          return [start, top + line * 18 + off(), start + pick(SIZES) + moving(200), top + line * 18 + 16 + off()];
        }).flat(),
      ),
    );
    const tag = i === 0 ? 'body' : pick(TAGS);
    const words = texts * (1 + whole(9));
    return {
      ...{ id: `e${i}`, tag, parent, role: maybe(0.1) ? 'tab' : undefined, type: maybe(0.5) ? 'checkbox' : undefined },
      ...{ focusable: tag === 'a' || tag === 'button' || tag === 'input', words, chars: words * 6, first: maybe(0.1) === 1 },
      ...{ heads: maybe(0.15) === 1, breaks: maybe(0.2) },
    };
  });
  const bytes = (value: () => number) => Uint8Array.from(elements, value);
  return {
    elements,
    viewport: { width, height: 180 },
    scrollWidth: width + (seed % 3 === 0 ? Math.round(2 + 6 * share) : 0),
    scrollHeight: 180 + whole(3) * 40,
    boxes: Float64Array.from(boxes),
    lines,
    shown: bytes(() => 1 - maybe(0.08)),
    cutX: bytes(() => (maybe(0.25) ? pick([Cut.hidden, Cut.scrolls]) : Cut.none)),
    cutY: bytes(() => (maybe(0.25) ? pick([Cut.hidden, Cut.scrolls]) : Cut.none)),
    ellipsis: bytes(() => maybe(0.2)),
    position: bytes(() =>
      pick([Positioning.flow, Positioning.flow, Positioning.anchor, Positioning.absolute, Positioning.fixed]),
    ),
    pinned: bytes(() => (maybe(0.15) ? pick([Pinned.top, Pinned.bottom]) : Pinned.no)),
    level: bytes(() => pick([Level.block, Level.block, Level.inline, Level.inlineBlock, Level.float])),
    flow: bytes(() => pick([Laying.other, Laying.row, Laying.wrappingRow, Laying.grid])),
    fixedHeight: bytes(() => maybe(0.2)),
    share: Float64Array.from(elements, () => maybe(0.4)),
    grids: new Map(),
    visible: bytes(() => 1),
    bold: bytes(() => maybe(0.2)),
    ink: Float64Array.from({ length: COUNT * 4 }, (_, i) => (i % 4 === 3 ? 1 : pick([0, 119, 255]))),
    ground: Float64Array.from({ length: COUNT * 4 }, (_, i) => (i % 4 === 3 ? maybe(0.3) : 255)),
    backdrop: bytes(() => 0),
    opacity: Float64Array.from(elements, () => 1),
    solid: bytes(() => maybe(0.7)),
    moved: bytes(() => maybe(0.1)),
    breaks: bytes(() => 0),
    broken: bytes(() => 0),
    chars: Float64Array.from(elements, () => 0.5),
    inset: Float64Array.from(elements, () => pick([-1, 0, 16])),
    fontSize: Float64Array.from(elements, () => pick([11, 12, 16, 24])),
    scrollPadding: [0, 0],
    pictures: new Map(
      elements.flatMap(({ tag }, i) => {
        if (tag !== 'img') return [];
        const [files, own, less] = [[[80, 9_000] as const, [160, 40_000] as const], [300, 200] as const, [0, 0] as const];
        return [[i, { own, files, fit: pick(['cover', 'contain', 'fill']), less, hidden: false, waits: false }] as const];
      }),
    ),
    bandTop: undefined,
  };
}
