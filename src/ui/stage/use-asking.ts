import { useEffect } from 'react';
import { BOXES } from '@/core/document';
import { isAsking, questionsOn } from '@/core/cascade';
import { heldSelectors } from '@/core/render';
import { shownPage, shownProject, useSession } from '../state/store';
import { askFrame } from './frame-link';

/** A moment, so that what is only passed by isn't asked about. */
const PAUSE_MS = 120;

/** Asks the frame on the stage what only a browser can tell of what is selected, wherever the cursor comes to rest. */
export function useAsking(ready: number): void {
  const project = useSession(shownProject);
  const page = useSession(shownPage);
  const width = useSession((session) => session.width);
  const slice = useSession((session) => session.slice);
  const selection = useSession((session) => session.selection);
  const pseudo = useSession((session) => session.pseudo);
  useEffect(() => {
    const ids = selection.filter((id) => id in page.elements);
    if (ready === 0 || ids.length === 0 || !isAsking(project, page)) return undefined;
    let current = true;
    const timer = setTimeout(() => {
      const nodes = ids.flatMap((id) => [id, ...BOXES.map((box) => `${id}::${box}`)]);
      const questions = questionsOn(project, page, nodes);
      if (questions.questions.length === 0) return;
      // States are asked for as the frame holds them.
      void askFrame({ ...questions, css: heldSelectors(questions.css) }).then(({ viewport, answers }) => {
        if (current && viewport === width)
          useSession.setState({ told: { project, page, width, slice, pseudo, told: new Map(answers) } });
      });
    }, PAUSE_MS);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [ready, project, page, width, slice, selection, pseudo]);
}
