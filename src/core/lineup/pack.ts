export interface Size {
  readonly width: number;
  readonly height: number;
}

export interface Corner {
  readonly left: number;
  readonly top: number;
}

export interface Packed extends Size {
  /** Where each item stands, in the order in which they were given. */
  readonly places: readonly Corner[];
}

interface Step {
  readonly left: number;
  readonly width: number;
  readonly top: number;
}

/** Where an item that begins at a step would have to stand: below all steps that it lies over. */
function topAt(steps: readonly Step[], from: number, width: number): number {
  const right = steps[from]!.left + width;
  let top = 0;
  for (let i = from; i < steps.length && steps[i]!.left < right; i++) top = Math.max(top, steps[i]!.top);
  return top;
}

function raised(steps: readonly Step[], left: number, width: number, top: number): Step[] {
  const right = left + width;
  const next: Step[] = [];
  for (const step of steps) {
    const end = step.left + step.width;
    if (end <= left || step.left >= right) {
      next.push(step);
      continue;
    }
    if (step.left < left) next.push({ ...step, width: left - step.left });
    if (end > right) next.push({ left: right, width: end - right, top: step.top });
  }
  next.push({ left, width, top });
  return next.sort((a, b) => a.left - b.left);
}

/**
 * Frames of any sizes in a room that is as wide as it is and as high as it takes: each where it stands highest, then
 * furthest left, so that short ones leave no hole under them. One that is wider than the room makes the room wider.
 * All numbers in the same unit, 0 or more.
 */
export function packFrames(items: readonly Size[], roomWidth: number, gap: number): Packed {
  const room = Math.max(roomWidth, ...items.map(({ width }) => width)) + gap;
  let steps: Step[] = [{ left: 0, width: room, top: 0 }];
  let height = 0;
  let right = 0;
  const places = items.map((item): Corner => {
    const width = item.width + gap;
    let best: Corner | undefined;
    steps.forEach(({ left }, i) => {
      if (left + width > room) return;
      const top = topAt(steps, i, width);
      if (!best || top < best.top) best = { left, top };
    });
    // The first step always has room: no item is wider than the room.
    const { left, top } = best!;
    steps = raised(steps, left, width, top + item.height + gap);
    height = Math.max(height, top + item.height);
    right = Math.max(right, left + item.width);
    return { left, top };
  });
  return { places, width: right, height };
}

/** The least zoom at which people can still read running text of 16 px. */
export const LEGIBLE = 0.42;

/**
 * The greatest zoom at which all frames stand in a room at once; never so small that text can't be read (the room
 * then scrolls), and never above 1.
 * @param around what stands around each frame at any zoom, px
 */
export function fitZoom(frames: readonly Size[], room: Size, gap: number, around: number): number {
  const fits = (zoom: number) => {
    const items = frames.map(({ width, height }) => ({ width: width * zoom, height: height * zoom + around }));
    const { width, height } = packFrames(items, room.width, gap);
    return width <= room.width && height <= room.height;
  };
  if (frames.length === 0 || fits(1)) return 1;
  let [low, high] = [LEGIBLE, 1];
  if (!fits(low)) {
    // What can't all be seen at once is at least no wider than the room.
    const widest = Math.max(...frames.map(({ width }) => width));
    return Math.max(LEGIBLE, Math.min(0.5, room.width / widest));
  }
  for (let i = 0; i < 12; i++) {
    const middle = (low + high) / 2;
    if (fits(middle)) low = middle;
    else high = middle;
  }
  return Math.floor(low * 100) / 100;
}
