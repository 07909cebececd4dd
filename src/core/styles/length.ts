/** What a length is measured against. All in CSS px. */
export interface LengthContext {
  /** The font size that `em` means. */
  readonly em: number;
  readonly rem: number;
  readonly viewport: { readonly width: number; readonly height: number };
}

/** Px of the absolute units (CSS Values 4, 5.2). */
export const ABSOLUTE: Readonly<Record<string, number>> = {
  px: 1,
  in: 96,
  cm: 96 / 2.54,
  mm: 96 / 25.4,
  q: 96 / 101.6,
  pt: 96 / 72,
  pc: 16,
};

/** One px in the given unit's terms; undefined for `%`, `ex`, `ch` and others that need more than this context. */
export function unitInPx(unit: string, context: LengthContext): number | undefined {
  const { width, height } = context.viewport;
  switch (unit) {
    case 'em':
      return context.em;
    case 'rem':
      return context.rem;
    case 'vw':
    case 'dvw':
    case 'svw':
    case 'lvw':
      return width / 100;
    case 'vh':
    case 'dvh':
    case 'svh':
    case 'lvh':
      return height / 100;
    case 'vmin':
      return Math.min(width, height) / 100;
    case 'vmax':
      return Math.max(width, height) / 100;
    default:
      return ABSOLUTE[unit];
  }
}

interface Term {
  readonly value: number;
  readonly isLength: boolean;
}

const TOKEN = /\d*\.?\d+(?:e[+-]?\d+)?(?:%|[a-z]+)?|[a-z]+\(|[-+*/(),]/g;

/** Whether there is anything in the text that neither lengths nor math functions are made of. */
function strayIn(source: string): boolean {
  return source.toLowerCase().replace(TOKEN, '').trim() !== '';
}

/**
 * A length or a math function of lengths (CSS Values 4, 10: calc, min, max, clamp) in px.
 * Undefined when the value isn't a length or needs what the context doesn't know (percentages, font metrics).
 */
export function lengthInPx(source: string, context: LengthContext): number | undefined {
  const tokens = source.trim().toLowerCase().match(TOKEN);
  if (!tokens || strayIn(source)) return undefined;
  let at = 0;

  const term = (): Term | undefined => {
    const token = tokens[at++];
    if (token === undefined) return undefined;
    if (token === '-' || token === '+') {
      const inner = term();
      return inner && { ...inner, value: token === '-' ? -inner.value : inner.value };
    }
    if (token === '(') return closed(sum());
    if (token.endsWith('(')) return call(token.slice(0, -1));
    const number = parseFloat(token);
    if (Number.isNaN(number)) return undefined;
    const unit = /(?:%|[a-z]+)$/.exec(token.replace(/e[+-]?\d+/, ''))?.[0];
    if (!unit) return { value: number, isLength: false };
    const px = unitInPx(unit, context);
    return px === undefined ? undefined : { value: number * px, isLength: true };
  };
  const closed = (inner: Term | undefined) => (tokens[at++] === ')' ? inner : undefined);
  const product = (): Term | undefined => {
    let left = term();
    while (left && (tokens[at] === '*' || tokens[at] === '/')) {
      const operator = tokens[at++];
      const right = term();
      if (!right || (left.isLength && right.isLength)) return undefined;
      if (operator === '/' && (right.isLength || right.value === 0)) return undefined;
      const value: number = operator === '*' ? left.value * right.value : left.value / right.value;
      left = { value, isLength: left.isLength || right.isLength };
    }
    return left;
  };
  const sum = (): Term | undefined => {
    let left = product();
    while (left && (tokens[at] === '+' || tokens[at] === '-')) {
      const sign = tokens[at++] === '+' ? 1 : -1;
      const right = product();
      if (!right || right.isLength !== left.isLength) return undefined;
      left = { value: left.value + sign * right.value, isLength: left.isLength };
    }
    return left;
  };
  const call = (name: string): Term | undefined => {
    const terms: Term[] = [];
    do {
      const part = sum();
      if (!part) return undefined;
      terms.push(part);
    } while (tokens[at++] === ',');
    if (tokens[at - 1] !== ')' || terms.some((part) => part.isLength !== terms[0]!.isLength)) return undefined;
    const values = terms.map((part) => part.value);
    const isLength = terms[0]!.isLength;
    if (name === 'calc' && values.length === 1) return terms[0];
    if (name === 'min') return { value: Math.min(...values), isLength };
    if (name === 'max') return { value: Math.max(...values), isLength };
    if (name === 'clamp' && values.length === 3)
      return { value: Math.max(values[0]!, Math.min(values[1]!, values[2]!)), isLength };
    return undefined;
  };

  const result = sum();
  if (!result || at !== tokens.length) return undefined;
  if (!result.isLength && result.value !== 0) return undefined;
  return result.value;
}

/** Px as browsers write them: at most six significant digits, no trailing zeros. */
export function formatPx(value: number): string {
  return `${formatNumber(value)}px`;
}

export function formatNumber(value: number): string {
  const rounded = Number(Math.fround(value).toPrecision(6));
  return Object.is(rounded, -0) ? '0' : String(rounded);
}

/** Whether a math function can't come to a length: it holds numbers only, or words that aren't numbers (CSS Values 4, 10.9). */
export function isNoLength(source: string): boolean {
  if (!/^(calc|min|max|clamp)\(/i.test(source)) return false;
  return strayIn(source) || !/\d(%|[a-z])/i.test(source);
}
