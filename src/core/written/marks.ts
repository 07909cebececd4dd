import type { Leaf, Mark } from './pieces';
import { lengthOf } from './pieces';

export const lengthOfAll = (leaves: readonly Leaf[]): number => leaves.reduce((sum, leaf) => sum + lengthOf(leaf), 0);

/** Leaves before and after a place; a text that it lies in is cut. */
export function cutAt(leaves: readonly Leaf[], at: number): readonly [Leaf[], Leaf[]] {
  const before: Leaf[] = [];
  let left = at;
  for (const [index, leaf] of leaves.entries()) {
    const length = lengthOf(leaf);
    if (left >= length) {
      before.push(leaf);
      left -= length;
    } else if (left > 0 && 'text' in leaf) {
      const rest = { ...leaf, text: leaf.text.slice(left) };
      return [
        [...before, { ...leaf, text: leaf.text.slice(0, left) }],
        [rest, ...leaves.slice(index + 1)],
      ];
    } else return [before, leaves.slice(index)];
  }
  return [before, []];
}

function cutOut(leaves: readonly Leaf[], from: number, to: number): readonly [Leaf[], Leaf[], Leaf[]] {
  const [before, rest] = cutAt(leaves, from);
  const [inside, after] = cutAt(rest, to - from);
  return [before, inside, after];
}

const without = (leaf: Leaf, tag: string): Leaf => ({ ...leaf, path: leaf.path.filter((mark) => mark.tag !== tag) });

const same = (a: Mark, b: Mark) =>
  a.tag === b.tag &&
  JSON.stringify([a.attributes ?? {}, a.shared ?? []]) === JSON.stringify([b.attributes ?? {}, b.shared ?? []]);

/**
 * A stretch put into an element of its own: a link around all other marks, any other mark inside them. Marks of the same
 * tag in it give way; a neighbour that is just the same takes the stretch in.
 */
export function marked(leaves: readonly Leaf[], from: number, to: number, mark: Mark): Leaf[] {
  const [before, inside, after] = cutOut(leaves, from, to);
  const neighbour = [before[before.length - 1], after[0]]
    .flatMap((leaf) => leaf?.path ?? [])
    .find((one) => one.of === undefined && same(one, mark));
  const own = neighbour ?? mark;
  return [
    ...before,
    ...inside.map((leaf) => {
      // A stretch may stand in several spans, each with looks of its own.
      const { path } = mark.tag === 'span' ? leaf : without(leaf, mark.tag);
      return { ...leaf, path: mark.tag === 'a' ? [own, ...path] : [...path, own] };
    }),
    ...after,
  ];
}

/** A stretch taken out of all elements of a tag that it stands in. */
export function unmarked(leaves: readonly Leaf[], from: number, to: number, tag: string): Leaf[] {
  const [before, inside, after] = cutOut(leaves, from, to);
  return [...before, ...inside.map((leaf) => without(leaf, tag)), ...after];
}

/** A stretch replaced. What is put in stands in the elements in which the text before it stands, or else that after it. */
export function replaced(leaves: readonly Leaf[], from: number, to: number, put: readonly Leaf[]): Leaf[] {
  const [before, inside, after] = cutOut(leaves, from, to);
  const around = inside[0]?.path ?? before[before.length - 1]?.path ?? after[0]?.path ?? [];
  const holds = (tag: string) => around.some((mark) => mark.tag === tag);
  const placed = put.map((leaf) => ({ ...leaf, path: [...around, ...leaf.path.filter(({ tag }) => !holds(tag))] }));
  return [...before, ...placed, ...after];
}

/** The elements around all of a stretch; around the text before it where it is only a place. */
export function marksOf(leaves: readonly Leaf[], from: number, to: number): readonly Mark[] {
  const [before, inside, after] = cutOut(leaves, from, to);
  if (inside.length === 0) return (before[before.length - 1] ?? after[0])?.path ?? [];
  const [first, ...others] = inside;
  return first!.path.filter(({ tag }) => others.every(({ path }) => path.some((mark) => mark.tag === tag)));
}
