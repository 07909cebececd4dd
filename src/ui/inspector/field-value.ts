import type { At } from '@/core/breakpoints';
import type { Candidate, Carriage, Resolution } from '@/core/cascade';
import { carriageIn, resolve } from '@/core/cascade';
import { describeTarget } from '@/core/edits';
import type { Page, Project } from '@/core/document';

export interface FieldValue {
  /** Shared by all selected elements; undefined where they differ. */
  readonly value: string | undefined;
  readonly carriage: Carriage;
  readonly resolution: Resolution;
  /** Whether some selected element has an own value at the write target. */
  readonly ownHere: boolean;
}

const STRENGTH: readonly Carriage[] = ['set', 'carried', 'shared', 'inherited', 'default'];

/** What a field shows for the selected elements in the band that begins at `width`. */
export function fieldValue(
  project: Project,
  page: Page,
  ids: readonly string[],
  property: string,
  width: number,
  home: At,
  target: At,
): FieldValue {
  const all = ids.map((id) => resolve(project, page, id, property, width));
  const first = all[0]!;
  const carriages = all.map((resolution) => carriageIn(resolution, home));
  return {
    value: all.every((resolution) => resolution.value === first.value) ? first.value : undefined,
    carriage: STRENGTH.find((carriage) => carriages.includes(carriage)) ?? 'default',
    resolution: first,
    ownHere: ids.some((id) => page.elements[id]?.styles[target]?.[property] !== undefined),
  };
}

/** One declaration in words: "set at 900 and narrower", "shared style Card, base". */
export function describeCandidate(project: Project, candidate: Candidate): string {
  const at = describeTarget(project, candidate.at);
  switch (candidate.layer) {
    case 'own':
      return candidate.at === 'base' ? 'set at the base' : `set at ${at}`;
    case 'shared':
      return `shared style ${project.shared.find((style) => style.id === candidate.sharedId)?.name ?? ''}, ${at}`;
    case 'foundation':
      return "Mill Pond's foundation";
    case 'browser':
      return 'browser default';
  }
}

export function describeOrigin(project: Project, page: Page, { origin }: Resolution): string {
  if (origin.kind === 'initial') return 'initial value, set nowhere';
  if (origin.kind === 'declared') return describeCandidate(project, origin.candidate);
  const from = page.elements[origin.element]?.name ?? 'the page';
  return `inherited from ${from}${origin.candidate ? `: ${describeCandidate(project, origin.candidate)}` : ''}`;
}
