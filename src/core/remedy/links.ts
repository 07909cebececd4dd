import type { Finding } from '../audit/sweep/ledger';
import type { Candidate } from '../cascade/sources';
import { kindOf } from '../document/kinds';
import { rowless } from '../document/list-rows';
import { partOwnersOf } from '../document/parts';
import type { Page, Project } from '../document/project';
import { parentOf } from '../document/tree';
import { blamed, hasBlame } from './cause';

/** Layers in which somebody has written something. */
const WRITTEN: ReadonlySet<Candidate['layer']> = new Set(['imported', 'kind', 'shared', 'part', 'own', 'inline']);

interface Known {
  readonly project: Project;
  readonly signatures: Map<string, string>;
  readonly deciding: Map<string, string | undefined>;
}
const memo = new WeakMap<Page, Known>();

function knownOf(project: Project, page: Page): Known {
  let known = memo.get(page);
  if (known?.project !== project) memo.set(page, (known = { project, signatures: new Map(), deciding: new Map() }));
  return known;
}

/** What is written of an element and of those around it: elements that are built and styled alike have the same. */
function signatureOf(known: Known, page: Page, id: string): string {
  let one = known.signatures.get(id);
  if (one === undefined) {
    const { tag, kind, shared, styles, pseudo, attributes, layers } = page.elements[id]!;
    const around = parentOf(page, id);
    const own = JSON.stringify([
      tag,
      kind,
      shared,
      styles,
      pseudo,
      attributes.type,
      attributes.style,
      layers?.map(({ owner }) => owner),
    ]);
    one = `${around ? signatureOf(known, page, around.id) : ''}/${own}`;
    known.signatures.set(id, one);
  }
  return one;
}

/** Where the declaration stands that decides, if somebody wrote one. */
function decidingOf({ project, deciding }: Known, page: Page, finding: Finding): string | undefined {
  const key = `${finding.check} ${finding.element} ${finding.worst.violation.others.slice(0, 2).join()} ${finding.worst.width} ${finding.worst.height ?? ''}`;
  if (deciding.has(key)) return deciding.get(key);
  let found: string | undefined;
  for (const { element, property, candidate } of blamed(project, page, finding)) {
    if (!WRITTEN.has(candidate.layer)) continue;
    const { owner = element, rule, pseudo = '', at } = candidate;
    found = JSON.stringify([rowless(owner), rule?.selector, rule?.line, pseudo, property, at]);
    break;
  }
  deciding.set(key, found);
  return found;
}

/** All that a finding may have in common with others of the same cause, each as a word of its own. */
export function linksOf(project: Project, page: Page, finding: Finding): string[] {
  const element = page.elements[finding.element];
  if (!element) return [`gone ${finding.element}`];
  const known = knownOf(project, page);
  const deciding = decidingOf(known, page, finding);
  const carried = element.shared.length > 0 ? [`shared ${element.shared.join()}`] : [];
  // Where nobody wrote anything, what browsers make of the kind is what they have in common.
  const kind =
    deciding !== undefined
      ? [`declared ${deciding}`]
      : hasBlame(finding.check)
        ? [`kind ${kindOf(element)?.id ?? element.tag}`]
        : [];
  return [
    `element ${rowless(element.id)}`,
    `alike ${signatureOf(known, page, element.id)}`,
    ...partOwnersOf(element).map((owner) => `part ${owner}`),
    ...carried,
    ...kind,
  ];
}
