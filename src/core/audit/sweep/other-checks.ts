import type { Judged } from '../judge';

const keysOf = (found: readonly Judged[]) => new Set(found.map(({ check, violation }) => `${check} ${violation.element}`));

/** The checks that say something else of a width than they said. */
export function otherChecks(said: readonly Judged[], found: readonly Judged[]): string[] {
  const [a, b] = [keysOf(said), keysOf(found)];
  const others = [...[...a].filter((key) => !b.has(key)), ...[...b].filter((key) => !a.has(key))];
  return [...new Set(others.map((key) => key.slice(0, key.indexOf(' '))))];
}
