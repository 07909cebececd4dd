import type { Term } from '../breakpoints/choice';
import type { QuerySyntax } from '../breakpoints/condition';
import type { StandIn } from './stand-in';
import { queryFor } from './stand-in';

const FLIPPED: Readonly<Record<string, string>> = { '<': '>=', '>=': '<', '>': '<=', '<=': '>' };
const ONE_SIDED = /^\((width|height) (<|>=|>|<=) ([\d.]+(?:px|em))\)$/;
const TURNED: Readonly<Record<string, string>> = {
  '(orientation: portrait)': '(orientation: landscape)',
  '(orientation: landscape)': '(orientation: portrait)',
};

/** What holds exactly where a query doesn't (Media Queries 4, 3). */
function negated(query: string): string {
  const side = ONE_SIDED.exec(query);
  if (side) return `(${side[1]} ${FLIPPED[side[2]!]} ${side[3]})`;
  return TURNED[query] ?? (query.includes(') and (') ? `(not (${query}))` : `(not ${query})`);
}

/**
 * Media queries that hold together exactly in a part of all viewports, to be put around each other; none where it is everything, null
 * where it is nothing. In the syntax with min and max each is a query of its own, since those can't be said to fail in one with others.
 */
export function termQueries({ when, unless }: Term, standIn?: StandIn, syntax: QuerySyntax = 'range'): readonly string[] | null {
  const own = when && queryFor(when, standIn, syntax);
  if (own === null) return null;
  const failing: string[] = [];
  for (const condition of unless) {
    const query = queryFor(condition, standIn, syntax);
    if (query === undefined) return null;
    if (query !== null) failing.push(query);
  }
  if (syntax === 'min-max' && !standIn) return [...(own ? [own] : []), ...failing.map((query) => `not all and ${query}`)];
  const all = [...(own ? [own] : []), ...failing.map(negated)];
  return all.length === 0 ? [] : [all.join(' and ')];
}
