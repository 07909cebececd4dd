import { laneNames } from '@/core/cascade';
import { shownPage, shownProject, shownPseudo, useSession, useLineup } from '../state/store';

/** The properties to choose from: those that the selected element has a lane for. */
export function useProperties(): readonly string[] {
  const project = useSession(shownProject);
  const page = useSession(shownPage);
  const id = useSession((session) => (session.selection.length === 1 ? session.selection[0] : undefined));
  const pseudo = useSession(shownPseudo);
  return id && page.elements[id] ? laneNames(project, page, id, pseudo) : [];
}

/** The property whose value stands under each frame: the one that was chosen, else the element's first lane. */
export function useChosenProperty(): string | undefined {
  const chosen = useLineup((lineup) => lineup.property);
  const names = useProperties();
  return chosen ?? names[0];
}
