import { childIds } from './content';
import type { PageElement } from './element';
import { expandedParts, kept } from './expand';
import { partNamed, partsIn, partsInOrder, topOf } from './parts';
import type { Page, Project } from './project';
import type { Styled } from './style-sets';
import { carried } from './versions';

/** Class names that the element was brought along with. */
export const keptClasses = (attributes: PageElement['attributes']): string[] =>
  attributes.class?.split(/\s+/).filter(Boolean) ?? [];

export const declares = ({ styles, pseudo }: Styled): boolean => {
  for (const at in styles) for (const _ in styles[at]) return true;
  return pseudo !== undefined;
};

/** What a tree says of class names: who is to have one, in reading order, which were brought along, and whether kinds are given. */
export interface Naming {
  readonly named: readonly { readonly id: string; readonly name: string }[];
  readonly brought: readonly string[];
  readonly givesKinds: boolean;
}

/** The places of a part in reading order, each with its name; the same object for as long as they are. */
const placesOf = carried(
  (elements) => {
    const places: { readonly id: string; readonly name: string }[] = [];
    const visit = (id: string) => {
      places.push({ id, name: elements[id]!.name });
      for (const child of childIds(elements[id]!)) visit(child);
    };
    const inner = new Set(Object.values(elements).flatMap(childIds));
    for (const id in elements) if (!inner.has(id)) visit(id);
    return places;
  },
  (before, after) => before?.name !== after?.name || before?.children !== after?.children,
);

type Places = readonly { readonly id: string; readonly name: string }[];

/** What was found of a tree last, shared by all its versions between which nothing of this is otherwise. */
interface Known {
  places?: readonly Places[];
  naming?: Naming;
}

const knownOf = carried(
  (): Known => ({}),
  (before, after) =>
    !before ||
    !after ||
    before.name !== after.name ||
    before.children !== after.children ||
    before.attributes.class !== after.attributes.class ||
    before.kind !== after.kind ||
    before.alternate !== after.alternate ||
    before.panel !== after.panel ||
    before.use !== after.use ||
    declares(before) !== declares(after),
);

/**
 * Asked of a tree as it is kept, with parts that have all in them: what uses show is named by the part, once, and what a use says besides by the use. So an
 * edit of a part needn't look at all that thousands of uses show.
 */
function namingOf(all: Project['parts'], tree: Page): Naming {
  const parts = [...partsIn(tree)].map((id) => partNamed({ parts: all }, id));
  const places = parts.flatMap((part) => (part ? [placesOf(part.elements)] : []));
  const known = knownOf(tree.elements);
  if (known.naming && known.places!.length === places.length && known.places!.every((one, i) => one === places[i]))
    return known.naming;
  known.places = places;
  return (known.naming = findNaming(all, tree));
}

function findNaming(parts: Project['parts'], tree: Page): Naming {
  const named: { id: string; name: string }[] = [];
  const brought: string[] = [];
  let givesKinds = false;
  const visit = (id: string) => {
    const element = tree.elements[id]!;
    if (declares(element) || element.alternate || element.panel) named.push({ id, name: element.name });
    brought.push(...keptClasses(element.attributes));
    givesKinds ||= element.kind !== undefined;
    if (element.use) {
      named.push(...saidIn(parts, element));
      for (const { attributes } of Object.values(element.use.says)) if (attributes) brought.push(...keptClasses(attributes));
    }
    for (const child of childIds(element)) visit(child);
  };
  visit(tree.root);
  return { named, brought, givesKinds };
}

/** What a use says values of, as far as its part has it. */
function saidIn(parts: Project['parts'], { id, use }: PageElement): readonly { id: string; name: string }[] {
  const said = Object.entries(use!.says).filter(([path, saying]) => path !== '' && declares(saying));
  const part = said.length === 0 ? undefined : partNamed({ parts }, use!.part);
  if (!part) return [];
  const top = topOf(part)?.id;
  return placesOf(part.elements).flatMap((place) =>
    place.id !== top && said.some(([path]) => path === place.id) ? [{ id: `${id}.${place.id}`, name: place.name }] : [],
  );
}

/** Of all parts, each after those in it, then of all pages. */
export function namingsOf(project: Project): { readonly parts: readonly Naming[]; readonly pages: readonly Naming[] } {
  const all = kept(project);
  const whole = expandedParts(all);
  return { parts: partsInOrder(all).map((part) => namingOf(whole, part)), pages: all.pages.map((page) => namingOf(whole, page)) };
}
