import { pageOf } from '@/core/document';
import { announce } from '../editing/edits';
import type { FrameMessage } from '../preview/frame-message';
import { useSession } from '../state/store';
import { showPage } from '../view/actions';

/** Lets pages in all frames work as they do for visitors, or be edited again. */
export function setUsing(on: boolean): void {
  useSession.setState({ usePage: on, usedBefore: [], usedPlace: undefined, builds: 0 });
  announce(on ? 'Pages work as for visitors now; Escape leads back.' : 'Pages are edited again.');
}

function goTo(pageId: string, place: string | undefined): void {
  useSession.setState({ usedPlace: place, builds: 0 });
  showPage(pageId);
}

/** Back to the page from which a link led here. */
export function goBack(): void {
  const { usedBefore } = useSession.getState();
  const last = usedBefore[usedBefore.length - 1];
  if (last === undefined) return announce('This is where you began.');
  useSession.setState({ usedBefore: usedBefore.slice(0, -1) });
  goTo(last, undefined);
}

export type UseMessage = Extract<FrameMessage, { type: 'follow' | 'outward' | 'built' | 'leave' }>;

export const isOfUse = (message: FrameMessage): message is UseMessage =>
  ['follow', 'outward', 'built', 'leave'].includes(message.type);

/** What frames say while their page is used. */
export function takeUse(message: UseMessage): void {
  const { usePage, project, pageId, usedBefore } = useSession.getState();
  if (!usePage) return;
  if (message.type === 'leave') return setUsing(false);
  if (message.type === 'built') return useSession.setState({ builds: message.count });
  if (message.type === 'outward')
    return announce(message.what === 'a form' ? 'A form would be sent now.' : `This leads out of the project: ${message.what}`);
  const [id = '', place] = message.page.split('#');
  const page = pageOf(project, id);
  if (!page) return announce('The page that this leads to is gone.');
  useSession.setState({ usedBefore: [...usedBefore, pageId].slice(-50) });
  goTo(id, place);
  announce(`${page.name}.`);
}
