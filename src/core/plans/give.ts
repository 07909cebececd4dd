import { childIds } from '../document/content';
import type { At, Slice } from '../breakpoints';
import { BASE } from '../breakpoints';
import { kindOf } from '../document/kinds';
import type { Page, Project } from '../document/project';
import { parentOf } from '../document/tree';
import { requireElement } from '../edits/edit';
import type { ValueChange } from '../edits/value-writer';
import { describeTarget } from '../edits/set-style';
import { listed, namedTogether } from './effect';
import type { Plan } from './plan';
import { PlanError, planValues, restyleEdit } from './plan';

export type Receivers =
  | { readonly to: 'siblings' }
  | { readonly to: 'kind'; readonly everywhere: boolean }
  | { readonly to: 'shared'; readonly sharedId: string; readonly everywhere: boolean };

/** The elements, without the giver itself, that are to get what it has. */
export function receiversOf(project: Project, giver: string, receivers: Receivers): string[] {
  const { page, element } = requireElement(project, giver);
  const pages: readonly Page[] = receivers.to !== 'siblings' && receivers.everywhere ? project.pages : [page];
  const all = pages.flatMap((one) => Object.values(one.elements)).filter(({ id }) => id !== giver);
  if (receivers.to === 'siblings') {
    const parent = parentOf(page, giver);
    return parent ? childIds(parent).filter((id) => id !== giver) : [];
  }
  if (receivers.to === 'shared') return all.filter(({ shared }) => shared.includes(receivers.sharedId)).map(({ id }) => id);
  const kind = kindOf(element);
  return kind ? all.filter((other) => kindOf(other) === kind).map(({ id }) => id) : [];
}

function whom(project: Project, giver: string, receivers: Receivers, count: number): string {
  const { page, element } = requireElement(project, giver);
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
  const { element } = requireElement(project, giver);
  const given = Object.entries(element.styles[at] ?? {}).filter(([name]) => !properties || properties.includes(name));
  const place = at === BASE ? 'the base' : describeTarget(project, at);
  if (given.length === 0) throw new PlanError(`${element.name} has no own value at ${place} to give.`);
  const ids = receiversOf(project, giver, receivers);
  if (ids.length === 0) throw new PlanError('There are no others to give it to.');
  const changes = ids.flatMap((owner) => {
    const before = requireElement(project, owner).element.styles[at];
    return given
      .filter(([property, value]) => before?.[property] !== value)
      .map(([property, value]): ValueChange => ({ owner, at, property, value }));
  });
  if (changes.length === 0) throw new PlanError('They all have these values there already.');
  const sentence = `Gives ${listed(namedTogether(given.map(([name]) => name)))} of ${element.name} at ${place} to ${whom(project, giver, receivers, ids.length)}.`;
  return planValues(project, slice, ids, restyleEdit(sentence.slice(0, -1), changes), sentence);
}
