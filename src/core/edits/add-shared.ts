import { z } from 'zod';
import { BASE } from '../breakpoints/breakpoint';
import { elementIdSchema, nameSchema, sharedIdSchema, styleSetSchema } from '../document/element';
import type { Page, Project } from '../document/project';
import type { EditKind } from './edit';
import { EditError } from './edit';
import { mergeFootprints, stylesFootprint, structureFootprint } from './footprint';
import type { Footprint } from './edit';
import { carriersOf } from './owners';

const schema = z.strictObject({
  type: z.literal('addShared'),
  style: z.strictObject({ id: sharedIdSchema, name: nameSchema, styles: styleSetSchema }),
  /** Its place among the shared styles; the last, and so the strongest, where it isn't given. */
  index: z.number().int().min(0).max(500).optional(),
  /** Elements that carry it, and at which place of their list. */
  carriers: z
    .array(z.strictObject({ node: elementIdSchema, place: z.number().int().min(0).max(500) }))
    .max(100_000)
    .optional(),
});
export type AddShared = z.infer<typeof schema>;

/** The project with the list of shared styles of some elements changed. */
export function withCarried(
  project: Project,
  change: (elementId: string, shared: readonly string[]) => readonly string[],
): Project {
  return {
    ...project,
    pages: project.pages.map((page): Page => {
      const changed = Object.values(page.elements).flatMap((element) => {
        const shared = change(element.id, element.shared);
        return shared === element.shared ? [] : [[element.id, { ...element, shared }] as const];
      });
      return changed.length === 0 ? page : { ...page, elements: { ...page.elements, ...Object.fromEntries(changed) } };
    }),
  };
}

/** What a shared style's coming or going can reach: its values, and the classes of those that carry it. */
export function sharedFootprint(before: Project, after: Project, id: string): Footprint {
  const names = new Set<string>();
  const reached: Footprint[] = [];
  for (const project of [before, after]) {
    const style = project.shared.find((one) => one.id === id);
    for (const declarations of Object.values(style?.styles ?? {})) for (const name in declarations) names.add(name);
    for (const { page, element } of carriersOf(project, id))
      reached.push({ [page.id]: { ...structureFootprint(page.id, [element.id])[page.id]!, widths: [] } });
  }
  return mergeFootprints(...reached, stylesFootprint(before, after, new Map([[id, names]])));
}

export const addShared: EditKind<AddShared> = {
  schema,
  apply(project, { style, index = project.shared.length, carriers = [] }) {
    if (project.shared.some(({ id }) => id === style.id)) throw new EditError('This shared style is there already.');
    if (project.shared.length >= 500) throw new EditError('A project has at most 500 shared styles.');
    const lost = Object.keys(style.styles).some(
      (at) => at !== BASE && !project.breakpoints.some(({ id }) => id === at),
    );
    if (lost) throw new EditError('The style has values under a breakpoint that has been removed.');
    const places = new Map(carriers.map(({ node, place }) => [node, place]));
    const added: Project = { ...project, shared: project.shared.toSpliced(index, 0, style) };
    const document = withCarried(added, (id, shared) =>
      places.has(id) ? shared.toSpliced(places.get(id)!, 0, style.id) : shared,
    );
    return { document, inverse: { type: 'removeShared', id: style.id } };
  },
  footprint: (before, after, { style }) => sharedFootprint(before, after, style.id),
  describe: (_, { style }) => `Add shared style ${style.name}`,
};
