import { BASE } from '../breakpoints/breakpoint';
import type { PageElement, StyleSet } from './element';
import type { SharedStyle } from './project';
import { readPseudo } from './pseudo';
import type { Styled } from './style-sets';
import { styleSetOf, styleSetsOf, withStyleSet } from './style-sets';

/** An element of a use as one of its own, and what has to stand beneath its values for it to look the same. */
export interface Flat {
  readonly element: PageElement;
  /** Weakest first; stronger than all shared styles that it carries already. */
  readonly beneath: readonly Styled[];
}

const EMPTY: Styled = { styles: {} };

/** A value said, where: which of the layers, for which state and box, at which place. */
interface Said {
  readonly layer: number;
  readonly pseudo: string;
  readonly at: string;
  readonly value: string;
}

/**
 * What the parts and the use say of an element, as values of its own. Where several say the same property and the stronger
 * can't simply take the place of the weaker, the weaker stays beneath, as a shared style would: then every value stays as
 * it is at every viewport and in every state.
 */
export function flatten(shown: PageElement): Flat {
  const { layers = [], kept: _, use: __, list: ___, styles, pseudo, alternate, ...bare } = shown;
  // The name of a set that a use shows says which use it is; whoever puts elements in gives them sets of their own.
  const rest = alternate ? { ...bare, alternate: { ...alternate, set: inOneWord(alternate.set) } } : bare;
  const all: readonly Styled[] = [...layers, { styles, pseudo }];
  const said = new Map<string, Said[]>();
  for (const [layer, styled] of all.entries())
    for (const [where, set] of styleSetsOf(styled))
      for (const at in set)
        for (const property in set[at]) {
          const key = `${readPseudo(where).box ?? ''} ${property}`;
          said.set(key, [...(said.get(key) ?? []), { layer, pseudo: where, at, value: set[at]![property]! }]);
        }
  const made: Styled[] = all.map(() => EMPTY);
  const top = all.length - 1;
  for (const [key, values] of said) {
    const property = key.slice(key.indexOf(' ') + 1);
    const strongest = Math.max(...values.map(({ layer }) => layer));
    const own = values.filter(({ layer }) => layer === strongest);
    // Said at the base and of no state, it hides what is beneath everywhere.
    const covers = values.every(({ pseudo }) => readPseudo(pseudo).state === undefined) && own.some(({ at }) => at === BASE);
    for (const one of covers ? own : values) {
      const into = one.layer === strongest ? top : one.layer;
      made[into] = withValue(made[into]!, one, property);
    }
  }
  return {
    element: { ...rest, ...made[top]! },
    beneath: made.slice(0, top).filter((one) => styleSetsOf(one).some(([, set]) => Object.keys(set).length > 0)),
  };
}

/** Sets of two uses stay two. */
const inOneWord = (set: string) => (set.includes('.') ? `h${set.replaceAll('.', '').slice(-24)}` : set);

function withValue(styled: Styled, { pseudo, at, value }: Said, property: string): Styled {
  const set: StyleSet = styleSetOf(styled, pseudo);
  return withStyleSet(styled, pseudo, { ...set, [at]: { ...set[at], [property]: value } });
}

/** What stands beneath as a shared style. */
export const asShared = (id: string, name: string, { styles, pseudo }: Styled): SharedStyle => ({
  ...{ id, name: name.slice(0, 80), styles },
  ...(pseudo && { pseudo }),
});
