import type { FrameMessage } from '../preview/frame-message';

type Anchors = Extract<FrameMessage, { type: 'anchor' }>['anchors'];
type Post = (message: Record<string, unknown>) => void;

const frames = new Map<number, Post>();
let latest: Anchors | undefined;

/** A frame that scrolls along with the others. Returns how it leaves. */
export function joinLinked(key: number, post: Post): () => void {
  frames.set(key, post);
  post({ type: 'link', on: true });
  if (latest) post({ type: 'align', anchors: latest });
  return () => {
    frames.delete(key);
    post({ type: 'link', on: false });
    if (frames.size === 0) latest = undefined;
  };
}

/** One frame was scrolled: the others bring the same part of the content to their top. */
export function scrolledTo(key: number, anchors: Anchors): void {
  latest = anchors;
  for (const [other, post] of frames) if (other !== key) post({ type: 'align', anchors });
}
