import type { KeyHandling } from '../input/key-handling';
import { select } from '../view/actions';
import { useSession } from '../state/store';
import { followPageDrag, pageScrolled } from './dragging';
import { latestLayout, noteLayout, surveyed, toldByFrame } from './frame-link';
import type { FrameMessage, FrameWriting } from '../preview/frame-message';
import { isOfUse, takeUse } from '../using/using';
import { takeWriting } from './writing';

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
  else if (message.type === 'told') toldByFrame(message);
  else if (message.type === 'outside')
    useSession.setState({ outside: { partly: new Set(message.partly), wholly: new Set(message.wholly) } });
  else if (isOfUse(message)) takeUse(message);
  else if (isOfWriting(message)) takeWriting(message, post);
}

const isOfWriting = (message: FrameMessage): message is FrameWriting =>
  ['writing', 'written', 'split', 'joined', 'marks', 'left', 'trouble'].includes(message.type);
