import type { Condition } from '../breakpoints/condition';
import { EM } from '../breakpoints/condition';

/** Finer than any px a browser reports: turns "at most 599" into "below". */
const HAIR = 2 ** -20;

interface Length {
  readonly px: number;
  readonly em: boolean;
}

function length(text: string): Length | undefined {
  const [, number, unit] = /^(-?[\d.]+)(px|em|rem)?$/.exec(text) ?? [];
  if (number === undefined || (!unit && Number(number) !== 0)) return undefined;
  const em = unit === 'em' || unit === 'rem';
  return { px: Number(number) * (em ? EM : 1), em };
}

/** Device px for each CSS px, from any unit of resolution (CSS Values 4, 7.4). */
function density(text: string): number | undefined {
  const [, number, unit] = /^([\d.]+)(dppx|x|dpi|dpcm)$/.exec(text) ?? [];
  if (number === undefined) return undefined;
  return Number(number) / (unit === 'dpi' ? 96 : unit === 'dpcm' ? 96 / 2.54 : 1);
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
const BETWEEN = new RegExp(`^(.+?)(<=|<|>=|>|=)${AXIS}(?:(<=|<|>=|>)(.+))?$`);

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
  const plain = text.replace(/\s+/g, '');
  const word = WORDS[plain.replace(/^any-(?=pointer|hover)/, '')];
  if (word) return word;
  let match = NAMED.exec(plain);
  if (match) return limit(match[2]!, match[1] === 'min' ? '>=' : match[1] === 'max' ? '<=' : '=', match[3]!);
  match = AFTER.exec(plain);
  if (match) return limit(match[1]!, match[2]!, match[3]!);
  match = BETWEEN.exec(plain);
  if (!match) return undefined;
  const first = limit(match[3]!, TURNED[match[2]!]!, match[1]!);
  if (!first || !match[4]) return first;
  const second = limit(match[3]!, match[4], match[5]!);
  return second && both(first, second);
}

/**
 * A media query list (Media Queries 4) as conditions of which one must hold; empty where it never holds on a screen.
 * Undefined where it asks for something that isn't known here.
 */
export function readMediaQuery(source: string): Condition[] | undefined {
  const result: Condition[] = [];
  for (const query of source.toLowerCase().split(',')) {
    const text = query.trim().replace(/^only\s+/, '');
    const [, type, rest = ''] = /^(all|screen|print)?(?:(?:^|\s+and\s+)?(?=\()(.*))?$/.exec(text) ?? [];
    if (type === 'print') continue;
    if (!type && !rest) return undefined;
    let condition: Condition | undefined = {};
    for (const part of rest ? rest.split(/\)\s*and\s*\(/) : []) {
      const read = readFeature(part.replace(/^\(|\)$/g, ''));
      if (!read) return undefined;
      condition = condition && both(condition, read);
    }
    if (condition) result.push(condition);
  }
  return result;
}
