import type { CSSToken } from '@csstools/css-tokenizer';
import { TokenType, tokenize } from '@csstools/css-tokenizer';
import { lexer } from 'css-tree';

/*
 * What math functions come to (CSS Values 4, 10.9): lengths can't be added to numbers, and a product of two lengths is none. All in a function is read, so that
 * what browsers refuse is refused where it is written.
 */

/** Exponents by what is measured; of nothing where it is a plain number. `hint`: what percentages in it are shares of. */
interface Type {
  readonly of: Readonly<Record<string, number>>;
  readonly hint?: string | undefined;
}

const NUMBER: Type = { of: {} };
const ANGLE: Type = { of: { angle: 1 } };
const PERCENT = 'percent';
/** What has units, as the grammar names it, and one of each. */
const PLAIN: Readonly<Record<string, string>> = {
  length: '1px',
  angle: '1deg',
  time: '1s',
  frequency: '1Hz',
  resolution: '1dppx',
};
const BASES = Object.keys(PLAIN);
const CONSTANTS = /^(e|pi|-?infinity|nan)$/i;
const STRATEGIES = /^(nearest|up|down|to-zero)$/i;

const same = (a: Type, b: Type): boolean => JSON.stringify(sorted(a)) === JSON.stringify(sorted(b));
const sorted = ({ of }: Type) =>
  Object.entries(of)
    .filter(([, exponent]) => exponent !== 0)
    .sort(([a], [b]) => (a < b ? -1 : 1));

/** Percentages taken for shares of something. */
function hinted({ of }: Type, hint: string): Type {
  const { [PERCENT]: percent = 0, ...rest } = of;
  return { of: { ...rest, [hint]: (rest[hint] ?? 0) + percent }, hint };
}

/** CSS Typed OM 1, 5: adding two types; undefined where they can't be added. */
function added(a: Type | undefined, b: Type | undefined): Type | undefined {
  if (!a || !b || (a.hint && b.hint && a.hint !== b.hint)) return undefined;
  const hint = a.hint ?? b.hint;
  const [one, other] = hint ? [hinted(a, hint), hinted(b, hint)] : [a, b];
  if (same(one, other)) return one;
  if (hint || (a.of[PERCENT] ?? 0) === (b.of[PERCENT] ?? 0)) return undefined;
  // Percentages may be shares of any.
  const fits = BASES.find((base) => same(hinted(a, base), hinted(b, base)));
  return fits === undefined ? undefined : hinted(a, fits);
}

function multiplied(a: Type | undefined, b: Type | undefined, sign: 1 | -1): Type | undefined {
  if (!a || !b || (a.hint && b.hint && a.hint !== b.hint)) return undefined;
  const hint = a.hint ?? b.hint;
  const [one, other] = hint ? [hinted(a, hint), hinted(b, hint)] : [a, b];
  const of = { ...one.of };
  for (const [base, exponent] of Object.entries(other.of)) of[base] = (of[base] ?? 0) + sign * exponent;
  return { of, hint };
}

const isNumber = (type: Type | undefined): boolean => type !== undefined && same(type, NUMBER);
/** Of a side of `clamp()` without a limit. */
const NONE: Type = { of: {} };
/** Numbers, dimensions and percentages, not products of them. */
const isSimple = (type: Type): boolean => {
  const [first, ...more] = sorted(type);
  return !first || (more.length === 0 && first[1] === 1);
};
const alike = (types: readonly (Type | undefined)[]): Type | undefined =>
  types.length === 0 ? undefined : types.reduce((a, b) => added(a, b), types[0]);
const allSame = (types: readonly (Type | undefined)[]): Type | undefined => {
  const type = alike(types);
  return type && isSimple(type) ? type : undefined;
};
const numbers =
  (count: number, most = count) =>
  (types: readonly (Type | undefined)[]) =>
    types.length >= count && types.length <= most && types.every(isNumber) ? NUMBER : undefined;
const ofSame = (count: number, result?: Type) => (types: readonly (Type | undefined)[]) => {
  const type = types.length === count ? allSame(types) : undefined;
  return type && (result ?? type);
};
const fromAngle = ([type, ...more]: readonly (Type | undefined)[]) =>
  more.length === 0 && type && (isNumber(type) || same(type, ANGLE)) ? NUMBER : undefined;
const toAngle = (types: readonly (Type | undefined)[]) => (numbers(1)(types) ? ANGLE : undefined);

/** What each function comes to, of the types of its arguments. */
const FUNCTIONS: Readonly<Record<string, (types: readonly (Type | undefined)[]) => Type | undefined>> = {
  calc: ([type, ...more]) => (more.length === 0 ? type : undefined),
  min: allSame,
  max: allSame,
  hypot: allSame,
  clamp: (types) => (types.length === 3 ? allSame(types.filter((type) => type !== NONE)) : undefined),
  round: (types) => (types.length === 1 ? numbers(1)(types) : ofSame(2)(types)),
  mod: ofSame(2),
  rem: ofSame(2),
  abs: ofSame(1),
  sign: ofSame(1, NUMBER),
  progress: ofSame(3, NUMBER),
  ...{
    sin: fromAngle,
    cos: fromAngle,
    tan: fromAngle,
    asin: toAngle,
    acos: toAngle,
    atan: toAngle,
    atan2: (types) => (types.length === 2 && alike(types) ? ANGLE : undefined),
  },
  ...{ sqrt: numbers(1), exp: numbers(1), pow: numbers(2), log: numbers(1, 2) },
};
const isMath = (name: string): boolean => Object.hasOwn(FUNCTIONS, name.toLowerCase());

/** Reads one math function after the other. */
class Reader {
  constructor(
    private readonly tokens: readonly CSSToken[],
    public at = 0,
  ) {}

  get next(): CSSToken {
    return this.tokens[this.at]!;
  }

  take(): CSSToken {
    const { next } = this;
    if (next[0] !== TokenType.EOF) this.at++;
    return next;
  }

  /** @returns whether there was any */
  #spaces(): boolean {
    const from = this.at;
    while (this.next[0] === TokenType.Whitespace || this.next[0] === TokenType.Comment) this.at++;
    return this.at > from;
  }

  /** Takes one of several signs, where one follows, with the spaces around it. */
  #sign(signs: string): { readonly sign: string; readonly isApart: boolean } | undefined {
    const from = this.at;
    const before = this.#spaces();
    const { next } = this;
    if (next[0] !== TokenType.Delim || !signs.includes(next[4].value)) {
      this.at = from;
      return undefined;
    }
    this.take();
    return { sign: next[4].value, isApart: this.#spaces() && before };
  }

  #sum(): Type | undefined {
    let type = this.#product();
    for (let sign = this.#sign('+-'); sign; sign = this.#sign('+-')) {
      const term = this.#product();
      type = sign.isApart ? added(type, term) : undefined;
    }
    return type;
  }

  #product(): Type | undefined {
    let type = this.#value();
    for (let sign = this.#sign('*/'); sign; sign = this.#sign('*/'))
      type = multiplied(type, this.#value(), sign.sign === '*' ? 1 : -1);
    return type;
  }

  #value(): Type | undefined {
    const token = this.take();
    if (token[0] === TokenType.Number) return NUMBER;
    if (token[0] === TokenType.Percentage) return { of: { [PERCENT]: 1 } };
    if (token[0] === TokenType.Dimension) {
      const found = BASES.find((base) => lexer.matchType(base, `1${token[4].unit}`).error === null);
      return found === undefined ? undefined : { of: { [found]: 1 } };
    }
    if (token[0] === TokenType.Ident) return CONSTANTS.test(token[4].value) ? NUMBER : undefined;
    if (token[0] === TokenType.OpenParen) return FUNCTIONS.calc!(this.#arguments(''));
    return token[0] === TokenType.Function && isMath(token[4].value) ? this.math(token[4].value) : undefined;
  }

  /** What stands between brackets, of which the first is taken already. */
  #arguments(name: string): (Type | undefined)[] {
    const types: (Type | undefined)[] = [];
    for (;;) {
      this.#spaces();
      const { next } = this;
      const word = next[0] === TokenType.Ident ? next[4].value : '';
      const isNone = name === 'clamp' && types.length !== 1 && /^none$/i.test(word);
      const isStrategy = name === 'round' && types.length === 0 && STRATEGIES.test(word);
      if (isNone || isStrategy) this.take();
      if (!isStrategy) types.push(isNone ? NONE : this.#sum());
      this.#spaces();
      const [end] = this.take();
      if (end === TokenType.CloseParen) return types;
      if (end !== TokenType.Comma) return [undefined];
    }
  }

  math(name: string): Type | undefined {
    const known = name.toLowerCase();
    return FUNCTIONS[known]!(this.#arguments(known));
  }
}

/** Values of a type, where there can be any: a share of something is both that and a percentage. */
function plainOf(type: Type): readonly string[] {
  if (!isSimple(type)) return [];
  const [first] = sorted(type);
  if (!first) return ['1'];
  const plain = PLAIN[first[0]] ?? '1%';
  return type.hint ? [plain, '1%'] : [plain];
}

/**
 * A value with something plain of the same type in place of each math function: what browsers don't take there, they don't take of the function.
 * @param shares what stands for lengths and the like with percentages in them: percentages, or else lengths
 * @returns undefined where what is in a function doesn't go together
 */
export function withPlainMath(value: string, shares: 'percent' | 'plain'): string | undefined {
  const reader = new Reader(tokenize({ css: value }));
  let plain = '';
  while (reader.next[0] !== TokenType.EOF) {
    const token = reader.take();
    if (token[0] !== TokenType.Function || !isMath(token[4].value)) {
      plain += token[1];
      continue;
    }
    const type = reader.math(token[4].value);
    const one = type && plainOf(type).at(shares === 'percent' ? -1 : 0);
    if (one === undefined) return undefined;
    plain += one;
  }
  return plain;
}
