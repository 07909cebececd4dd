import { produce } from 'immer';
import type { Declarations } from '../document/element';
import type { Project } from '../document/project';

/** Element or shared style id to the declarations it has under one breakpoint. */
export type OverridesByOwner = Readonly<Record<string, Declarations>>;

/** All that is written under a breakpoint, in the whole project. */
export function overridesUnder(project: Project, breakpointId: string): OverridesByOwner {
  const owners = [...project.shared, ...project.pages.flatMap((page) => Object.values(page.elements))];
  return Object.fromEntries(
    owners.flatMap(({ id, styles }) =>
      styles[breakpointId] && Object.keys(styles[breakpointId]).length ? [[id, styles[breakpointId]]] : [],
    ),
  );
}

/** The project with one breakpoint's overrides replaced; owners that aren't there any more are left out. */
export function withOverrides(project: Project, breakpointId: string, overrides: OverridesByOwner): Project {
  return produce(project, (draft) => {
    const owners = [...draft.shared, ...draft.pages.flatMap((page) => Object.values(page.elements))];
    for (const owner of owners) {
      const declarations = overrides[owner.id];
      if (declarations) owner.styles[breakpointId] = { ...declarations };
      else delete owner.styles[breakpointId];
    }
  });
}
