import type { Project } from './project';
import type { Styled, StyleSet } from './style-sets';
import { styleSetsOf } from './style-sets';

/** Everything that has values of its own, with them: at rest, in each state and for each box. */
export function allOwners(project: Project): { readonly id: string; readonly styles: StyleSet }[] {
  const each = (styled: Styled & { readonly id: string }) =>
    styleSetsOf(styled).map(([pseudo, styles]) => ({ id: styled.id + pseudo, styles }));
  return [
    ...Object.entries(project.kinds).map(([id, styles]) => ({ id, styles })),
    ...project.shared.flatMap(each),
    ...project.pages.flatMap((page) => Object.values(page.elements).flatMap(each)),
  ];
}
