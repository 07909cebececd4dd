import type { Panel } from '@/core/document';
import type { PanelWish } from '@/core/plans';
import { planNoPanel, planPanel, planPanelChange } from '@/core/plans';
import { insideOf } from '@/core/edits';
import { inItsTree } from '../arranging/in-part';
import { keptIn } from '../arranging/tree';
import { report } from '../editing/edits';
import { carryOut, propose } from '../editing/proposal';
import { shownPage, useSession } from '../state/store';
import { key } from '../view/actions';

/** Asks what kind of panel the element is to be. */
export function askPanel(id = useSession.getState().selection[0]): void {
  const page = shownPage(useSession.getState());
  const why =
    id === undefined ? 'Select what is to be a panel.' : id === page.root ? 'The body of a page can’t be a panel.' : undefined;
  if (why) report(why);
  else useSession.setState({ makingPanel: id });
}

/** Makes an element a panel as it is wished. Returns whether it was made. */
export const makePanel = (id: string, wish: PanelWish): boolean =>
  carryOut((project) => {
    const { tree, ids } = keptIn([id]);
    return planPanel(project, tree, ids[0]!, { ...wish, ...(wish.opener && { opener: inItsTree(wish.opener) }) }, key);
  });

/** What a use of a part shows is a panel by its part's word. */
function keptPanel(id: string) {
  const { project } = useSession.getState();
  const owner = insideOf(project, id);
  const tree = [shownPage(useSession.getState()), ...project.parts].find(({ elements }) => owner in elements)!;
  return { tree, owner };
}

export function changePanel(id: string, change: Partial<Panel>): void {
  carryOut(() => {
    const { tree, owner } = keptPanel(id);
    return planPanelChange(tree, owner, change);
  });
}

export function noPanel(id: string): void {
  propose(() => {
    const { tree, owner } = keptPanel(id);
    return planNoPanel(tree, owner);
  });
}

/** Shows a panel open on the stage, or closed again. */
export function showOpen(id: string, isOpen: boolean): void {
  useSession.setState(({ slice }) => {
    const others = (slice.open ?? []).filter((one) => one !== id);
    return { slice: { ...slice, open: isOpen ? [...others, id] : others } };
  });
}
