import type { Finding } from '../audit/sweep/ledger';
import type { Candidate } from '../cascade/sources';
import { kindOf } from '../document/kinds';
import type { Page, Project } from '../document/project';
import { splitPseudo } from '../document/pseudo';
import { styleSetOf } from '../document/style-sets';
import { ancestorsOf } from '../document/tree';
import { ownerOf } from '../edits/through-parts';
import { decides } from './decides';
import type { Entry } from './entries';

/** On whom a value of a recipe is written: one owner at the cause, or each element that has the fault. */
export type Writer = (node: string, property: string) => readonly string[];

/** Elements of an entry that stand to their finding as one does to the worst: the same, one around it, one that takes part. */
export function counterparts(page: Page, { findings, worst }: Entry, node: string): string[] {
  const { id, pseudo } = splitPseudo(node);
  const around = (element: string) => [element, ...ancestorsOf(page, element).map((one) => one.id)];
  const part = worst.worst.violation.others.indexOf(id);
  const up = around(worst.element).indexOf(id);
  const partUp = worst.worst.violation.others.map((other) => around(other).indexOf(id));
  const there = (finding: Finding): string | undefined => {
    if (finding.key === worst.key) return id;
    const { others } = finding.worst.violation;
    if (up >= 0) return around(finding.element)[up];
    if (part >= 0) return others[part];
    const n = partUp.findIndex((steps) => steps >= 0);
    return n >= 0 && others[n] !== undefined ? around(others[n])[partUp[n]!] : undefined;
  };
  const found = findings.flatMap((finding) => there(finding) ?? []).filter((one) => page.elements[one]);
  return [...new Set(found)].map((one) => one + pseudo);
}

/** Where a value is mended: in the part that shows the element, unless it is the use that says something of it. */
function ownWriter(page: Page, node: string, property: string): string {
  const { id, pseudo } = splitPseudo(node);
  const element = page.elements[id];
  const says = element && Object.values(styleSetOf(element, pseudo)).some((values) => property in values);
  return element && !says ? ownerOf(element, 'part') + pseudo : node;
}

/** Layers above which a kind says nothing. */
const BELOW_KIND: ReadonlySet<Candidate['layer'] | undefined> = new Set([undefined, 'browser', 'foundation', 'kind']);

/**
 * The ways in which the values of a recipe can be written for all elements of an entry, the closest to the cause first: on
 * what decides or is carried by all of them, then on each, then on all of their kind.
 */
export function writersFor(project: Project, page: Page, entry: Entry): Writer[] {
  const each: Writer = (node, property) => [
    ...new Set(counterparts(page, entry, node).map((one) => ownWriter(page, one, property))),
  ];
  const carriedBy = (nodes: readonly string[]) => {
    const lists = nodes.map((node) => page.elements[splitPseudo(node).id]!.shared);
    // The strongest of them: those before it could be overruled.
    return project.shared
      .map(({ id }) => id)
      .filter((id) => lists.every((list) => list.includes(id)))
      .at(-1);
  };
  const cause: Writer = (node, property) => {
    const owners = each(node, property);
    const { pseudo } = splitPseudo(node);
    const candidate = decides(project, page, entry.worst, node, property);
    if (candidate?.layer === 'shared' && candidate.owner) return [candidate.owner + pseudo];
    const shared = owners.length > 1 && candidate?.layer !== 'own' ? carriedBy(counterparts(page, entry, node)) : undefined;
    return shared ? [shared + pseudo] : owners;
  };
  const ofKind: Writer = (node, property) => {
    const nodes = counterparts(page, entry, node);
    const { pseudo } = splitPseudo(node);
    const kinds = new Set(nodes.map((one) => kindOf(page.elements[splitPseudo(one).id]!)?.id));
    const [kind] = kinds;
    const free = BELOW_KIND.has(decides(project, page, entry.worst, node, property)?.layer);
    return nodes.length > 1 && kinds.size === 1 && kind && free ? [kind + pseudo] : each(node, property);
  };
  return [cause, each, ofKind];
}
