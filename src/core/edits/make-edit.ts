import { changedProblem } from '../document/problems';
import type { Project } from '../document/project';
import type { Applied } from './apply-edit';
import { applyEdit } from './apply-edit';
import type { Edit } from './edit';
import { EditError } from './edit';

/** The last edit that was asked about, as JSON. */
let foreseen: { readonly project: Project; readonly text: string; readonly applied: Applied } | undefined;

/**
 * What an edit would do. Who asks mostly makes it then, and it isn't worked out again.
 * @throws EditError where it can't be made
 */
export function foresee(project: Project, edit: Edit): Applied {
  const applied = applyEdit(project, edit);
  foreseen = { project, text: JSON.stringify(edit), applied };
  return applied;
}

/**
 * An edit made on a document for good: the document after it can be stored and read again. Windows and servers make
 * edits by this function only. What comes from outside goes through `readEdit` first.
 * @throws EditError with the reason; nothing has changed then
 */
export function makeEdit(project: Project, edit: Edit): Applied {
  const isForeseen = foreseen?.project === project && foreseen.text === JSON.stringify(edit);
  const applied = isForeseen ? foreseen!.applied : applyEdit(project, edit);
  const problem = changedProblem(project, applied.document);
  if (problem) throw new EditError(problem.message);
  return applied;
}
