import type { Condition } from '../breakpoints/condition';
import type { Page, Project } from '../document/project';
import { rulesOn } from './page-rules';
import { nodesOf } from './selector-nodes';

/** A condition that the style sheets of a page already ask for, with its edges at whole px. */
export interface FoundBreakpoint {
  readonly condition: Condition;
  /** How many rules stand under it. */
  readonly rules: number;
  /** How many elements of the page those rules speak of. */
  readonly elements: number;
  /** The breakpoint of the project that has this condition. */
  readonly id: string | undefined;
}

/** Two edges that lie so close that one of them was probably meant for the other, px. */
export interface NearMiss {
  readonly a: number;
  readonly b: number;
}

const PARTS = ['from', 'below', 'heightFrom', 'heightBelow', 'orientation', 'pointer'] as const;

/** The whole px at which a condition begins to hold, and at which it has ended ("at most 767" ends before 768). */
const wholeEdge = (edge: number | undefined): number | undefined => {
  if (edge === undefined) return undefined;
  const whole = Math.round(edge);
  return Math.abs(edge - whole) < 1e-9 ? whole : Math.floor(edge) + 1;
};

/** A condition of a sheet as a breakpoint can have it; undefined for one that asks for what breakpoints don't. */
export function asBreakpoint(condition: Condition): Condition | undefined {
  const asked = Object.entries(condition).filter(([name, value]) => value !== undefined && name !== 'unit');
  if (asked.length === 0 || asked.some(([name]) => !(PARTS as readonly string[]).includes(name))) return undefined;
  const whole = {
    ...condition,
    unit: undefined,
    ...Object.fromEntries(
      (['from', 'below', 'heightFrom', 'heightBelow'] as const).map((edge) => [edge, wholeEdge(condition[edge])]),
    ),
  };
  return Object.fromEntries(PARTS.flatMap((name) => (whole[name] === undefined ? [] : [[name, whole[name]]]))) as Condition;
}

/** The same words for the same condition, in whatever order its parts were written. */
export const conditionKey = (condition: Condition): string => PARTS.map((name) => condition[name] ?? '').join(' ');

/** What the page's own style sheets ask of viewports, equal conditions together however they are written; wide ones first. */
export function foundBreakpoints(project: Project, page: Page): FoundBreakpoint[] {
  const nodes = nodesOf(project, page);
  const all = Object.keys(page.elements).flatMap((id) => nodes.get(id) ?? []);
  const found = new Map<string, { condition: Condition; rules: number; elements: Set<string> }>();
  for (const { rule } of rulesOn(project, page)) {
    const conditions = new Map<string, Condition>();
    for (const one of rule.when ?? []) {
      const condition = asBreakpoint(one);
      if (condition) conditions.set(conditionKey(condition), condition);
    }
    if (conditions.size === 0) continue;
    const matched = all.filter((node) => rule.selectors.some((selector) => selector.matches(node, () => true)));
    for (const [key, condition] of conditions) {
      const known = found.get(key) ?? { condition, rules: 0, elements: new Set<string>() };
      found.set(key, known);
      known.rules++;
      for (const { id } of matched) if (id !== undefined) known.elements.add(id);
    }
  }
  const ids = new Map(project.breakpoints.map(({ id, condition }) => [conditionKey(condition), id]));
  const size = ({ from, below }: Condition) => below ?? 1e6 + (from ?? 0);
  return [...found]
    .map(([key, { condition, rules, elements }]) => ({ condition, rules, elements: elements.size, id: ids.get(key) }))
    .sort((a, b) => size(b.condition) - size(a.condition));
}

/** Edges of widths that lie one px apart: 768 and 769, where one sheet says "at most 768" and another "at least 768". */
export function nearMisses(found: readonly FoundBreakpoint[]): NearMiss[] {
  const edges = [
    ...new Set(found.flatMap(({ condition: { from, below } }) => [from, below].filter((edge) => edge !== undefined))),
  ];
  edges.sort((a, b) => a - b);
  return edges.flatMap((edge, i) =>
    edges[i + 1] !== undefined && edges[i + 1]! - edge < 2 ? [{ a: edge, b: edges[i + 1]! }] : [],
  );
}
