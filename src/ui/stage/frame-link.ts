import type { Survey, Surveyed } from '@/core/structure';
import type { Questions } from '@/core/cascade';
import type { FrameLayout, FrameTold } from '../preview/frame-message';

interface Link {
  readonly post: (message: Readonly<Record<string, unknown>>) => void;
  /** The frame's box in the window and its scale. */
  readonly place: () => { readonly left: number; readonly top: number; readonly zoom: number } | undefined;
}

let link: Link | undefined;
let layout: FrameLayout | undefined;
let token = 0;
const waiting = new Map<number, (survey: Survey) => void>();
const asked = new Map<number, (layout: FrameLayout) => void>();
const telling = new Map<number, (told: FrameTold) => void>();

/** The preview frame that is on the stage; undefined when there is none any more. */
export function setLink(next: Link | undefined): void {
  link = next;
  forgetAsked();
}

/** What an earlier frame was asked will never be answered. */
export function forgetAsked(): void {
  waiting.clear();
  asked.clear();
  telling.clear();
}

const following = new Set<() => void>();

/** Tells of every layout that the frame on the stage reports. Returns what stops that. */
export function followLayout(tell: () => void): () => void {
  following.add(tell);
  return () => following.delete(tell);
}

export function noteLayout(latest: FrameLayout): void {
  layout = latest;
  for (const tell of following) tell();
  if (latest.token === undefined) return;
  asked.get(latest.token)?.(latest);
  asked.delete(latest.token);
}

/** What the frame measures once it has taken in all that it was told. Never answered when the frame has gone. */
export function freshLayout(): Promise<FrameLayout> {
  return new Promise((answer) => {
    asked.set(++token, answer);
    postToFrame({ type: 'measure', token });
  });
}

/** What the frame reported last: for those that ask now and then and needn't follow. */
export const latestLayout = (): FrameLayout | undefined => layout;

export function postToFrame(message: Readonly<Record<string, unknown>>): void {
  link?.post(message);
}

/** Asks the frame where everything stands. Never answered when the frame has gone. */
export function surveyFrame(): Promise<Survey> {
  return new Promise((answer) => {
    waiting.set(++token, answer);
    postToFrame({ type: 'survey', token });
  });
}

export function surveyed(of: number, boxes: readonly Surveyed[]): void {
  waiting.get(of)?.(new Map(boxes.map((box) => [box.id, box])));
  waiting.delete(of);
}

/** Asks the frame which rules hold, at the width that it has then. Never answered when the frame has gone. */
export function askFrame(questions: Questions): Promise<FrameTold> {
  return new Promise((answer) => {
    telling.set(++token, answer);
    postToFrame({ type: 'ask', token, questions });
  });
}

export function toldByFrame(told: FrameTold): void {
  telling.get(told.token)?.(told);
  telling.delete(told.token);
}

/** A place of the window in the page's own px, as the frame counts them. */
export function inPage(x: number, y: number): { x: number; y: number } | undefined {
  const place = link?.place();
  return place && { x: (x - place.left) / place.zoom, y: (y - place.top) / place.zoom };
}
