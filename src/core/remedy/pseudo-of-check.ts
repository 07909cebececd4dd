import type { Pseudo } from '../document/pseudo';

const BY_CHECK: Readonly<Record<string, Pseudo>> = {
  pointed: ':hover',
  focused: ':focus-visible',
  pressed: ':active',
  'unseen-focus': ':focus-visible',
  'faint-focus': ':focus-visible',
};

/** The state in which a check looks at elements; empty at rest. */
export const pseudoOfCheck = (check: string): Pseudo => BY_CHECK[check] ?? '';
