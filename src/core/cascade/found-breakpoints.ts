import type { Condition } from '../breakpoints/condition';
import type { Page, Project } from '../document/project';
import { childIds } from '../document/content';
import { readMediaQuery } from '../read/media';
import type { PageRule } from './page-rules';
import { rulesOn } from './page-rules';
import { nodesOf } from './selector-nodes';

/** A condition that the style sheets and the pictures of a page already ask for, with its edges at whole px. */
export interface FoundBreakpoint {
  readonly condition: Condition;
  /** How many rules stand under it. */
  readonly rules: number;
  /** How many pictures have another file under it. */
  readonly pictures: number;
  /** How many elements of the page those rules speak of, and those pictures are. */
  readonly elements: number;
  /** The breakpoint of the project that has this condition. */
  readonly id: string | undefined;
}

/** What rules of a page ask of a box around an element in place of the viewport (CSS Containment 3). */
export interface FoundContainer {
  /** As it is written: "card (width > 400px)". */
  readonly query: string;
  readonly rules: number;
  readonly elements: number;
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

/**
 * What the page's own style sheets, and the `media` of its pictures' sources, ask of viewports, equal conditions together however they are
 * written; wide ones first.
 */
export function foundBreakpoints(project: Project, page: Page): FoundBreakpoint[] {
  const matched = matcherOf(project, page);
  const found = new Map<string, { condition: Condition; rules: number; pictures: number; elements: Set<string> }>();
  const note = (when: readonly Condition[] | undefined, what: 'rules' | 'pictures', elements: () => readonly string[]) => {
    const conditions = new Map<string, Condition>();
    for (const one of when ?? []) {
      const condition = asBreakpoint(one);
      if (condition) conditions.set(conditionKey(condition), condition);
    }
    const speaksOf = conditions.size > 0 ? elements() : [];
    for (const [key, condition] of conditions) {
      const known = found.get(key) ?? { condition, rules: 0, pictures: 0, elements: new Set<string>() };
      found.set(key, known);
      known[what]++;
      for (const id of speaksOf) known.elements.add(id);
    }
  };
  for (const { rule } of rulesOn(project, page)) note(rule.when, 'rules', () => matched(rule));
  for (const picture of Object.values(page.elements).filter(({ tag }) => tag === 'picture')) {
    const children = childIds(picture).map((id) => page.elements[id]!);
    const sources = children.filter(({ tag, attributes }) => tag === 'source' && attributes.media !== undefined);
    for (const { attributes } of sources) note(readMediaQuery(attributes.media!), 'pictures', () => [picture.id]);
  }
  const ids = new Map(project.breakpoints.map(({ id, condition }) => [conditionKey(condition), id]));
  const size = ({ from, below }: Condition) => below ?? 1e6 + (from ?? 0);
  return [...found]
    .map(([key, { elements, ...one }]) => ({ ...one, elements: elements.size, id: ids.get(key) }))
    .sort((a, b) => size(b.condition) - size(a.condition));
}

/** What the page's own style sheets ask of containers, in the order of the sheets. */
export function foundContainers(project: Project, page: Page): FoundContainer[] {
  const matched = matcherOf(project, page);
  const found = new Map<string, { rules: number; elements: Set<string> }>();
  for (const { rule } of rulesOn(project, page)) {
    if (rule.container === undefined) continue;
    const known = found.get(rule.container) ?? { rules: 0, elements: new Set<string>() };
    found.set(rule.container, known);
    known.rules++;
    for (const id of matched(rule)) known.elements.add(id);
  }
  return [...found].map(([query, { rules, elements }]) => ({ query, rules, elements: elements.size }));
}

/** The elements of a page that a rule speaks of, in whatever state they are. */
function matcherOf(project: Project, page: Page): (rule: PageRule['rule']) => readonly string[] {
  const nodes = nodesOf(project, page);
  const all = Object.keys(page.elements).flatMap((id) => nodes.get(id) ?? []);
  return (rule) =>
    all.flatMap((node) =>
      node.id !== undefined && rule.selectors.some((selector) => selector.matches(node, () => true)) ? [node.id] : [],
    );
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
