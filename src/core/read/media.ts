import type { Condition } from '../breakpoints/condition';
import { EM } from '../breakpoints/condition';

/** Finer than any px a browser reports: turns "at most 599" into "below". */
const HAIR = 2 ** -20;

const px = (text: string): number | undefined => {
  const [, number, unit] = /^(-?[\d.]+)(px|em|rem)?$/.exec(text) ?? [];
  if (number === undefined || (!unit && Number(number) !== 0)) return undefined;
  return Number(number) * (unit && unit !== 'px' ? EM : 1);
};

/** What must hold beside what holds already; undefined where both can't. */
export function both(a: Condition, b: Condition): Condition | undefined {
  const most = (x?: number, y?: number) => (x === undefined ? y : y === undefined ? x : Math.max(x, y));
  const least = (x?: number, y?: number) => (x === undefined ? y : y === undefined ? x : Math.min(x, y));
  if (a.orientation && b.orientation && a.orientation !== b.orientation) return undefined;
  if (a.pointer && b.pointer && a.pointer !== b.pointer) return undefined;
  return {
    from: most(a.from, b.from),
    below: least(a.below, b.below),
    heightFrom: most(a.heightFrom, b.heightFrom),
    heightBelow: least(a.heightBelow, b.heightBelow),
    orientation: a.orientation ?? b.orientation,
    pointer: a.pointer ?? b.pointer,
  };
}

function bound(axis: string, sign: string, value: number): Condition {
  const from = axis === 'width' ? 'from' : 'heightFrom';
  const below = axis === 'width' ? 'below' : 'heightBelow';
  if (sign === '>=') return { [from]: value };
  if (sign === '>') return { [from]: value + HAIR };
  if (sign === '<') return { [below]: value };
  if (sign === '<=') return { [below]: value + HAIR };
  return { [from]: value, [below]: value + HAIR };
}

const TURNED: Readonly<Record<string, string>> = { '<': '>', '<=': '>=', '>': '<', '>=': '<=', '=': '=' };

function feature(text: string): Condition | undefined {
  const plain = text.replace(/\s+/g, '');
  let match = /^(min|max)-(width|height):(.+)$/.exec(plain);
  if (match) {
    const value = px(match[3]!);
    return value === undefined ? undefined : bound(match[2]!, match[1] === 'min' ? '>=' : '<=', value);
  }
  match = /^orientation:(portrait|landscape)$/.exec(plain);
  if (match) return { orientation: match[1] as 'portrait' | 'landscape' };
  match = /^pointer:(coarse|fine)$/.exec(plain);
  if (match) return { pointer: match[1] === 'coarse' ? 'finger' : 'mouse' };
  match = /^(width|height)(<=|>=|<|>|=|:)(.+)$/.exec(plain);
  if (match) {
    const value = px(match[3]!);
    return value === undefined ? undefined : bound(match[1]!, match[2] === ':' ? '=' : match[2]!, value);
  }
  match = /^(.+?)(<=|<|>=|>)(width|height)(?:(<=|<|>=|>)(.+))?$/.exec(plain);
  if (!match) return undefined;
  const low = px(match[1]!);
  if (low === undefined) return undefined;
  const first = bound(match[3]!, TURNED[match[2]!]!, low);
  if (!match[4]) return first;
  const high = px(match[5]!);
  return high === undefined ? undefined : both(first, bound(match[3]!, match[4], high));
}

/**
 * A media query list (Media Queries 4) as conditions of which one must hold; empty where it never holds on a screen.
 * Undefined where it asks for something else than width, height, orientation and pointer.
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
      const read = feature(part.replace(/^\(|\)$/g, ''));
      if (!read) return undefined;
      condition = condition && both(condition, read);
    }
    if (condition) result.push(condition);
  }
  return result;
}
