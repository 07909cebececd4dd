import type { Held, Slice, Viewport } from '../breakpoints/viewport';
import { sameClassNames } from '../document/class-names';
import type { Page, Project } from '../document/project';
import type { Pseudo, State } from '../document/pseudo';
import { isUsed, readPseudo } from '../document/pseudo';
import { pageInState, wholePageInState } from '../document/state-pages';
import { ancestorsOf } from '../document/tree';

/** What has to be asked to learn what an element, or a box of it, looks like in a state. */
export interface Look {
  /** With the page on which the document says that it is in that state, where it is the document that says so. */
  readonly project: Project;
  readonly page: Page;
  /** The element's id, or that of its box. */
  readonly node: string;
  /** What is pointed at, pressed or focused. */
  readonly held?: Held | undefined;
}

const projects = new WeakMap<Project, WeakMap<Page, Project>>();

function projectWith(project: Project, page: Page, instead: Page): Project {
  if (page === instead) return project;
  let known = projects.get(project);
  if (!known) projects.set(project, (known = new WeakMap()));
  let made = known.get(instead);
  if (!made) {
    made = { ...project, pages: project.pages.map((one) => (one === page ? instead : one)) };
    sameClassNames(project, made);
    known.set(instead, made);
  }
  return made;
}

/** @param pseudo a state, a box, both, or nothing for the element at rest */
export function lookOf(project: Project, page: Page, elementId: string, pseudo: Pseudo): Look {
  if (pseudo === '') return { project, page, node: elementId };
  const { state, box } = readPseudo(pseudo);
  const node = box ? `${elementId}::${box}` : elementId;
  if (state === undefined) return { project, page, node };
  if (isUsed(state)) {
    const around = ancestorsOf(page, elementId).map(({ id }) => id);
    // What is pressed is pointed at too.
    const states = state === 'active' ? ['hover', 'active'] : [state];
    return { project, page, node, held: { element: elementId, states, around } };
  }
  const instead = pageInState(page, elementId, state);
  return { project: projectWith(project, page, instead), page: instead, node };
}

/** A look with what the document says in one more of its states. */
export function inDocumentState(project: Project, page: Page, look: Look, elementId: string, state: State): Look {
  const instead = pageInState(look.page, elementId, state);
  return { ...look, project: projectWith(project, page, instead), page: instead };
}

/** The page that a frame shows while an element is held in a state, and what it marks. */
export function shownIn(project: Project, page: Page, elementId: string, state: State): Omit<Look, 'node'> {
  const { held } = lookOf(project, page, elementId, `:${state}`);
  const instead = isUsed(state) ? page : wholePageInState(page, elementId, state);
  return { project: projectWith(project, page, instead), page: instead, held };
}

/** A slice, or a viewport, with what a look holds. */
export function heldIn<S extends Slice | Viewport>({ held }: Look, slice: S): S {
  return held ? { ...slice, held } : slice;
}
