import type { At } from '@/core/breakpoints';
import { BASE } from '@/core/breakpoints';
import type { Picture, Project } from '@/core/document';
import { isInUse, picturesNamed, picturesShown } from '@/core/document';
import type { Edit } from '@/core/edits';
import { applyEdit, insideOf } from '@/core/edits';
import { choosings, picturesOf, PlanError, planChoose } from '@/core/plans';
import { placesOf } from '../breakpoints/places';
import { carryOut } from '../editing/proposal';
import { shownPage, useSession } from '../state/store';

/** The choice of an image's pictures, as the tree that keeps it has it; undefined where there can't be any. */
export function choiceOf(project: Project, id: string) {
  const element = shownPage(useSession.getState()).elements[id];
  const kept = picturesOf(insideOf(project, id));
  const found = element && choosings(project).find((one) => one.id === kept);
  // A use of a part with a picture of its own shows that everywhere.
  return found && picturesShown(element.attributes).get('src') === found.words[BASE] ? found : undefined;
}

/** An image that is to show a picture at all widths, as large as the picture says it is: known before the file is there. */
function atBase(id: string, { id: picture, photo }: Picture): readonly Edit[] {
  const set = (name: string, value: string | null): Edit => ({ type: 'setAttribute', node: id, name, value });
  const { brought, elements } = shownPage(useSession.getState());
  const { attributes } = elements[id]!;
  // What somebody else wrote keeps the size that it asks for.
  if (brought) return [set('src', `picture:${picture}`)];
  const size = (name: 'width' | 'height') =>
    photo ? [set(name, String(photo[name]))] : attributes[name] !== undefined && !isInUse(id) ? [set(name, null)] : [];
  return [set('src', `picture:${picture}`), ...size('width'), ...size('height')];
}

/**
 * Shows a picture in an image at a place; with none what is shown beneath is shown there too. One that the project hasn't yet is added.
 */
export function showPicture(id: string, at: At, picture: Picture | undefined): boolean {
  return carryOut((project) => {
    const isNew = picture !== undefined && !project.pictures.some((one) => one.id === picture.id);
    const added: readonly Edit[] = isNew ? [{ type: 'addPicture', picture }] : [];
    const where = placesOf(project).find((one) => one.at === at)?.words ?? '';
    const label = picture ? `Show ${picture.fileName} at ${where}` : `Show no picture of its own at ${where}`;
    const group = (edits: readonly Edit[]) => ({
      edit: edits.length === 1 ? edits[0]! : ({ type: 'group', label: label.slice(0, 300), edits } as const),
      sentence: `${label}.`,
      details: [],
    });
    if (at === BASE) {
      if (!picture) throw new PlanError('At the base an image shows some picture.');
      return group([...added, ...atBase(id, picture)]);
    }
    const with_ = added.reduce((one, edit) => applyEdit(one, edit).document, project);
    const choosing = choiceOf(with_, id);
    if (!choosing) throw new PlanError('It must show one of the project’s pictures at the base first.');
    return group([...added, planChoose(with_, choosing, at, picture?.id ?? null, label).edit]);
  });
}

/** How many elements show each picture, by attributes, at breakpoints or behind themselves. */
export function usesOfPictures(project: Project): ReadonlyMap<string, number> {
  const counts = new Map<string, number>();
  const count = (id: string) => counts.set(id, (counts.get(id) ?? 0) + 1);
  for (const tree of [...project.pages, ...project.parts])
    for (const element of Object.values(tree.elements)) {
      for (const id of new Set(picturesNamed(element))) count(id);
      for (const id of behind(JSON.stringify([element.styles, element.pseudo]))) count(id);
    }
  for (const { styles, pseudo } of project.shared) for (const id of behind(JSON.stringify([styles, pseudo]))) count(id);
  for (const id of behind(JSON.stringify(project.kinds))) count(id);
  return counts;
}

const behind = (text: string) => new Set([...text.matchAll(/picture:(p[a-z0-9]+)/g)].map((match) => match[1]!));
