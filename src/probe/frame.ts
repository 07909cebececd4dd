import { askRules } from './ask-rules';
import { align, bringIntoSight, setLinked, tellAnchor } from './follow';
import type { Marks } from './marks';
import { drawMarks, setMarks } from './marks';
import { measure, survey } from './measured';
import { find, rectOf, send } from './nodes';
import { forgetOutside, lookOutside, stopLooking } from './outside';
import { patchRules, putBlocks, putBody, putFonts, putHtmlAttributes, putInside } from './patch';
import { hold, holdAgain } from './held';
import { cancelDrag, furtherIn, listenToPresses, pressable, setChosen } from './pressing';
import {
  breakLine,
  continueAwaited,
  isWriting,
  showPieces,
  startWriting,
  stopWriting,
  toggleMark,
  typeText,
  writable,
  writeIn,
  writesIn,
} from './writing';
import { keyWhileWriting, listenToWriting } from './typing';
import { keepReachable, openAgain, openPanels } from './opened';
import { goToPlace, isUsed, startUsing } from './using';
import { holdFixed, naturalHeight, setWhole } from './whole';

/**
 * Runs inside a preview frame of the editor (sandboxed, opaque origin). It shows what it's told to, reports where the
 * selected elements are, and hands pointer and keys on to the editor. Messages in both directions are plain data; the
 * editor checks every one of them.
 */
let selected: readonly string[] = [];
/** Whether handles, drags and the outline go by this frame; else only boxes are reported. */
let leads = true;
let hovered: string | undefined;
let scheduled = false;
/** Where the last selected element stood in the window, while it was in sight. */
let anchorTop: number | undefined;
/** The last report. */
let reported = '';

/** What is selected stays where it is on the screen while the width changes around it. */
function holdAnchor(): void {
  const element = anchorTop === undefined ? undefined : find(selected[selected.length - 1]!);
  if (element && element.getClientRects().length > 0) scrollBy(0, element.getBoundingClientRect().top - anchorTop!);
}

function noteAnchor(): void {
  const rect = selected.length > 0 ? rectOf(find(selected[selected.length - 1]!)) : null;
  anchorTop = rect && rect[1] + rect[3] > 0 && rect[1] < innerHeight ? rect[1] : undefined;
}

function report(token?: number): void {
  scheduled = false;
  holdFixed();
  noteAnchor();
  // What must be seen first is shown on the axis of heights.
  const first = leads ? [...document.querySelectorAll<HTMLElement>('[data-mp-first]')].map((node) => node.dataset.mpNode!) : [];
  const rects = Object.fromEntries([...selected, ...first, ...(hovered ? [hovered] : [])].map((id) => [id, rectOf(find(id))]));
  const root = document.documentElement;
  const last = leads && selected.length === 1 ? find(selected[0]!) : null;
  const layout = {
    rects,
    viewport: innerWidth,
    height: innerHeight,
    content: root.clientWidth,
    contentHeight: root.scrollHeight,
    naturalHeight: naturalHeight(),
    scrollWidth: root.scrollWidth,
    scrollY,
    measured: last && rectOf(last) ? measure(last) : null,
  };
  const text = JSON.stringify(layout);
  // An edit that makes the page higher is reported with its patch, and again when the page is seen to be higher.
  if (token !== undefined || text !== reported) send({ type: 'layout', ...layout, ...(token !== undefined && { token }) });
  reported = text;
  drawMarks();
  if (leads) lookOutside();
  else stopLooking();
}

// A frame outside the visible area gets no animation frames, so reports don't wait for one there.
function schedule(): void {
  if (scheduled) return;
  scheduled = true;
  if (document.visibilityState === 'visible') requestAnimationFrame(() => report());
  else setTimeout(report, 0);
}

type Message = { readonly type: string; readonly [key: string]: unknown };

const ANSWERS: Readonly<Record<string, (message: Message) => void>> = {
  rules: ({ changes }) => patchRules(changes as Parameters<typeof patchRules>[0]),
  blocks: ({ blocks }) => {
    putBlocks(blocks as Parameters<typeof putBlocks>[0]);
    openAgain();
  },
  body: ({ blocks, body }) => {
    putBlocks(blocks as Parameters<typeof putBlocks>[0]);
    putBody(body as string);
    holdAgain();
    openAgain();
    continueAwaited();
  },
  insides: ({ insides }) => {
    for (const { id, html } of insides as { id: string; html: string }[]) putInside(id, html);
    holdAgain();
    openAgain();
    continueAwaited();
  },
  open: ({ ids }) => openPanels(ids as readonly string[]),
  place: ({ id }) => goToPlace(id as string),
  held: ({ marks }) => hold(marks as readonly (readonly [string, string])[]),
  select: ({ ids, locked, leads: lead }) => {
    selected = ids as string[];
    leads = lead as boolean;
    if (!leads) forgetOutside();
    setChosen(selected, locked as string[]);
  },
  survey: ({ token }) => send({ type: 'survey', token, scrollX, scrollY, boxes: survey() }),
  ask: ({ token, questions }) =>
    send({ type: 'told', token, viewport: innerWidth, answers: askRules(questions as Parameters<typeof askRules>[0]) }),
  measure: ({ token }) => report(token as number),
  scroll: ({ by }) => scrollBy(0, by as number),
  reveal: ({ id }) => {
    bringIntoSight(find(id as string));
    noteAnchor();
  },
  write: ({ id, start, end, held }) => writeIn(id as string, start as number, end as number, held === true),
  stop: ({ unlessFocused }) => {
    if (!unlessFocused || !document.hasFocus()) stopWriting();
  },
  toggle: ({ tag, attributes, shared }) =>
    toggleMark(
      tag as string,
      { ...(attributes ? { attributes } : {}), ...(shared ? { shared } : {}) } as Parameters<typeof toggleMark>[1],
    ),
  break: () => breakLine(),
  type: ({ text }) => typeText(text as string),
  pieces: ({ id, pieces }) => showPieces(id as string, pieces as Parameters<typeof showPieces>[1]),
  again: ({ body }) => {
    stopWriting();
    putBody(body as string);
    holdAgain();
  },
  marks: ({ marks }) => setMarks(marks as Marks),
  link: ({ on }) => setLinked(on as boolean),
  align: ({ anchors }) => align(anchors as Parameters<typeof align>[0]),
  whole: ({ height }) => setWhole((height as number | null) ?? undefined),
};

function take(message: Message): void {
  if (typeof message.fonts === 'string') putFonts(message.fonts);
  if (message.html) putHtmlAttributes(message.html as Readonly<Record<string, string>>);
  if (Object.hasOwn(ANSWERS, message.type)) ANSWERS[message.type]!(message);
  schedule();
}

// The editor speaks through a port that it gives once: nobody else has it, and what goes through it isn't put off.
addEventListener('message', (event) => {
  const [port] = event.ports;
  if (event.source === parent && port) port.onmessage = ({ data }) => take(data as Message);
});

addEventListener('pointermove', (event) => {
  if (isUsed()) return;
  const id = event.buttons ? hovered : pressable(event.target);
  if (id === hovered) return;
  hovered = id;
  send({ type: 'hover', id: id ?? null });
  schedule();
});
document.documentElement.addEventListener('pointerleave', () => {
  hovered = undefined;
  send({ type: 'hover', id: null });
});
listenToPresses((event) => {
  if (isUsed()) return true;
  if (writesIn(event.target)) return true;
  stopWriting();
  return false;
});
// Links, forms and buttons of the page do nothing here, unless somebody uses it as its visitors do.
addEventListener('click', (event) => isUsed() || event.preventDefault(), true);
addEventListener('submit', (event) => event.preventDefault(), true);
keepReachable(isUsed);
addEventListener('dblclick', (event) => {
  if (isUsed()) return;
  if (writesIn(event.target)) return;
  const inner = furtherIn(event.target);
  if (inner) return send({ type: 'select', id: inner, add: false });
  const id = pressable(event.target);
  const element = writable(id === undefined ? null : find(id));
  if (element) startWriting(element);
});
addEventListener('focusout', (event) => {
  if (!writesIn(event.target)) return;
  // Only afterwards it is known where the keyboard has gone: marks of a text are chosen outside of the frame.
  setTimeout(() => {
    if (!document.hasFocus()) send({ type: 'left' });
    else if (!writesIn(document.activeElement)) stopWriting();
  });
});
listenToWriting();
// Before all else, since what the press leads to is drawn for what pressed.
addEventListener('pointerdown', ({ pointerType }) => send({ type: 'pressed', finger: pointerType === 'touch' }), true);
addEventListener(
  'keydown',
  (event) => {
    if (isUsed()) return;
    if (keyWhileWriting(event)) return;
    if (event.key === 'Escape' && cancelDrag()) return;
    // Tab walks on into the page and out of it again; everything else is the editor's.
    if (event.key === 'Tab') return;
    if (/^(Page|Home|End| )/.test(event.key) && !event.ctrlKey && !event.altKey) return;
    // With nothing chosen arrows scroll, as in any page.
    if (event.key.startsWith('Arrow') && selected.length === 0 && !event.ctrlKey && !event.altKey) return;
    event.preventDefault();
    send({
      type: 'key',
      up: false,
      key: event.key,
      ctrl: event.ctrlKey || event.metaKey,
      shift: event.shiftKey,
      alt: event.altKey,
    });
  },
  true,
);
addEventListener('keyup', (event) => {
  if (!isUsed() && !isWriting() && event.key.length === 1)
    send({ type: 'key', up: true, key: event.key, ctrl: false, shift: false, alt: false });
});
addEventListener(
  'scroll',
  (event) => {
    if (event.target === document) tellAnchor();
    schedule();
  },
  { passive: true, capture: true },
);
addEventListener('resize', () => {
  openAgain();
  holdAnchor();
  schedule();
});
new ResizeObserver(schedule).observe(document.body);
void document.fonts.ready.then(schedule);
document.fonts.addEventListener('loadingdone', schedule);
if (document.currentScript?.dataset.mpUse !== undefined) startUsing();
send({ type: 'ready' });
