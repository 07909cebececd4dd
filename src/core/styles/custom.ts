/** The name of a custom property (CSS Custom Properties 1, 2): two hyphens and letters, digits, `-` or `_`. */
export const CUSTOM_PROPERTY = /^--[A-Za-z0-9_-]{1,60}$/;

/** A `var()` in a value: where it stands, whose value it takes, and what stands in when that one has none. */
interface Reference {
  readonly start: number;
  readonly end: number;
  readonly name: string;
  /** Undefined where none is given; empty where it's given as nothing. */
  readonly fallback: string | undefined;
}

function closing(value: string, from: number): number {
  let depth = 0;
  let quote = '';
  for (let at = from; at < value.length; at++) {
    const sign = value[at]!;
    if (quote) {
      if (sign === quote) quote = '';
    } else if (sign === '"' || sign === "'") quote = sign;
    else if (sign === '(') depth++;
    else if (sign === ')' && --depth === 0) return at;
  }
  return -1;
}

function firstReference(value: string): Reference | undefined {
  const start = value.search(/(?<![\w-])var\(/i);
  if (start < 0) return undefined;
  const close = closing(value, start + 3);
  if (close < 0) return { start, end: value.length, name: '', fallback: undefined };
  const inner = value.slice(start + 4, close);
  const comma = inner.indexOf(',');
  const name = (comma < 0 ? inner : inner.slice(0, comma)).trim();
  return { start, end: close + 1, name, fallback: comma < 0 ? undefined : inner.slice(comma + 1) };
}

export function usesVariables(value: string): boolean {
  return /(?<![\w-])var\(/i.test(value);
}

/** The custom properties that a value mentions, fallbacks included. */
export function variablesIn(value: string): string[] {
  return [...value.matchAll(/(?<![\w-])var\(\s*(--[A-Za-z0-9_-]+)/gi)].map((match) => match[1]!);
}

/** Whether every `var()` names a custom property and is closed. */
export function wellFormed(value: string): boolean {
  const reference = firstReference(value);
  if (!reference) return true;
  return (
    CUSTOM_PROPERTY.test(reference.name) &&
    (reference.fallback === undefined || wellFormed(reference.fallback)) &&
    wellFormed(value.slice(reference.end))
  );
}

/**
 * The value with each `var()` replaced (CSS Custom Properties 1, 3). Undefined when one has neither a value nor a
 * fallback: the declaration is then invalid at computed-value time.
 * @param valueOf the computed value of a custom property; undefined where it has none
 */
export function substitute(value: string, valueOf: (name: string) => string | undefined): string | undefined {
  const reference = firstReference(value);
  if (!reference) return value;
  const taken =
    valueOf(reference.name) ?? (reference.fallback === undefined ? undefined : substitute(reference.fallback.trim(), valueOf));
  const rest = substitute(value.slice(reference.end), valueOf);
  return taken === undefined || rest === undefined ? undefined : value.slice(0, reference.start) + taken + rest;
}
