import type { Leading } from './leading';
import type { Typesetting } from './paragraph';

/** A page with its texts, and what follows from them. */
export interface Page {
  readonly set: Typesetting;
  readonly leading: Leading;
  /** By element the paragraphs whose block it is. */
  readonly inside: readonly (readonly number[])[];
  /** 1 for elements that are moved by what lies above them, and so is all that they stand in. */
  readonly inStack: Uint8Array;
  /** 1 for elements that may be higher than what stands in them asks for. */
  readonly slack: Uint8Array;
  /** By cell how much higher it is by itself than its content, px, where that showed at a measured viewport. */
  readonly rests: Map<number, number>;
}
