import type { At, Slice } from '@/core/breakpoints';
import { DEFAULT_SLICE } from '@/core/breakpoints';
import type { Candidate, Carriage, Resolution } from '@/core/cascade';
import { carriageIn, heldIn, lookOf, resolve } from '@/core/cascade';
import type { Written } from '@/core/edits';
import { describeTarget, ownerName, ownerOf, stylesOf } from '@/core/edits';
import type { Page, Project, Pseudo } from '@/core/document';
import { kindNamed, readPseudo, stateWord } from '@/core/document';

export interface FieldValue {
  /** The property whose story it is: of several gathered in one field, the first that is set anywhere. */
  readonly property: string;
  /** Shared by all selected elements; undefined where they differ. */
  readonly value: string | undefined;
  readonly carriage: Carriage;
  readonly resolution: Resolution;
  /** Whether some selected element has an own value at the write target. */
  readonly ownHere: boolean;
  /** The same text for the same story: what decides whether a row must be drawn again. */
  readonly story: string;
}

const STRENGTH: readonly Carriage[] = ['hidden', 'set', 'carried', 'part', 'shared', 'kind', 'imported', 'inherited', 'default'];

/** What a field shows for the selected elements in the band that begins at `width`. */
export function fieldValue(
  project: Project,
  page: Page,
  ids: readonly string[],
  property: string,
  width: number,
  home: At,
  target: At,
  slice: Slice = DEFAULT_SLICE,
  pseudo: Pseudo = '',
  written: Written = 'here',
): FieldValue {
  const all = ids.map((id) => {
    const look = lookOf(project, page, id, pseudo);
    return resolve(look.project, look.page, look.node, property, width, heldIn(look, slice));
  });
  const first = all[0]!;
  const owners = ids.map((id) => (page.elements[id] ? ownerOf(page.elements[id], written) : id));
  const inPart = owners.map((owner, i) => (owner === ids[i] ? undefined : owner));
  const carriages = all.map((resolution, i) => carriageIn(resolution, home, pseudo, inPart[i]));
  const value = all.every((resolution) => resolution.value === first.value) ? first.value : undefined;
  const carriage = STRENGTH.find((one) => carriages.includes(one)) ?? 'default';
  const ownHere = owners.some((owner) => stylesOf(project, owner + pseudo)?.[target]?.[property] !== undefined);
  const { origin } = first;
  const from =
    origin.kind === 'initial'
      ? ''
      : `${origin.element} ${origin.candidate?.layer} ${origin.candidate?.at} ${origin.candidate?.owner} ${origin.candidate?.pseudo} ${origin.candidate?.told}`;
  const story = `${owners.join()} ${pseudo} ${value} ${carriage} ${ownHere} ${origin.kind} ${from} ${[...first.beaten, ...first.doubts].map((one) => `${one.value} ${one.layer} ${one.at} ${one.pseudo} ${one.rule?.line ?? ''}`).join()}`;
  return { property, value, carriage, resolution: first, ownHere, story };
}

/** One declaration in words: "set at 900 and narrower", "shared style Card, base". */
export function describeCandidate(project: Project, candidate: Candidate): string {
  const at = describeTarget(project, candidate.at);
  const via = candidate.via ? `, taken over by ${describeTarget(project, candidate.via)}` : '';
  const { state } = readPseudo(candidate.pseudo ?? '');
  const when = state ? ` when ${stateWord(state)}` : '';
  const told = candidate.told ? ', as the browser says here' : '';
  switch (candidate.layer) {
    case 'own':
      return `set${when && `${when},`} at ${candidate.at === 'base' ? 'the base' : `${at}${via}`}`;
    case 'part':
      return `${ownerName(project, candidate.owner ?? '')}${when}, ${at}${via}`;
    case 'shared':
      return `shared style ${project.shared.find((style) => style.id === candidate.owner)?.name ?? ''}${when}, ${at}${via}`;
    case 'kind':
      return `all ${kindNamed(candidate.owner ?? '')?.many ?? ''}${when}, ${at}${via}`;
    case 'imported':
      return `${project.sheets.find((sheet) => sheet.id === candidate.owner)?.name ?? 'imported sheet'}, line ${candidate.rule?.line}: ${candidate.rule?.selector}${candidate.important ? ', !important' : ''}${told}`;
    case 'alternates':
      return 'another of its alternates shows here';
    case 'panel':
      return 'a panel, closed';
    case 'inline':
      return `its style attribute${candidate.important ? ', !important' : ''}${told}`;
    case 'foundation':
      return candidate.owner ? 'root text size of the project' : "Mill Pond's foundation";
    case 'browser':
      return `browser default${when}`;
  }
}

export function describeOrigin(project: Project, page: Page, { origin }: Resolution): string {
  if (origin.kind === 'initial') return 'initial value, set nowhere';
  if (origin.kind === 'declared') return describeCandidate(project, origin.candidate);
  const from = page.elements[origin.element]?.name ?? 'the page';
  return `inherited from ${from}${origin.candidate ? `: ${describeCandidate(project, origin.candidate)}` : ''}`;
}
