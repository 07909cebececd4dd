import type { Slice } from '../breakpoints';
import { bandsOf } from '../breakpoints';
import { specifiedValue } from '../cascade/resolve';
import type { Page, Project } from '../document/project';
import { allDeclarations, styleSetsOf } from '../document/style-sets';
import { KINDS } from '../document/kinds';
import { splitOutside } from '../styles/lists';

const NAMED = /url\(\s*["']?picture:(p[a-z0-9]+)["']?\s*\)/g;

/** A picture made of pixels behind an element, in a stretch of widths. */
export interface Behind {
  readonly element: string;
  readonly picture: string;
  readonly from: number;
  readonly below: number;
  /** What its layer says of its size. */
  readonly size: string;
}

/** Pictures that stand behind some state or box of an element, whose size isn't followed. */
export function behindElsewhere({ pages, parts, shared, kinds }: Project): ReadonlySet<string> {
  const owners = [
    ...[...pages, ...parts].flatMap(({ elements }) => Object.values(elements).flatMap((one) => [one, ...(one.layers ?? [])])),
    ...shared,
  ];
  const styles = [
    ...owners.flatMap((owner) => styleSetsOf(owner).flatMap(([pseudo, set]) => (pseudo === '' ? [] : Object.values(set)))),
    ...Object.entries(kinds).flatMap(([key, set]) => (KINDS.some(({ id }) => id === key) ? [] : Object.values(set))),
  ];
  return new Set(styles.flatMap((declarations) => Object.values(declarations).flatMap(namedIn)));
}

const namedIn = (value: string): string[] => [...value.matchAll(NAMED)].map((match) => match[1]!);

/** Which pictures made of pixels stand behind which elements of a page, band by band. */
export function behindOn(project: Project, page: Page, slice: Slice): readonly Behind[] {
  const photos = new Set(project.pictures.flatMap(({ id, photo }) => (photo ? [id] : [])));
  if (photos.size === 0 || !mayNameAny(project, page)) return [];
  const bands = bandsOf(project, slice);
  return Object.keys(page.elements).flatMap((element) =>
    bands.flatMap(({ from, below }): Behind[] => {
      const value = (property: string) => specifiedValue(project, page, element, property, { ...slice, width: from });
      const images = value('background-image');
      if (images === undefined || !images.includes('picture:')) return [];
      const sizes = splitOutside(value('background-size') ?? 'auto', ',').map((one) => one.trim());
      return splitOutside(images, ',').flatMap((image, i) =>
        namedIn(image)
          .filter((id) => photos.has(id))
          .map((picture) => ({ element, picture, from, below, size: sizes[i % sizes.length]! })),
      );
    }),
  );
}

/** Whether anything of a project at all puts a picture behind an element: most don't. */
function mayNameAny({ shared, kinds }: Project, page: Page): boolean {
  const sets = [
    ...Object.values(page.elements).flatMap((element) => [element, ...(element.layers ?? [])]),
    ...shared,
    ...Object.values(kinds).map((styles) => ({ styles })),
  ];
  return sets.some((one) =>
    allDeclarations(one).some((declarations) => Object.values(declarations).some((value) => value.includes('picture:'))),
  );
}
