import type { Condition } from '../breakpoints/condition';
import { EM } from '../breakpoints/condition';
import { ABSOLUTE } from '../styles/length';

/** Finer than any px a browser reports: turns "at most 599" into "below". */
const HAIR = 2 ** -20;

interface Length {
  readonly px: number;
  readonly em: boolean;
}

/** A number and what stands behind it (CSS Syntax 3, 4.3.12). */
const NUMBER = /^([+-]?(?:\d+|\d*\.\d+)(?:e[+-]?\d+)?)([a-z]*)$/;

function length(text: string): Length | undefined {
  const [, number, unit = ''] = NUMBER.exec(text) ?? [];
  if (number === undefined) return undefined;
  if (unit === '') return Number(number) === 0 ? { px: 0, em: false } : undefined;
  const em = unit === 'em' || unit === 'rem';
  const one = em ? EM : ABSOLUTE[unit];
  return one === undefined ? undefined : { px: Number(number) * one, em };
}

/** Device px for each CSS px, from any unit of resolution (CSS Values 4, 7.4); none is negative. */
function density(text: string): number | undefined {
  const [, number, unit = ''] = NUMBER.exec(text) ?? [];
  const per = { dppx: 1, x: 1, dpi: 96, dpcm: 96 / 2.54 }[unit];
  return number === undefined || per === undefined || Number(number) < 0 ? undefined : Number(number) / per;
}

/** What must hold beside what holds already; undefined where both can't. */
export function both(a: Condition, b: Condition): Condition | undefined {
  const most = (x?: number, y?: number) => (x === undefined ? y : y === undefined ? x : Math.max(x, y));
  const least = (x?: number, y?: number) => (x === undefined ? y : y === undefined ? x : Math.min(x, y));
  if (a.orientation && b.orientation && a.orientation !== b.orientation) return undefined;
  for (const part of ['pointer', 'hover', 'scheme', 'motion'] as const)
    if (a[part] !== undefined && b[part] !== undefined && a[part] !== b[part]) return undefined;
  const edged = (one: Condition) => EDGES.some((edge) => one[edge] !== undefined);
  // Edges in different units can't follow the reader's text size together; they count as px.
  const em = (a.unit || !edged(a)) && (b.unit || !edged(b)) && (a.unit ?? b.unit);
  return {
    ...a,
    ...defined(b),
    from: most(a.from, b.from),
    below: least(a.below, b.below),
    heightFrom: most(a.heightFrom, b.heightFrom),
    heightBelow: least(a.heightBelow, b.heightBelow),
    densityFrom: most(a.densityFrom, b.densityFrom),
    densityBelow: least(a.densityBelow, b.densityBelow),
    unit: em || undefined,
  };
}

type When = readonly Condition[] | undefined;

/** Of each pair what holds where both hold; no condition always does. Empty where none ever can. */
export const meet = (outer: When, inner: When): When =>
  !outer || !inner
    ? (outer ?? inner)
    : outer.flatMap((a) =>
        inner.flatMap((b) => {
          const met = both(a, b);
          return met ? [met] : [];
        }),
      );

const EDGES = ['from', 'below', 'heightFrom', 'heightBelow'] as const;
const defined = (condition: Condition): Condition =>
  Object.fromEntries(Object.entries(condition).filter(([, value]) => value !== undefined));

const AXES = {
  width: ['from', 'below'],
  height: ['heightFrom', 'heightBelow'],
  resolution: ['densityFrom', 'densityBelow'],
} as const;

function bound(axis: string, sign: string, value: number): Condition {
  const [from, below] = AXES[axis as keyof typeof AXES];
  if (sign === '>=') return { [from]: value };
  if (sign === '>') return { [from]: value + HAIR };
  if (sign === '<') return { [below]: value };
  if (sign === '<=') return { [below]: value + HAIR };
  return { [from]: value, [below]: value + HAIR };
}

const TURNED: Readonly<Record<string, string>> = { '<': '>', '<=': '>=', '>': '<', '>=': '<=', '=': '=' };
const AXIS = '(width|height|resolution)';
const NAMED = new RegExp(`^(?:(min|max)-)?${AXIS}:(.+)$`);
const AFTER = new RegExp(`^${AXIS}(<=|>=|<|>|=)(.+)$`);
const BEFORE = new RegExp(`^(.+?)(<=|<|>=|>|=)${AXIS}$`);
/** Both ends on the same side of their signs (Media Queries 4, 2.4.3). */
const BETWEEN = new RegExp(`^(.+?)(?:(<=?)${AXIS}(<=?)|(>=?)${AXIS}(>=?))(.+)$`);

function limit(axis: string, sign: string, text: string): Condition | undefined {
  if (axis === 'resolution') {
    const value = density(text);
    return value === undefined ? undefined : bound(axis, sign, value);
  }
  const value = length(text);
  return value && { ...bound(axis, sign, value.px), ...(value.em && { unit: 'em' }) };
}

/** Features with a word for a value; `any-` ones are those of the only pointer there is here. */
const WORDS: Readonly<Record<string, Condition>> = {
  'orientation:portrait': { orientation: 'portrait' },
  'orientation:landscape': { orientation: 'landscape' },
  'pointer:coarse': { pointer: 'finger' },
  'pointer:fine': { pointer: 'mouse' },
  'pointer:none': { pointer: 'remote' },
  hover: { hover: true },
  'hover:hover': { hover: true },
  'hover:none': { hover: false },
  'prefers-color-scheme:light': { scheme: 'light' },
  'prefers-color-scheme:dark': { scheme: 'dark' },
  'prefers-reduced-motion': { motion: 'reduced' },
  'prefers-reduced-motion:reduce': { motion: 'reduced' },
  'prefers-reduced-motion:no-preference': { motion: 'full' },
};

/** One media feature, without its brackets, as a condition; undefined where it isn't known here. */
export function readFeature(text: string): Condition | undefined {
  // Around a sign there may be spaces, but not in it, nor anywhere else.
  if (/[<>]\s+=/.test(text)) return undefined;
  const plain = text
    .trim()
    .replace(/\s+/g, ' ')
    .replace(/ ?([:<>=]+) ?/g, '$1');
  const word = WORDS[plain.replace(/^any-(?=pointer|hover)/, '')];
  if (word) return word;
  let match = NAMED.exec(plain);
  if (match) return limit(match[2]!, match[1] === 'min' ? '>=' : match[1] === 'max' ? '<=' : '=', match[3]!);
  match = AFTER.exec(plain);
  if (match) return limit(match[1]!, match[2]!, match[3]!);
  match = BEFORE.exec(plain);
  if (match) return limit(match[3]!, TURNED[match[2]!]!, match[1]!);
  match = BETWEEN.exec(plain);
  if (!match) return undefined;
  const [, low = '', rising, least, rises, falling, most, falls, high = ''] = match;
  const axis = (least ?? most)!;
  const first = limit(axis, TURNED[(rising ?? falling)!]!, low);
  const second = limit(axis, (rises ?? falls)!, high);
  return first && second && both(first, second);
}

/** The whole text of a bracket that it begins with, and what stands behind. */
function bracket(text: string): { readonly inside: string; readonly rest: string } | undefined {
  if (!text.startsWith('(')) return undefined;
  let depth = 0;
  for (let at = 0; at < text.length; at++) {
    if (text[at] === '(') depth++;
    else if (text[at] === ')' && --depth === 0) return { inside: text.slice(1, at).trim(), rest: text.slice(at + 1).trim() };
  }
  return undefined;
}

/** The opposite of one condition: any of its parts not holding. Undefined where that can't be said in conditions. */
function opposite(condition: Condition): Condition[] | undefined {
  const parts = Object.entries(condition).filter(([name, value]) => value !== undefined && name !== 'unit');
  const unit = condition.unit ? { unit: condition.unit } : {};
  const turned: Readonly<Record<string, (value: never) => Condition>> = {
    from: (value) => ({ below: value, ...unit }),
    below: (value) => ({ from: value, ...unit }),
    heightFrom: (value) => ({ heightBelow: value, ...unit }),
    heightBelow: (value) => ({ heightFrom: value, ...unit }),
    densityFrom: (value) => ({ densityBelow: value }),
    densityBelow: (value) => ({ densityFrom: value }),
    orientation: (value) => ({ orientation: value === 'portrait' ? 'landscape' : 'portrait' }),
    scheme: (value) => ({ scheme: value === 'dark' ? 'light' : 'dark' }),
    motion: (value) => ({ motion: value === 'full' ? 'reduced' : 'full' }),
    hover: (value) => ({ hover: !value }),
  };
  const others = parts.map(([name, value]) => turned[name]?.(value as never));
  return others.every((one) => one !== undefined) ? others : undefined;
}

const notAny = (conditions: readonly Condition[]): Condition[] | undefined => {
  let all: readonly Condition[] | undefined = [{}];
  for (const one of conditions) {
    const other = opposite(one);
    if (!other) return undefined;
    all = meet(all, other);
  }
  return [...(all ?? [])];
};

/** A condition in brackets with `and`, `or` and `not` (Media Queries 4, 3); a word right before a bracket is the name of a function, and none of these. */
function readCondition(text: string, joints = /^(and|or)\s+(?=\()/): Condition[] | undefined {
  const negated = /^not\s+(?=\()/.exec(text);
  if (negated) {
    const first = bracket(text.slice(negated[0].length));
    const inner = first?.rest === '' ? readInBrackets(first.inside) : undefined;
    return inner && notAny(inner);
  }
  let first = bracket(text);
  if (!first) return undefined;
  let result = readInBrackets(first.inside);
  let word: string | undefined;
  while (first.rest !== '') {
    const [whole, joint] = joints.exec(first.rest) ?? [];
    if (whole === undefined || (word !== undefined && joint !== word)) return undefined;
    word = joint;
    first = bracket(first.rest.slice(whole.length));
    const next = first && readInBrackets(first.inside);
    if (!first || !result || !next) return undefined;
    result = word === 'and' ? [...(meet(result, next) ?? [])] : [...result, ...next];
  }
  return result;
}

function readInBrackets(inside: string): Condition[] | undefined {
  if (/^(\(|not\s+\()/.test(inside)) return readCondition(inside);
  const feature = readFeature(inside);
  return feature && [feature];
}

/**
 * A media query list (Media Queries 4) as conditions of which one must hold; empty where it never holds on a screen.
 * Undefined where it asks for something that isn't known here.
 */
export function readMediaQuery(source: string): Condition[] | undefined {
  const result: Condition[] = [];
  const plain = source.toLowerCase().replace(/\/\*[\s\S]*?\*\//g, ' ');
  if (plain.trim() === '') return [{}];
  for (const query of plain.split(',')) {
    const text = query.trim();
    const [, not, type, rest = ''] =
      /^(?:(not)\s+|only\s+)?(all|screen|print|speech|tty|tv|projection|handheld|braille|embossed|aural)(?:\s+and\s+(\(.*|not\s+\(.*))?$/.exec(
        text,
      ) ?? [];
    if (type === undefined) {
      const read = readCondition(text);
      if (!read) return undefined;
      result.push(...read);
      continue;
    }
    const isScreen = type === 'all' || type === 'screen';
    // Behind a type there is no `or` (Media Queries 4, 3: <media-condition-without-or>).
    const read = rest === '' ? [{}] : readCondition(rest.trim(), /^(and)\s+(?=\()/);
    if (!read) return undefined;
    if (!not) result.push(...(isScreen ? read : []));
    else if (!isScreen) result.push({});
    else if (rest !== '') {
      const opposed = notAny(read);
      if (!opposed) return undefined;
      result.push(...opposed);
    }
  }
  return result;
}
