import type { Breakpoint, Condition, Pointer } from '@/core/breakpoints';
import { breakpointSchema, edgeMeant, EM, shownEdge } from '@/core/breakpoints';

/** A condition as people type it: whole px include their end, "48em" is an edge in em. */
export interface ConditionFields {
  readonly from: string;
  readonly to: string;
  readonly heightFrom: string;
  readonly heightTo: string;
  readonly orientation: '' | 'portrait' | 'landscape';
  readonly pointer: '' | Pointer;
  readonly em: boolean;
}

const shown = (value: number | undefined, side: 'from' | 'below') =>
  value === undefined ? '' : String(shownEdge({ side, at: value }));

export function fieldsOf(condition: Condition): ConditionFields {
  return {
    from: shown(condition.from, 'from'),
    to: shown(condition.below, 'below'),
    heightFrom: shown(condition.heightFrom, 'from'),
    heightTo: shown(condition.heightBelow, 'below'),
    orientation: condition.orientation ?? '',
    pointer: condition.pointer ?? '',
    em: condition.unit === 'em',
  };
}

/** What was typed, as a condition; or what is wrong with it. */
export function conditionFrom(
  fields: ConditionFields,
  breakpoint: Pick<Breakpoint, 'id' | 'name'>,
): { readonly condition: Condition } | { readonly problem: string } {
  let em = fields.em;
  let problem: string | undefined;
  const size = (text: string, side: 'from' | 'below', what: string): number | undefined => {
    const trimmed = text.trim().toLowerCase();
    if (trimmed === '') return undefined;
    const [, number, unit] = /^(\d+(?:\.\d+)?|\.\d+)\s*(px|em)?$/.exec(trimmed) ?? [];
    if (number === undefined) {
      problem ??= `The ${what} is a number of px, or of em as in 48em.`;
      return undefined;
    }
    if (unit !== 'em') return edgeMeant(side, Number(number));
    em = true;
    return Number(number) * EM;
  };
  const condition: Condition = {
    from: size(fields.from, 'from', 'width'),
    below: size(fields.to, 'below', 'width'),
    heightFrom: size(fields.heightFrom, 'from', 'height'),
    heightBelow: size(fields.heightTo, 'below', 'height'),
    orientation: fields.orientation || undefined,
    pointer: fields.pointer || undefined,
    unit: em ? 'em' : undefined,
  };
  if (problem) return { problem };
  const given = Object.fromEntries(Object.entries(condition).filter(([, value]) => value !== undefined));
  const checked = breakpointSchema.safeParse({ id: breakpoint.id, name: breakpoint.name, condition: given });
  return checked.success ? { condition: given } : { problem: checked.error.issues[0]!.message };
}
