import type { PageElement } from '../document/element';
import { freePictureName } from '../document/picture';
import { picturesNamed } from '../document/shown-pictures';
import type { Picture, Project } from '../document/project';
import { allDeclarations } from '../document/style-sets';
import { sameJson } from '../text';

const IN_VALUE = /url\(picture:(p[a-z0-9]{1,24})\)/g;

/** The pictures that an element shows: its own, and those in its values. */
export function picturesIn(element: PageElement): string[] {
  const values = allDeclarations(element).flatMap((declarations) => Object.values(declarations));
  return [...picturesNamed(element), ...values.flatMap((value) => [...value.matchAll(IN_VALUE)].map((match) => match[1]!))];
}

/** A value with the pictures it names replaced. */
export function withPictures(value: string, ids: ReadonlyMap<string, string>): string {
  return value.replace(IN_VALUE, (whole, id: string) => (ids.has(id) ? `url(picture:${ids.get(id)})` : whole));
}

/** Whether two pictures show the same. */
export const isSame = (a: Picture, b: Picture): boolean => a.svg === b.svg && sameJson(a.photo, b.photo);

/**
 * Pictures taken along into a project: one that is there already, by what it draws, is used; others come as new ones,
 * under an id and a file name that are free.
 */
export function fitPictures(
  project: Project,
  taken: readonly Picture[],
  newId: () => string,
): { readonly ids: ReadonlyMap<string, string>; readonly brought: readonly Picture[] } {
  const ids = new Map(project.pictures.map(({ id }) => [id, id]));
  const names = new Set(project.pictures.map(({ fileName }) => fileName));
  const brought: Picture[] = [];
  for (const picture of taken) {
    const same = [...project.pictures, ...brought].find((one) => isSame(one, picture));
    if (same) {
      ids.set(picture.id, same.id);
      continue;
    }
    const id = ids.has(picture.id) ? `p${newId().slice(1)}` : picture.id;
    const fileName = freePictureName(names, picture.fileName);
    ids.set(picture.id, id);
    names.add(fileName);
    brought.push({ ...picture, id, fileName });
  }
  return { ids, brought };
}
