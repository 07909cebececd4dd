import { Held } from '../codes';
import { isShown } from './float-gaps';
import type { Placing } from './placing';

/** Places what is taken out of the flow, by what it holds on to. */
export function placeOut(placing: Placing): void {
  const { boxes, share, between } = placing;
  const { holdsOn, holdsBy } = placing.page.set;
  for (let i = 1; i < holdsOn.length; i++) {
    const anchor = holdsOn[i]!;
    if (anchor < 0 || !isShown(boxes, i)) continue;
    const by = holdsBy[i]!;
    const [own, its] = [by === Held.bottom ? i * 4 + 3 : i * 4 + 1, by === Held.top ? anchor * 4 + 1 : anchor * 4 + 3];
    const from = (all: Float64Array) => all[own]! - (anchor === i ? 0 : all[its]!);
    const [x, y] = [from(between.a.facts.boxes), from(between.b.facts.boxes)];
    const place = (anchor === i ? 0 : boxes[its]!) + x + (y - x) * share;
    placing.place(i, by === Held.bottom ? boxes[i * 4 + 1]! : place);
    if (by === Held.bottom) placing.shift(i, place - boxes[own]!);
  }
}
