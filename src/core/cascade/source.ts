import type { At, Breakpoint } from '../breakpoints/breakpoint';
import { BASE, takenBy } from '../breakpoints/breakpoint';
import type { Condition } from '../breakpoints/condition';
import { conditionInterval, holdsAt } from '../breakpoints/condition';
import type { IntervalSet } from '../breakpoints/interval';
import { ALL_WIDTHS, normalise, subtract } from '../breakpoints/interval';
import type { Held, Slice, Viewport } from '../breakpoints/viewport';
import { isHeld } from '../breakpoints/viewport';
import type { Declarations, StyleSet } from '../document/element';
import type { Pseudo, State } from '../document/pseudo';

/** Weakest first. */
export type Layer =
  'browser' | 'foundation' | 'imported' | 'kind' | 'shared' | 'part' | 'own' | 'inline' | 'alternates' | 'panel';

/** One declaration that has a say in an element's property. */
export interface Candidate {
  readonly value: string;
  readonly layer: Layer;
  /** Where it is written. Rules of imported sheets are at the base and bring conditions of their own. */
  readonly at: At;
  /** The breakpoint that takes it over from where it's written. */
  readonly via?: string;
  /** The kind, the shared style, the element of a part or the imported sheet it belongs to; `html` for the project's root. */
  readonly owner?: string;
  /** The selector and line of an imported rule. */
  readonly rule?: { readonly selector: string; readonly line: number };
  readonly important?: boolean;
  /** One of them must hold; undefined where it always holds. */
  readonly when?: readonly Condition[];
  /** None of them may hold. */
  readonly unless?: readonly Condition[];
  /** A panel that must be closed. */
  readonly closed?: string;
  /** The state and box that it is written for. */
  readonly pseudo?: Pseudo;
  /** A state that must be held, and by which element; undefined where it always is. */
  readonly held?: { readonly element: string; readonly state: State };
  /** Only a browser knows whether it holds here, or what it sets: what it has to be asked. */
  readonly unsure?: string;
  /** It was the browser that said so. */
  readonly told?: true;
  /** The same for an imported rule, whose selector may ask for states of several elements. */
  readonly holds?: (held: Held | undefined) => boolean;
}

/** All that is declared in one place: a layer at the base or under a breakpoint. */
export interface Source extends Omit<Candidate, 'value'> {
  readonly declarations: Declarations;
}

type Holding = Pick<Candidate, 'when' | 'unless' | 'closed' | 'held' | 'holds' | 'unsure'>;

/** Whether it holds, or may hold where only a browser can tell. */
export function mayHold({ when, unless, closed, held, holds }: Holding, viewport: Viewport): boolean {
  if (closed !== undefined && viewport.open?.includes(closed)) return false;
  if (unless?.some((condition) => holdsAt(condition, viewport))) return false;
  if (holds && !holds(viewport.held)) return false;
  if (held && !isHeld(viewport.held, held.element, held.state)) return false;
  return !when || when.some((condition) => holdsAt(condition, viewport));
}

/** What only a browser can tell holds where it has said so. */
export const isHolding = (source: Holding, viewport: Viewport): boolean =>
  (source.unsure === undefined || (viewport.told?.get(source.unsure) ?? false) !== false) && mayHold(source, viewport);

/** What it says of a property where it holds; null where it turns out not to say anything, undefined where nobody knows. */
export function saidOf(source: Source, property: string, { told }: Viewport): string | null | undefined {
  if (source.unsure === undefined) return source.declarations[property]!;
  const answer = told?.get(source.unsure);
  if (answer === true) return source.declarations[property]!;
  return answer === false ? null : answer?.[property];
}

/** The widths at which a declaration holds, at one height and with one pointer. */
export function heldWidths({ when, unless = [], closed, held, holds, unsure }: Holding, slice: Slice): IntervalSet {
  if (closed !== undefined && slice.open?.includes(closed)) return [];
  if (unsure !== undefined) return [];
  if (holds && !holds(slice.held)) return [];
  if (held && !isHeld(slice.held, held.element, held.state)) return [];
  const widths = (conditions: readonly Condition[]) =>
    normalise(conditions.map((condition) => conditionInterval(condition, slice)));
  return subtract(when ? widths(when) : ALL_WIDTHS, widths(unless));
}

/** What one owner declares, weakest first: base, then breakpoints in order, each after those it takes over. */
export function declared(breakpoints: readonly Breakpoint[], layer: Layer, styles: StyleSet, owner?: string): Source[] {
  const list: Source[] = [];
  const of = owner === undefined ? {} : { owner };
  if (styles[BASE]) list.push({ layer, at: BASE, declarations: styles[BASE], ...of });
  for (const { id, condition, also } of breakpoints) {
    const when = [condition];
    for (const at of also?.length ? takenBy(breakpoints, id) : [id])
      if (styles[at]) list.push({ layer, at, declarations: styles[at], when, ...of, ...(at !== id && { via: id }) });
  }
  return list;
}
