import { Rule } from '../codes';
import type { Gaps } from './gaps';
import { gapsIn } from './gaps';
import type { Leading } from './leading';
import type { MeasuredTexts } from './measured-texts';
import type { Page } from './page';
import type { Typesetting } from './paragraph';
import { PlainStacks } from './plain-stacks';

/** Elements of which all that they stand in stacks, so that they are moved by what lies above them. */
export function stacked({ rule, holdsOn }: Typesetting, parents: (i: number) => number): Uint8Array {
  const found = new Uint8Array(rule.length);
  for (let i = 0; i < rule.length; i++) {
    const parent = parents(i);
    const free = i === 0 || holdsOn[i]! >= 0 || (parent >= 0 && found[parent] === 1);
    found[i] = free && rule[i] !== Rule.other ? 1 : 0;
  }
  return found;
}

/** What is needed to set lines of one paragraph below each other, between two measured viewports. */
export interface Between {
  readonly a: MeasuredTexts;
  readonly b: MeasuredTexts;
  readonly gapsA: Gaps;
  readonly gapsB: Gaps;
  readonly plain: PlainStacks;
}

export function pairOf(page: Pick<Page, 'set' | 'slack'>, a: MeasuredTexts, b: MeasuredTexts, leading: Leading): Between {
  const gapsA = gapsIn(page.set, a, leading);
  const gapsB = a === b ? gapsA : gapsIn(page.set, b, leading);
  return { a, b, gapsA, gapsB, plain: new PlainStacks(page, gapsA, gapsB) };
}
