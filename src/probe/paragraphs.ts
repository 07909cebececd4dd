import type { Leaf, Piece } from '@/core/written';
import { cutAt, leavesOf, lengthOfAll, nextTag, piecesOf, replaced, SPLIT_TAGS } from '@/core/written';
import { idOf, send } from './nodes';
import { readPasted } from './pasted';
import { forgetTelling, leaves, moveTo, replaceWith, selected, writable, writtenIn } from './writing';
import { newId, readPieces, writePieces } from './written-dom';

/* What is written across elements: one becomes several, two become one. */

const nodesIn = (...elements: readonly Element[]) =>
  new Map(elements.flatMap((one) => [...one.querySelectorAll('[data-mp-node]')].map((node) => [idOf(node)!, node] as const)));

/**
 * One element becomes several: what is chosen gives way to lines, each but the first in an element of its own. The caret
 * goes on after the last of them.
 */
function intoLines(lines: readonly (readonly Leaf[])[]): void {
  const element = writtenIn()!;
  const [from, to] = selected();
  const [before, after] = cutAt(replaced(leaves(), from, to, lines[0]!), from + lengthOfAll(lines[0]!));
  const seen = new Set<string>();
  const first = piecesOf(before, newId, seen);
  // An empty element after a heading is no heading.
  const atEnd = lengthOfAll(after) === 0;
  const tag = atEnd ? nextTag(element.localName) : element.localName;
  const nodes = nodesIn(element);
  const last = lines.length - 1;
  const next = lines.slice(1).map((line, i) => {
    const made = tag === element.localName ? (element.cloneNode(false) as HTMLElement) : document.createElement(tag);
    const id = newId();
    made.removeAttribute('id');
    made.setAttribute('data-mp-node', id);
    const pieces = piecesOf(i + 1 === last ? [...line, ...after] : line, newId, seen);
    writePieces(made, pieces, nodes);
    return { made, id, tag, pieces };
  });
  element.after(...next.map(({ made }) => made));
  writePieces(element, first, nodes);
  forgetTelling();
  send({ type: 'split', id: idOf(element), pieces: first, next: next.map(({ made: _, ...one }) => one) });
  moveTo(element, next[next.length - 1]!.made, lengthOfAll(lines[last]!));
}

/** One element becomes two; the caret goes on in the second. */
export const split = (): void => intoLines([[], []]);

/** An element and the one after it become one. */
function join(first: HTMLElement, second: HTMLElement): void {
  const [a, b] = [leavesOf(readPieces(first)), leavesOf(readPieces(second))];
  const pieces: Piece[] = piecesOf([...a, ...b], newId);
  writePieces(first, pieces, nodesIn(first, second));
  const [id, gone] = [idOf(first), idOf(second)];
  forgetTelling();
  second.remove();
  send({ type: 'joined', id, gone, pieces });
  moveTo(second, first, lengthOfAll(a));
}

const joinable = (element: Element | null): HTMLElement | undefined =>
  element instanceof HTMLElement && SPLIT_TAGS.has(element.localName) && writable(element) === element ? element : undefined;

export function removeBackward([from, to]: readonly [number, number]): void {
  const element = writtenIn()!;
  if (to > 0) return replaceWith(from, to, []);
  const before = joinable(element.previousElementSibling);
  if (before && SPLIT_TAGS.has(element.localName)) join(before, element);
}

export function removeForward([from, to]: readonly [number, number]): void {
  const element = writtenIn()!;
  if (from < lengthOfAll(leaves())) return replaceWith(from, to, []);
  const after = joinable(element.nextElementSibling);
  if (after && SPLIT_TAGS.has(element.localName)) join(element, after);
}

export function paste(event: ClipboardEvent): void {
  event.preventDefault();
  const [element, data] = [writtenIn(), event.clipboardData];
  if (!element || !data) return;
  const pre = /^pre/.test(getComputedStyle(element).whiteSpace);
  const pasted = readPasted(pre ? '' : data.getData('text/html'), data.getData('text/plain'));
  if ('problem' in pasted) return send({ type: 'trouble', text: pasted.problem });
  const { lines } = pasted;
  if (lines.length > 1 && !pre && SPLIT_TAGS.has(element.localName)) return intoLines(lines);
  const between = (): Leaf => (pre ? { text: '\n', path: [] } : { atom: { id: newId(), tag: 'br' }, path: [] });
  replaceWith(
    ...selected(),
    lines.flatMap((line, i) => (i > 0 ? [between(), ...line] : line)),
  );
}
