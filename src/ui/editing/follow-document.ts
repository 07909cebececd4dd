import { cutsAcross, DEFAULT_SLICE } from '@/core/breakpoints';
import { conditionsOf } from '@/core/cascade';
import type { Project } from '@/core/document';
import { pageOf } from '@/core/document';
import { useSession } from '../state/store';
import { allWidthsChanged } from '../measuring/sweep';

/** Lets go of what the document no longer has: a page, chosen elements, a height that nothing asks for any more. */
export function followDocument(document: Project): void {
  const { selection, pageId, slice } = useSession.getState();
  const page = pageOf(document, pageId);
  if (!page) useSession.setState({ pageId: document.pages[0]!.id, selection: [], selectedFinding: undefined });
  const still = selection.filter((id) => page && id in page.elements);
  if (still.length !== selection.length) useSession.setState({ selection: still });
  // Without a condition on it, height and pointer can't be chosen: the usual ones hold again.
  if (slice !== DEFAULT_SLICE && !cutsAcross(conditionsOf(document))) {
    useSession.setState({ slice: DEFAULT_SLICE });
    allWidthsChanged();
  }
}
