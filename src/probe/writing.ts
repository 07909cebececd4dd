import type { Leaf, Mark, Piece } from '@/core/written';
import {
  cutAt,
  leavesOf,
  lengthOfAll,
  MARK_TAGS,
  marked,
  marksOf,
  nextTag,
  piecesOf,
  replaced,
  SPLIT_TAGS,
  unmarked,
} from '@/core/written';
import { find, idOf, send } from './nodes';
import { readPasted } from './pasted';
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

function selected(): readonly [number, number] {
  const selection = getSelection();
  if (!root || !selection || selection.rangeCount === 0) return [0, 0];
  const range = selection.getRangeAt(0);
  return rangeOf(range);
}

function rangeOf({ startContainer, startOffset, endContainer, endOffset }: StaticRange | Range): readonly [number, number] {
  const [from, to] = [placeOf(root!, startContainer, startOffset), placeOf(root!, endContainer, endOffset)];
  return from <= to ? [from, to] : [to, from];
}

function choose(from: number, to: number): void {
  getSelection()?.setBaseAndExtent(...pointAt(root!, from), ...pointAt(root!, to));
}

const leaves = (): Leaf[] => leavesOf(readPieces(root!));

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
function tell(typed = true): void {
  cancelAnimationFrame(telling);
  telling = 0;
  if (!root || composing) return;
  send({ type: 'written', id: idOf(root), pieces: readPieces(root), typed });
}

function tellSoon(): void {
  if (document.visibilityState !== 'visible') return tell();
  telling ||= requestAnimationFrame(() => tell());
}

function tellPlace(): void {
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

function replaceWith(from: number, to: number, leaf: readonly Leaf[]): void {
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

/** One element becomes two; the caret goes on in the second. */
function split(): void {
  const element = root!;
  const [from, to] = selected();
  const [before, after] = cutAt(replaced(leaves(), from, to, []), from);
  const seen = new Set<string>();
  const first = piecesOf(before, newId, seen);
  const second = piecesOf(after, newId, seen);
  const atEnd = lengthOfAll(after) === 0;
  const tag = atEnd ? nextTag(element.localName) : element.localName;
  const next = tag === element.localName ? (element.cloneNode(false) as HTMLElement) : document.createElement(tag);
  next.removeAttribute('id');
  const id = newId();
  next.setAttribute('data-mp-node', id);
  element.after(next);
  const nodes = new Map([...element.querySelectorAll('[data-mp-node]')].map((node) => [idOf(node)!, node]));
  writePieces(next, second, nodes);
  writePieces(element, first, nodes);
  cancelAnimationFrame(telling);
  telling = 0;
  send({ type: 'split', id: idOf(element), pieces: first, next: { id, tag, pieces: second } });
  moveTo(element, next, 0);
}

/** The caret goes on in another element, without an end of writing between them. */
function moveTo(from: HTMLElement, to: HTMLElement, place: number): void {
  root = undefined;
  from.removeAttribute('contenteditable');
  startWriting(to, place, place);
}

/** An element and the one after it become one. */
function join(first: HTMLElement, second: HTMLElement): void {
  const [a, b] = [leavesOf(readPieces(first)), leavesOf(readPieces(second))];
  const nodes = new Map(
    [...second.querySelectorAll('[data-mp-node]'), ...first.querySelectorAll('[data-mp-node]')].map((node) => [
      idOf(node)!,
      node,
    ]),
  );
  const pieces: Piece[] = piecesOf([...a, ...b], newId);
  writePieces(first, pieces, nodes);
  const [id, gone] = [idOf(first), idOf(second)];
  cancelAnimationFrame(telling);
  telling = 0;
  second.remove();
  send({ type: 'joined', id, gone, pieces });
  moveTo(second, first, lengthOfAll(a));
}

const joinable = (element: Element | null): HTMLElement | undefined =>
  element instanceof HTMLElement && SPLIT_TAGS.has(element.localName) && writable(element) === element ? element : undefined;

function removeBackward(by: readonly [number, number]): void {
  const [from, to] = by;
  const before = joinable(root!.previousElementSibling);
  if (to === 0) {
    if (before && SPLIT_TAGS.has(root!.localName)) join(before, root!);
  } else replaceWith(from, to, []);
}

function removeForward(by: readonly [number, number]): void {
  const [from, to] = by;
  const after = joinable(root!.nextElementSibling);
  if (from === lengthOfAll(leaves())) {
    if (after && SPLIT_TAGS.has(root!.localName)) join(root!, after);
  } else replaceWith(from, to, []);
}

function paste(event: ClipboardEvent): void {
  event.preventDefault();
  const data = event.clipboardData;
  if (!root || !data) return;
  const pre = /^pre/.test(getComputedStyle(root).whiteSpace);
  const pasted = readPasted(pre ? '' : data.getData('text/html'), data.getData('text/plain'));
  if ('problem' in pasted) return send({ type: 'trouble', text: pasted.problem });
  pasted.lines.forEach((line, i) => {
    if (i > 0 && !pre && SPLIT_TAGS.has(root!.localName)) split();
    else if (i > 0)
      replaceWith(...selected(), pre ? [{ text: '\n', path: [] }] : [{ atom: { id: newId(), tag: 'br' }, path: [] }]);
    replaceWith(...selected(), line);
  });
}

const MARK_KEYS: Readonly<Record<string, string>> = { b: 'strong', i: 'em', e: 'code' };
const FORMATS: Readonly<Record<string, string>> = { formatBold: 'strong', formatItalic: 'em' };

/** What the browser is about to do to the text. */
function beforeInput(event: InputEvent): void {
  const { inputType } = event;
  if (!root || composing || inputType === 'insertCompositionText') return;
  if (inputType === 'insertText' && selected()[0] === selected()[1]) return;
  if (inputType === 'insertReplacementText') return;
  event.preventDefault();
  const [target] = event.getTargetRanges();
  const by = target ? rangeOf(target) : selected();
  if (inputType === 'insertText') replaceWith(...selected(), event.data ? [{ text: event.data, path: [] }] : []);
  else if (inputType === 'insertParagraph') split();
  else if (inputType === 'insertLineBreak') breakLine();
  else if (FORMATS[inputType]) toggleMark(FORMATS[inputType]);
  else if (/^delete.*Forward$/.test(inputType)) removeForward(by);
  else if (/^delete/.test(inputType) && inputType !== 'deleteByDrag') removeBackward(by);
}

/** @returns whether the key belongs to what is written */
export function keyWhileWriting(event: KeyboardEvent): boolean {
  if (!root) return false;
  if (event.isComposing || event.keyCode === 229) return true;
  const command = event.ctrlKey || event.metaKey;
  const key = event.key.toLowerCase();
  if (held !== undefined && event.key.length === 1 && !command && !event.altKey) {
    held += event.key;
    event.preventDefault();
    return true;
  }
  if (event.key === 'Escape' || (event.key === 'Enter' && !event.shiftKey && !command && !SPLIT_TAGS.has(root.localName))) {
    event.preventDefault();
    stopWriting();
  } else if (root.closest('button, summary') && /^( |Enter)$/.test(event.key) && !command) {
    // These would press it.
    event.preventDefault();
    // As if it were typed: a space at the end of a line must not collapse.
    if (event.key === ' ') document.execCommand('insertText', false, ' ');
    else breakLine();
  } else if (command && event.key === 'Enter') {
    event.preventDefault();
    tell();
    send({ type: 'marks' });
  } else if (command && !event.altKey && /^[zy]$/.test(key)) {
    event.preventDefault();
    tell();
    send({ type: 'key', up: false, key: event.key, ctrl: true, shift: event.shiftKey, alt: false });
  } else if (command && !event.shiftKey && !event.altKey && MARK_KEYS[key]) {
    event.preventDefault();
    toggleMark(MARK_KEYS[key]);
  }
  return true;
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

export function listenToWriting(): void {
  addEventListener('beforeinput', beforeInput, true);
  addEventListener('input', () => root && tellSoon());
  // A button is pressed when the key is let go of.
  addEventListener('keyup', (event) => root?.closest('button, summary') && event.key === ' ' && event.preventDefault(), true);
  addEventListener('compositionstart', () => (composing = root !== undefined));
  addEventListener('compositionend', () => {
    composing = false;
    tellSoon();
  });
  addEventListener('paste', paste, true);
  addEventListener('dragover', (event) => root && event.preventDefault());
  addEventListener('drop', (event) => event.preventDefault(), true);
  document.addEventListener('selectionchange', tellPlace);
}
