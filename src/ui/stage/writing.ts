import type { Page } from '@/core/document';
import type { Edit } from '@/core/edits';
import { EditError } from '@/core/edits';
import { renderPreview } from '@/core/render';
import type { Piece } from '@/core/written';
import { piecesIn, planContent, planJoin, planSplit } from '@/core/writing';
import { commit, report } from '../editing/edits';
import type { FrameWriting } from '../preview/frame-message';
import { shownPage, useSession } from '../state/store';
import { postToFrame } from './frame-link';

/*
 * What is written on a page, on its way into the document. A frame makes every change at once and tells what is there
 * then; here it becomes an edit, one for each burst.
 */

type Post = (message: Record<string, unknown>) => void;

/** The way to the frame in which somebody writes. */
let post: Post | undefined;
/** What that frame shows of the text, as far as it has told. */
let told = '';

/** An element that is to be written in, and what was typed before its frame began. */
let asked: { readonly id: string; typed: string } | undefined;

/** What people find, where the bar with the marks takes the focus. */
export const bar = { focus: () => undefined as void };

const page = (): Page => shownPage(useSession.getState());

/** Ids and texts: all that a frame and the document must agree on. */
const skeleton = (pieces: readonly Piece[]): unknown =>
  pieces.map((piece) => (typeof piece === 'string' ? piece : [piece.id, skeleton(piece.children)]));
const skeletonText = (pieces: readonly Piece[]) => JSON.stringify(skeleton(pieces));

export function takeWriting(message: FrameWriting, answer: Post): void {
  switch (message.type) {
    case 'writing':
      return noteWriting(message, answer);
    case 'trouble':
      return report(message.text);
    case 'marks':
      return bar.focus();
    case 'left':
      // What has the focus now is known in a moment.
      return void setTimeout(() => {
        // Another window has the keyboard: the text waits for it to come back.
        if (!document.hasFocus()) return;
        const now = document.activeElement;
        // What opens from the bar has the focus a moment later.
        const inBar = now?.closest('[data-marks-bar]') ?? document.querySelector('[data-marks-bar] [aria-expanded=true]');
        if (!inBar) answer({ type: 'stop', unlessFocused: now?.tagName === 'IFRAME' });
      });
    case 'written':
      if (skeletonText(message.pieces) === told) return undefined;
      return keep(message.pieces, answer, () => planContent(page(), message.id, message.pieces), {
        again: message.id,
        ...(message.typed && { gesture: `write ${message.id}` }),
      });
    case 'split':
      return keep(message.next[message.next.length - 1]!.pieces, answer, () =>
        planSplit(page(), message.id, message.pieces, message.next),
      );
    case 'joined':
      return keep(message.pieces, answer, () => planJoin(page(), message.id, message.gone, message.pieces));
  }
}

function noteWriting({ id, start, end, marks }: Extract<FrameWriting, { type: 'writing' }>, answer: Post): void {
  if (id === null) {
    // Another frame may have begun before this one ended.
    if (answer !== post) return;
    post = undefined;
    return useSession.setState({ writing: undefined, foretold: '' });
  }
  const { locked, name } = page().elements[id] ?? {};
  if (locked) {
    answer({ type: 'stop' });
    return report(`${name} is locked. Unlock it to write in it.`);
  }
  if (post && post !== answer) post({ type: 'stop' });
  const before = useSession.getState().writing;
  if (asked?.id === id) {
    answer({ type: 'type', text: asked.typed });
    asked = undefined;
  }
  if (before?.id !== id && page().elements[id]) told = skeletonText(piecesIn(page(), id));
  post = answer;
  useSession.setState({
    writing: { id, start, end, marks },
    foretold: 'This text changes at all widths. Escape ends it; Ctrl+Enter goes to the marks.',
    ...(before?.id !== id && { selection: [id] }),
  });
}

interface Keeping {
  /** The element to show as it was where the edit can't be made; without it the whole page. */
  readonly again?: string;
  readonly gesture?: string;
}

/** Makes the edit for what a frame shows now; the frame shows the document again where that can't be. */
function keep(pieces: readonly Piece[], answer: Post, plan: () => Edit, { again, gesture }: Keeping = {}): void {
  let problem: string | undefined;
  try {
    const edit = plan();
    told = skeletonText(pieces);
    problem = commit(edit, gesture);
  } catch (error) {
    if (!(error instanceof EditError)) throw error;
    problem = error.message;
  }
  if (!problem) return;
  report(problem);
  if (again !== undefined && page().elements[again]) showAgain(answer, again);
  else answer({ type: 'again', body: renderPreview(useSession.getState().project, page(), () => 'data:,').body() });
}

function showAgain(answer: Post, id: string): void {
  const pieces = piecesIn(page(), id);
  told = skeletonText(pieces);
  answer({ type: 'pieces', id, pieces });
}

/** What comes into the text from elsewhere, by undoing or from others, is shown where it is written. */
useSession.subscribe((session, before) => {
  if (!session.writing || !post || session.project === before.project) return;
  const { id } = session.writing;
  const { elements } = shownPage(session);
  if (!elements[id]) return post({ type: 'stop' });
  if (elements[id] !== shownPage(before).elements[id] && skeletonText(piecesIn(page(), id)) !== told) showAgain(post, id);
});

/** Begins to write in an element of the page on the stage. */
export function writeInSelected(): void {
  const [id] = useSession.getState().selection;
  if (id === undefined) return report('Select a text to write in it.');
  awaitFrame(id);
  // The frame takes the keyboard by itself; until it has, keys come here.
  postToFrame({ type: 'write', id, start: Number.MAX_SAFE_INTEGER, end: Number.MAX_SAFE_INTEGER, held: true });
}

/** Keys that come before a frame has the keyboard are kept for it. */
function awaitFrame(id: string): void {
  const mine = { id, typed: '' };
  asked = mine;
  setTimeout(() => (asked = asked === mine ? undefined : asked), ASKED_MOST);
}

/** How long a frame may take to begin, ms. */
const ASKED_MOST = 500;

/** Takes a key that belongs to a text, so that it is no command: one that comes before the frame has got the keyboard. */
export function typedBefore(key: { readonly key: string; readonly ctrl: boolean; readonly alt: boolean }): boolean {
  if (!asked) return false;
  if (key.key.length === 1 && !key.ctrl && !key.alt) asked.typed += key.key;
  return true;
}

export const stopWriting = () => post?.({ type: 'stop' });

/** Marks what is chosen in the text, or takes the mark away again. */
export function toggleMark(tag: string, more: { attributes?: Record<string, string>; shared?: readonly string[] } = {}): void {
  post?.({ type: 'toggle', tag, ...more });
}

export const breakLine = () => post?.({ type: 'break' });

/** Back from the bar into the text. */
export function backToText(): void {
  const { writing } = useSession.getState();
  if (!writing) return;
  const { id, start, end } = writing;
  awaitFrame(id);
  post?.({ type: 'write', id, start, end, held: true });
}
