import { childIds } from '../document/content';
import type { At, Slice } from '../breakpoints';
import { BASE } from '../breakpoints';
import { kindOf } from '../document/kinds';
import type { Page, Project } from '../document/project';
import { parentOf, treesOf } from '../document/tree';
import { isInUse } from '../document/use';
import { splitPseudo } from '../document/pseudo';
import { requireElement } from '../edits/edit';
import { ownerName, requireStyles } from '../edits/owners';
import type { ValueChange } from '../edits/value-writer';
import { describeTarget } from '../edits/set-style';
import { listed } from '../text';
import { namedTogether } from './effect';
import type { Plan } from './plan';
import { PlanError, planValues, restyleEdit } from './plan';

export type Receivers =
  | { readonly to: 'siblings' }
  | { readonly to: 'kind'; readonly everywhere: boolean }
  | { readonly to: 'shared'; readonly sharedId: string; readonly everywhere: boolean };

/** The elements, without the giver itself, that are to get what it has. */
export function receiversOf(project: Project, giver: string, receivers: Receivers): string[] {
  const { id: giverId, pseudo } = splitPseudo(giver);
  const { page, element } = requireElement(project, giverId);
  const inState = (ids: readonly string[]) => ids.map((id) => id + pseudo);
  const everywhere = receivers.to !== 'siblings' && receivers.everywhere;
  const pages: readonly Page[] = everywhere ? treesOf(project) : [page];
  // In the whole project parts are given it themselves, and with them all of their uses.
  const all = pages
    .flatMap((one) => Object.values(one.elements))
    .filter(({ id }) => id !== giverId && !(everywhere && isInUse(id)));
  if (receivers.to === 'siblings') {
    const parent = parentOf(page, giverId);
    return parent ? inState(childIds(parent).filter((id) => id !== giverId)) : [];
  }
  if (receivers.to === 'shared')
    return inState(all.filter(({ shared }) => shared.includes(receivers.sharedId)).map(({ id }) => id));
  const kind = kindOf(element);
  return kind ? inState(all.filter((other) => kindOf(other) === kind).map(({ id }) => id)) : [];
}

function whom(project: Project, giver: string, receivers: Receivers, count: number): string {
  const { page, element } = requireElement(project, splitPseudo(giver).id);
  if (receivers.to === 'siblings') return `${count === 1 ? 'its sibling' : `its ${count} siblings`}`;
  const scope = receivers.everywhere ? 'in the project' : `on ${page.name}`;
  if (receivers.to === 'kind')
    return `${count} other ${count === 1 ? (kindOf(element)?.one ?? 'element') : (kindOf(element)?.many ?? 'elements')} ${scope}`;
  const style = project.shared.find(({ id }) => id === receivers.sharedId);
  return `${count} other ${count === 1 ? 'element' : 'elements'} that carry ${style?.name ?? 'the shared style'} ${scope}`;
}

/**
 * Gives an element's own values at one place to others as their own values there. Each may still differ afterwards.
 * @param properties those to give; all that the element has there where they aren't named
 */
export function planGive(
  project: Project,
  slice: Slice,
  giver: string,
  at: At,
  receivers: Receivers,
  properties?: readonly string[],
): Plan {
  const name = ownerName(project, giver);
  const given = Object.entries(requireStyles(project, giver)[at] ?? {}).filter(
    ([property]) => !properties || properties.includes(property),
  );
  const place = at === BASE ? 'the base' : describeTarget(project, at);
  if (given.length === 0) throw new PlanError(`${name} has no own value at ${place} to give.`);
  const ids = receiversOf(project, giver, receivers);
  if (ids.length === 0) throw new PlanError('There are no others to give it to.');
  const changes = ids.flatMap((owner) => {
    const before = requireStyles(project, owner)[at];
    return given
      .filter(([property, value]) => before?.[property] !== value)
      .map(([property, value]): ValueChange => ({ owner, at, property, value }));
  });
  if (changes.length === 0) throw new PlanError('They all have these values there already.');
  const sentence = `Gives ${listed(namedTogether(given.map(([property]) => property)))} of ${name} at ${place} to ${whom(project, giver, receivers, ids.length)}.`;
  return planValues(project, slice, ids, restyleEdit(sentence.slice(0, -1), changes), sentence);
}
