import { BASE } from '../breakpoints/breakpoint';
import type { Declarations, PageElement, StyleSet } from '../document/element';
import { ownerKind } from '../document/owner';
import type { Page, Project } from '../document/project';
import type { Pseudo } from '../document/pseudo';
import { splitPseudo } from '../document/pseudo';
import type { Styled } from '../document/style-sets';
import { withStyleSet } from '../document/style-sets';
import { parentsOf, rememberParents, withTrees } from '../document/tree';
import { sayingOf, splitShownId, withSaying } from '../document/use';
import { withElements } from '../document/versions';
import { requireStyles } from './owners';

/** One value of an element, a shared style or a kind at one place; null takes it away. */
export interface ValueChange {
  readonly owner: string;
  readonly at: string;
  /** A longhand or a custom property. */
  readonly property: string;
  readonly value: string | null;
}

type Places = Map<string, Map<string, string>>;

/**
 * Writes values into a project, however many, with one copy of what they touch. Values must have been checked; what is
 * read back shows what has been written so far.
 */
export class ValueWriter {
  readonly #owners = new Map<string, { readonly was: StyleSet; readonly places: Places }>();
  readonly #back = new Map<string, ValueChange>();
  readonly #known: ReadonlySet<string>;

  constructor(readonly project: Project) {
    this.#known = new Set([BASE, ...project.breakpoints.map(({ id }) => id)]);
  }

  /** Whether values can be written there: at the base and under each breakpoint of the project. */
  takes(at: string): boolean {
    return this.#known.has(at);
  }

  /** @throws EditError when there is no such owner */
  read(owner: string, at: string, property: string): string | undefined {
    return this.#placeOf(owner, at)?.get(property);
  }

  /** The properties that have a value at a place. @throws EditError when there is no such owner */
  properties(owner: string, at: string): readonly string[] {
    return [...(this.#placeOf(owner, at)?.keys() ?? [])];
  }

  /** @throws EditError when there is no such owner */
  write({ owner, at, property, value }: ValueChange): void {
    const before = this.read(owner, at, property) ?? null;
    if (before === value) return;
    const key = `${owner} ${at} ${property}`;
    if (!this.#back.has(key)) this.#back.set(key, { owner, at, property, value: before });
    const { places } = this.#ownerOf(owner);
    let place = places.get(at);
    if (!place) places.set(at, (place = new Map()));
    if (value === null) place.delete(property);
    else place.set(property, value);
  }

  /** What was written, and what would take it back. */
  finish(): { readonly document: Project; readonly back: readonly ValueChange[] } {
    const back = [...this.#back.values()].filter(
      ({ owner, at, property, value }) => (this.read(owner, at, property) ?? null) !== value,
    );
    const styles = new Map([...new Set(back.map(({ owner }) => owner))].map((owner) => [owner, this.#stylesOf(owner)]));
    return { document: styles.size === 0 ? this.project : withStyles(this.project, styles), back };
  }

  #ownerOf(owner: string) {
    let found = this.#owners.get(owner);
    if (!found) this.#owners.set(owner, (found = { was: requireStyles(this.project, owner), places: new Map() }));
    return found;
  }

  #placeOf(owner: string, at: string): Map<string, string> | undefined {
    const { was, places } = this.#ownerOf(owner);
    let place = places.get(at);
    if (!place && Object.hasOwn(was, at)) places.set(at, (place = new Map(Object.entries(was[at]!))));
    return place;
  }

  /** A place without values isn't kept. */
  #stylesOf(owner: string): StyleSet {
    const { was, places } = this.#ownerOf(owner);
    const styles: Record<string, Declarations> = { ...was };
    for (const [at, place] of places)
      if (place.size > 0) styles[at] = Object.fromEntries(place);
      else delete styles[at];
    return styles;
  }
}

function withStyles(project: Project, styles: ReadonlyMap<string, StyleSet>): Project {
  const kinds = { ...project.kinds };
  // By what carries them, then by state and box.
  const elements = new Map<string, Map<Pseudo, StyleSet>>();
  const shared = new Map<string, Map<Pseudo, StyleSet>>();
  for (const [owner, set] of styles) {
    const { id, pseudo } = splitPseudo(owner);
    const kind = ownerKind(id);
    if (kind === 'kind') {
      if (Object.keys(set).length > 0) kinds[owner] = set;
      else delete kinds[owner];
      continue;
    }
    const sets = kind === 'element' ? elements : shared;
    sets.set(id, (sets.get(id) ?? new Map<Pseudo, StyleSet>()).set(pseudo, set));
  }
  const written = <S extends Styled>(styled: S, sets: ReadonlyMap<Pseudo, StyleSet> | undefined): S =>
    [...(sets ?? [])].reduce((one, [pseudo, set]) => withStyleSet(one, pseudo, set), styled);
  const inPage = (page: Page): Page => {
    const changed = new Map<string, PageElement>();
    for (const [id, sets] of elements) {
      const { holder, path } = splitShownId(id);
      if (!(holder in page.elements)) continue;
      const element = changed.get(holder) ?? page.elements[holder]!;
      const { use } = element;
      if (path === '') changed.set(holder, written(element, sets));
      else if (use)
        changed.set(holder, {
          ...element,
          use: withSaying(use, path, { pseudo: undefined, ...written(sayingOf(use, path), sets) }),
        });
    }
    if (changed.size === 0) return page;
    const all = withElements(page.elements, [...changed.values()]);
    // Nobody has moved.
    rememberParents(all, parentsOf(page));
    return { ...page, elements: all };
  };
  const around: Project = {
    ...project,
    ...([...styles.keys()].some((owner) => ownerKind(owner) === 'kind') && { kinds }),
    ...(shared.size > 0 && { shared: project.shared.map((style) => written(style, shared.get(style.id))) }),
  };
  return elements.size > 0 ? withTrees(around, inPage) : around;
}
