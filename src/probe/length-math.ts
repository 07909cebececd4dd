/** CSS Values 4, 5.2: px of the absolute units. */
const ABSOLUTE: Readonly<Record<string, number>> = {
  px: 1,
  in: 96,
  cm: 96 / 2.54,
  mm: 96 / 25.4,
  pt: 96 / 72,
  pc: 16,
  q: 96 / 101.6,
};

/** Px of one of a unit; undefined for units that aren't known there. */
export type UnitSize = (unit: string) => number | undefined;

/** @param em px of 1em and 1rem, where they are the same everywhere */
export const unitsWith =
  (em?: number): UnitSize =>
  (unit) =>
    ABSOLUTE[unit] ?? (em === undefined ? undefined : { em, rem: em, ch: em / 2, ex: em / 2 }[unit]);

const TOKEN = /\s*(?:([a-z-]*)\(|([\d.]+(?:e[+-]?\d+)?)([a-z%]*)|([-+*/),]))/iy;

/**
 * The px of a length or a calculation (CSS Values 4, 10: sums, products, `min()`, `max()`, `clamp()`).
 * @returns undefined for anything else, or where a unit isn't known
 */
export function lengthOf(text: string, units: UnitSize): number | undefined {
  const tokens = text.trim().toLowerCase();
  let at = 0;
  const next = () => {
    TOKEN.lastIndex = at;
    const match = TOKEN.exec(tokens);
    return match && match.index === at ? match : undefined;
  };
  const take = (symbols: string): string | undefined => {
    const symbol = next()?.[4];
    if (symbol === undefined || !symbols.includes(symbol)) return undefined;
    at = TOKEN.lastIndex;
    return symbol;
  };
  function value(): number {
    if (take('-')) return -value();
    if (take('+')) return value();
    const token = next();
    if (!token) return NaN;
    const [, name, number, unit] = token;
    if (number !== undefined) {
      at = TOKEN.lastIndex;
      return Number(number) * (unit ? (units(unit) ?? NaN) : 1);
    }
    if (name === undefined) return NaN;
    at = TOKEN.lastIndex;
    const list = [sum()];
    while (take(',')) list.push(sum());
    if (!take(')')) return NaN;
    if (name === '' || name === 'calc') return list.length === 1 ? list[0]! : NaN;
    if (name === 'min') return Math.min(...list);
    if (name === 'max') return Math.max(...list);
    if (name === 'clamp' && list.length === 3) return Math.max(list[0]!, Math.min(list[1]!, list[2]!));
    return NaN;
  }
  function product(): number {
    let result = value();
    for (let sign = take('*/'); sign; sign = take('*/')) result = sign === '*' ? result * value() : result / value();
    return result;
  }
  function sum(): number {
    let result = product();
    for (let sign = take('+-'); sign; sign = take('+-')) result += sign === '+' ? product() : -product();
    return result;
  }
  const result = sum();
  return at >= tokens.length && Number.isFinite(result) ? result : undefined;
}

/** Arguments of a function, from just behind its bracket, as they are written; undefined where it isn't closed. */
export function argumentsFrom(text: string, start: number): { readonly list: string[]; readonly end: number } | undefined {
  const list: string[] = [];
  let depth = 0;
  let from = start;
  for (let at = start; at < text.length; at++) {
    const sign = text[at];
    if (sign === '(') depth++;
    else if (sign === ')' && depth-- === 0) return { list: [...list, text.slice(from, at)], end: at };
    else if (sign === ',' && depth === 0) {
      list.push(text.slice(from, at));
      from = at + 1;
    }
  }
  return undefined;
}
