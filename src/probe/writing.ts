import type { Leaf, Mark, Piece } from '@/core/written';
import { leavesOf, lengthOfAll, MARK_TAGS, marked, marksOf, piecesOf, replaced, unmarked } from '@/core/written';
import { find, idOf, send } from './nodes';
import { newId, placeOf, pointAt, readPieces, writePieces } from './written-dom';

/*
 * Writing in an element of the page. What is typed goes into the document of the frame by the browser itself, so that
 * accents, composed characters and the caret are its business; everything else is made here at once, and then told.
 */

let root: HTMLElement | undefined;
let composing = false;
let telling = 0;
/** Where to go on writing once the page has the element. */
let awaited: { readonly id: string; readonly from: number; readonly to: number } | undefined;

const NO_TEXT =
  'img input hr textarea select option optgroup video audio iframe canvas svg math table thead tbody tfoot tr colgroup col br wbr'.split(
    ' ',
  );

export const isWriting = (): boolean => root !== undefined;
/** The element that is written in. */
export const writtenIn = (): HTMLElement | undefined => root;
export const writesIn = (node: EventTarget | null): boolean => root?.contains(node as Node) ?? false;

/** The element that is written in when something is pressed twice; undefined where there are only boxes. */
export function writable(element: HTMLElement | null): HTMLElement | undefined {
  let at = element;
  while (at?.parentElement && MARK_TAGS.has(at.localName) && hasWords(at.parentElement)) at = at.parentElement;
  if (!at || NO_TEXT.includes(at.localName) || at === document.body) return undefined;
  const onlyMarks = [...at.children].every((child) => MARK_TAGS.has(child.localName) || child.localName === 'br');
  return hasWords(at) || onlyMarks ? at : undefined;
}

const hasWords = (element: Element) => [...element.childNodes].some((node) => node instanceof Text && /\S/.test(node.data));

export function selected(): readonly [number, number] {
  const selection = getSelection();
  if (!root || !selection || selection.rangeCount === 0) return [0, 0];
  const range = selection.getRangeAt(0);
  return rangeOf(range);
}

export function rangeOf({
  startContainer,
  startOffset,
  endContainer,
  endOffset,
}: StaticRange | Range): readonly [number, number] {
  const [from, to] = [placeOf(root!, startContainer, startOffset), placeOf(root!, endContainer, endOffset)];
  return from <= to ? [from, to] : [to, from];
}

function choose(from: number, to: number): void {
  getSelection()?.setBaseAndExtent(...pointAt(root!, from), ...pointAt(root!, to));
}

export const leaves = (): Leaf[] => leavesOf(readPieces(root!));

export function startWriting(element: HTMLElement, from = 0, to = Number.MAX_SAFE_INTEGER): void {
  stopWriting();
  root = element;
  for (const whole of element.querySelectorAll<HTMLElement>('[data-mp-node]'))
    if (!MARK_TAGS.has(whole.localName)) whole.contentEditable = 'false';
  element.setAttribute('contenteditable', 'true');
  // A frame that scrolls to what has the keyboard scrolls the editor around it, too.
  element.focus({ preventScroll: true });
  const length = lengthOfAll(leaves());
  choose(Math.min(from, length), Math.min(to, length));
  tellPlace();
}

/** Goes on in an element that the page has or will have in a moment. */
export function writeIn(id: string, from: number, to: number, hold = false): void {
  const element = find(id);
  awaited = element ? undefined : { id, from, to };
  if (!element) return;
  held = hold ? '' : undefined;
  startWriting(element, from, to);
  if (hold) setTimeout(() => held !== undefined && typeText(''), HELD_MOST);
}

/** What is typed waits for what was typed before the frame had the keyboard; not for ever, ms. */
const HELD_MOST = 500;
let held: string | undefined;

export function continueAwaited(): void {
  if (awaited && find(awaited.id)) writeIn(awaited.id, awaited.from, awaited.to);
}

export function stopWriting(): void {
  if (!root) return;
  tell();
  const left = root;
  root = undefined;
  composing = false;
  left.removeAttribute('contenteditable');
  for (const whole of left.querySelectorAll('[contenteditable]')) whole.removeAttribute('contenteditable');
  send({ type: 'writing', id: null, start: 0, end: 0, marks: [] });
}

/**
 * Tells what is written now; what was to be told in a moment is told with it.
 * @param typed whether it is more of the same burst
 */
export function tell(typed = true): void {
  forgetTelling();
  if (!root || composing) return;
  send({ type: 'written', id: idOf(root), pieces: readPieces(root), typed });
}

export function tellSoon(): void {
  if (document.visibilityState !== 'visible') return tell();
  telling ||= requestAnimationFrame(() => tell());
}

export function tellPlace(): void {
  if (!root) return;
  const [start, end] = selected();
  const marks = marksOf(leaves(), start, end).map(({ id, tag }) => ({ id, tag }));
  send({ type: 'writing', id: idOf(root), start, end, marks });
}

/** The inside made anew, with the caret where it belongs. */
function put(next: readonly Leaf[], from: number, to = from, typed = true): void {
  // What was typed before is a burst of its own.
  if (!typed && telling) tell();
  writePieces(root!, piecesOf(next, newId));
  fillLastLine(root!, next[next.length - 1]);
  choose(from, to);
  tell(typed);
  tellPlace();
}

/** A line that nothing stands on yet needs something to be there; browsers take it away when something does. */
function fillLastLine(element: Element, last: Leaf | undefined): void {
  const open = last !== undefined && ('atom' in last ? last.atom.tag === 'br' : last.text.endsWith('\n'));
  if (open) element.append(document.createElement('br'));
}

export function replaceWith(from: number, to: number, leaf: readonly Leaf[]): void {
  put(replaced(leaves(), from, to, leaf), from + lengthOfAll(leaf));
}

/** Marks what is chosen, or takes the mark away where all of it has it. */
export function toggleMark(tag: string, more: Pick<Mark, 'attributes' | 'shared'> = {}): void {
  if (!root) return;
  const [from, to] = selected();
  const now = leaves();
  const has = marksOf(now, from, to).find((mark) => mark.tag === tag);
  if (from === to) {
    // A place only: the whole of the mark around it loses it.
    if (has && !more.attributes) put(unmarked(now, ...stretchOf(now, has.id), tag), from, from, false);
    return;
  }
  const next =
    has && !more.attributes && !more.shared ? unmarked(now, from, to, tag) : marked(now, from, to, { id: newId(), tag, ...more });
  put(next, from, to, false);
}

/** From where to where a mark reaches. */
function stretchOf(all: readonly Leaf[], id: string): readonly [number, number] {
  let at = 0;
  let [from, to] = [Infinity, 0];
  for (const leaf of all) {
    const end = at + lengthOfAll([leaf]);
    if (leaf.path.some((mark) => mark.id === id)) [from, to] = [Math.min(from, at), end];
    at = end;
  }
  return [from, to];
}

export function breakLine(): void {
  if (root) replaceWith(...selected(), [{ atom: { id: newId(), tag: 'br' }, path: [] }]);
}

/** Words that were typed before the frame had the keyboard. */
export function typeText(text: string): void {
  const all = text + (held ?? '');
  held = undefined;
  if (root && all) document.execCommand('insertText', false, all);
}

/** What is to be told in a moment is told otherwise. */
export function forgetTelling(): void {
  cancelAnimationFrame(telling);
  telling = 0;
}

/** A word is being composed: it is told when it is whole. */
export function compose(on: boolean): void {
  composing = on && root !== undefined;
  if (!on) tellSoon();
}
export const isComposing = (): boolean => composing;

/** A key that has to wait for others. */
export function hold(key: string): boolean {
  if (held === undefined) return false;
  held += key;
  return true;
}

/** The caret goes on in another element, without an end of writing between them. */
export function moveTo(from: HTMLElement, to: HTMLElement, place: number): void {
  root = undefined;
  from.removeAttribute('contenteditable');
  startWriting(to, place, place);
}

/** The document's own content again, after something that couldn't be kept or was taken back. */
export function showPieces(id: string, pieces: readonly Piece[]): void {
  const element = find(id);
  if (!element) return;
  const place = element === root ? selected() : undefined;
  writePieces(element, pieces);
  if (place) {
    const length = lengthOfAll(leaves());
    choose(Math.min(place[0], length), Math.min(place[1], length));
    tellPlace();
  }
}
