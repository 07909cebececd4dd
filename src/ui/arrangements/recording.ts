import { recipeOf } from '@/core/arrangements';
import { PlanError } from '@/core/plans';
import { keptTree } from '@/core/document';
import { keptIn } from '../arranging/tree';
import { announce, commit } from '../editing/edits';
import type { Recording } from '../state/recording';
import { useSession } from '../state/store';
import { key } from '../view/actions';

/** Everything that is done to an element from now on goes into a recipe. */
export function startRecording(id: string): void {
  const { tree, ids } = keptIn([id]);
  const { history } = useSession.getState();
  useSession.setState({
    arrangementFor: undefined,
    recording: { id: ids[0]!, name: tree.elements[ids[0]!]!.name, before: keptTree(tree), after: history.undo.at(-1)?.id },
  });
  announce('Recording. Do what the recipe is to do; then keep it under a name.');
}

export const stopRecording = (): void => {
  useSession.setState({ recording: undefined });
  announce('Nothing was kept of the recording; what you did stays.');
};

/** The edits since a recording began, those that were undone meanwhile not among them. */
export function recorded({ after }: Recording) {
  const { undo } = useSession.getState().history;
  const at = after === undefined ? -1 : undo.findIndex(({ id }) => id === after);
  if (after !== undefined && at < 0) throw new PlanError('What was done before the recording has been undone: record it again.');
  return undo.slice(at + 1).map(({ edit }) => edit);
}

/** Keeps what was done as a recipe. Returns what is wrong, in words. */
export function keepRecording(name: string): string | undefined {
  const { recording } = useSession.getState();
  if (!recording) return undefined;
  try {
    const recipe = recipeOf(recording.before, recording.id, recorded(recording), name, `y${key()}`);
    const wrong = commit({ type: 'saveRecipe', recipe });
    if (!wrong) {
      useSession.setState({ recording: undefined });
      announce(`${name} is kept: it can be applied to others like ${recording.name}.`);
    }
    return wrong;
  } catch (error) {
    if (error instanceof PlanError) return error.message;
    throw error;
  }
}
