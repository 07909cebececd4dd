import type { Finding } from '../audit/sweep/ledger';
import type { Candidate } from '../cascade/sources';
import { DEFAULT_SLICE } from '../breakpoints/viewport';
import { heldIn, lookOf } from '../cascade/look';
import { resolve } from '../cascade/resolve';
import { pseudoOfCheck } from './pseudo-of-check';
import { sourceWords } from './source-words';
import { isProperty } from '../styles/properties';
import type { Page, Project } from '../document/project';
import { parentOf } from '../document/tree';

/** A declaration that has a part in a finding. */
export interface Cause {
  readonly element: string;
  readonly property: string;
  readonly value: string;
  /** Where it is said: "set at 599 and narrower", "shared style Card, base". */
  readonly where: string;
  readonly at: string;
}

/** Which properties can be to blame for what, the likeliest first. */
const SIZES = [
  'width',
  'min-width',
  'flex-basis',
  'grid-template-columns',
  'flex-wrap',
  'white-space',
  'padding-left',
  'margin-left',
];
const HEIGHTS = ['height', 'max-height', 'overflow-y', 'overflow-x', 'white-space', 'width'];
const ROWS = ['grid-template-columns', 'flex-direction', 'flex-wrap', 'width', 'flex-basis', 'max-width', 'column-gap'];
const BLAME: Readonly<Record<string, readonly string[]>> = {
  'sideways-scroll': SIZES,
  'outside-viewport': SIZES,
  reflow: SIZES,
  'clipped-content': HEIGHTS,
  'fixed-height': HEIGHTS,
  'overlapping-text': ['position', 'height', 'margin-top', 'line-height'],
  'overlapping-boxes': ['position', 'height', 'width'],
  'large-text': HEIGHTS,
  'spaced-text': HEIGHTS,
  'wrapped-label': ['width', 'max-width', 'font-size', 'padding-left', ...ROWS],
  'squeezed-text': ROWS,
  'broken-words': ['overflow-wrap', 'word-break', ...ROWS],
  'dropped-item': ROWS,
  'ragged-row': ['grid-template-columns', 'width'],
  'row-over-full': ['grid-template-columns', 'grid-column-start'],
  'unequal-items': ['grid-template-columns', 'flex-basis', 'min-width'],
  'small-text': ['font-size'],
  'field-zoom': ['font-size'],
  'growing-type': ['font-size'],
  contrast: ['color', 'background-color'],
  pointed: ['color', 'background-color', 'opacity', 'width', 'height'],
  focused: ['color', 'background-color', 'opacity', 'width', 'height'],
  pressed: ['color', 'background-color', 'opacity', 'width', 'height'],
  'unseen-focus': ['outline-style', 'outline-width', 'outline-color'],
  'faint-focus': ['outline-color', 'box-shadow', 'border-top-color'],
  'unknown-contrast': ['background-image', 'position'],
  'long-lines': ['max-width', 'width'],
  'small-target': ['width', 'height', 'padding-top', 'font-size'],
  'finger-target': ['width', 'height', 'padding-top', 'font-size'],
  'reading-order': ['order', 'flex-direction', 'grid-row-start', 'grid-column-start'],
  'focus-order': ['order', 'flex-direction', 'grid-row-start'],
  'covered-focus': ['position', 'top'],
  'tall-bars': ['position', 'height', 'padding-top'],
  'first-below': ['padding-top', 'margin-top', 'height', 'order', 'display'],
  'narrow-content': ['max-width', 'width'],
  'empty-screen': ['width', 'max-width'],
};

/** What these find goes by the element alone, not by what it stands in. */
const ITSELF: ReadonlySet<string> = new Set(['small-text', 'field-zoom', 'growing-type', 'small-target', 'finger-target']);

const CAUSES_MOST = 3;

/** Whether declarations can be to blame for what a check finds. */
export const hasBlame = (check: string): boolean => Object.hasOwn(BLAME, check);

/** A declaration to blame, and all that is known of where it is written. */
export interface Blamed {
  readonly element: string;
  readonly property: string;
  readonly value: string;
  readonly candidate: Candidate;
}

/** Every declaration that can be to blame, the likeliest first, at a finding's worst viewport. */
export function* blamed(project: Project, page: Page, finding: Finding): Generator<Blamed> {
  const { width, height, violation } = finding.worst;
  const slice = { ...DEFAULT_SLICE, ...(height !== undefined && { height }) };
  const own = [...violation.others.slice(0, 2), finding.element].filter((id) => page.elements[id]);
  const around = ITSELF.has(finding.check) ? [] : own.flatMap((id) => parentOf(page, id)?.id ?? []);
  for (const property of (BLAME[finding.check] ?? []).filter(isProperty))
    for (const element of new Set([...own, ...around])) {
      const look = lookOf(project, page, element, pseudoOfCheck(finding.check));
      const { value, origin } = resolve(look.project, look.page, look.node, property, width, heldIn(look, slice));
      if (origin.kind === 'declared') yield { element, property, value, candidate: origin.candidate };
    }
}

/** The declarations behind a finding at its worst viewport, from the elements that take part and those around them. */
export function causesOf(project: Project, page: Page, finding: Finding): Cause[] {
  const causes: Cause[] = [];
  for (const { element, property, value, candidate } of blamed(project, page, finding)) {
    causes.push({ element, property, value, where: sourceWords(project, candidate), at: candidate.at });
    if (causes.length === CAUSES_MOST) break;
  }
  return causes;
}
