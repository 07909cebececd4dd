import { ownText } from '@/core/document';
import type { KeyHandling } from '../input/key-handling';
import { select } from '../view/actions';
import { commitOrReport } from '../editing/edits';
import { shownPage, useSession } from '../state/store';
import { followPageDrag, pageScrolled } from './dragging';
import { latestLayout, noteLayout, surveyed } from './frame-link';
import type { FrameMessage } from '../preview/frame-message';

/** What any preview frame says that concerns the whole workbench: hovering, choosing, keys, drags, texts. */
export function takeFrameMessage(
  message: FrameMessage,
  post: (answer: Record<string, unknown>) => void,
  keys: KeyHandling,
): void {
  if (message.type === 'layout') {
    const scrolled = message.scrollY !== latestLayout()?.scrollY;
    noteLayout(message);
    if (scrolled) pageScrolled();
  } else if (message.type === 'hover') useSession.setState({ hovered: message.id ?? undefined });
  else if (message.type === 'select') select(message.id ? [message.id] : [], message.add);
  else if (message.type === 'key') {
    if (message.up) keys.release(message.key);
    else keys.run(message);
  } else if (message.type === 'drag') followPageDrag(message);
  else if (message.type === 'survey') surveyed(message.token, message.boxes);
  else if (message.type === 'outside')
    useSession.setState({ outside: { partly: new Set(message.partly), wholly: new Set(message.wholly) } });
  else if (message.type === 'writing')
    useSession.setState({ foretold: message.id ? 'This text changes at all widths: Enter keeps it, Escape takes it back.' : '' });
  else if (message.type === 'text') {
    const instead = finishText(message);
    if (instead !== undefined) post({ type: 'text', id: message.id, text: instead });
  }
}

/** Keeps a text that was changed in place. Returns the text to show instead, where it can't be kept. */
function finishText({ id, text, keep }: Extract<FrameMessage, { type: 'text' }>): string | undefined {
  const before = shownPage(useSession.getState()).elements[id];
  if (!before || !keep || text === ownText(before)) return undefined;
  return commitOrReport({ type: 'setText', node: id, text }) ? undefined : ownText(before);
}
