import type { PageElement } from './element';
import type { Project } from './project';
import type { Styled, StyleSet } from './style-sets';
import { styleSetsOf } from './style-sets';
import { treesOf } from './tree';
import { isInUse } from './use';

type Owner = Styled & { readonly id: string };

/**
 * Everything that has values of its own, with them: at rest, in each state and for each box. What a use says of an element
 * of its part is the use's own, whether it is shown or not.
 */
export function allOwners(project: Project): { readonly id: string; readonly styles: StyleSet }[] {
  const each = (styled: Owner) => styleSetsOf(styled).map(([pseudo, styles]) => ({ id: styled.id + pseudo, styles }));
  return [
    ...Object.entries(project.kinds).map(([id, styles]) => ({ id, styles })),
    ...project.shared.flatMap(each),
    ...treesOf(project).flatMap(({ elements }) => Object.values(elements).flatMap(withSayings).flatMap(each)),
  ];
}

function withSayings(element: PageElement): readonly Owner[] {
  if (isInUse(element.id)) return [];
  if (!element.use) return [element];
  const said = Object.entries(element.use.says).filter(([path]) => path !== '');
  return [element, ...said.map(([path, saying]) => ({ id: `${element.id}.${path}`, ...saying }))];
}
