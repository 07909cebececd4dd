import { z } from 'zod';
import { elementIdSchema } from '../document/element';
import { LIMITS } from '../document/limits';
import type { Project } from '../document/project';
import { sharedStyleSchema } from '../document/project';
import { styleSetsOf } from '../document/style-sets';
import { withTrees } from '../document/tree';
import { listOf } from '../text';
import type { EditKind, Footprint } from './edit';
import { EditError } from './edit';
import { mergeFootprints, structureFootprint, stylesFootprint } from './footprint';
import { anchored, idsOf, indexIn, placeFields } from './list-place';
import { carriersOf } from './owners';
import { withElements } from '../document/versions';

const CARRIERS_MOST = LIMITS.pages * LIMITS.elements;

const schema = z.strictObject({
  type: z.literal('addShared'),
  style: sharedStyleSchema,
  /** Its place among the shared styles; the last, and so the strongest, where it isn't given. */
  ...placeFields,
  /** Elements that carry it, and at which place of their list. */
  carriers: listOf(
    z.strictObject({ node: elementIdSchema, place: z.number().int().min(0).max(LIMITS.carried) }),
    CARRIERS_MOST,
    'That is more than can carry a shared style.',
  ).optional(),
});
type AddShared = z.infer<typeof schema>;
declare module './edit' {
  interface EditTypes {
    readonly addShared: AddShared;
  }
}

/** The project with the list of shared styles of some elements changed. */
export function withCarried(
  project: Project,
  change: (elementId: string, shared: readonly string[]) => readonly string[],
): Project {
  return withTrees(project, (tree) => {
    const changed = Object.values(tree.elements).flatMap((element) => {
      const shared = change(element.id, element.shared);
      return shared === element.shared ? [] : [{ ...element, shared }];
    });
    return changed.length === 0 ? tree : { ...tree, elements: withElements(tree.elements, changed) };
  });
}

/** What a shared style's coming or going can reach: its values, and the classes of those that carry it. */
export function sharedFootprint(before: Project, after: Project, id: string): Footprint {
  const changes = new Map<string, Set<string>>();
  const reached: Footprint[] = [];
  for (const project of [before, after]) {
    const style = project.shared.find((one) => one.id === id);
    for (const [pseudo, styles] of style ? styleSetsOf(style) : []) {
      const names = changes.get(id + pseudo) ?? new Set<string>();
      changes.set(id + pseudo, names);
      for (const declarations of Object.values(styles)) for (const name in declarations) names.add(name);
    }
    for (const { page, element } of carriersOf(project, id))
      reached.push({ [page.id]: { ...structureFootprint(page.id, [element.id])[page.id]!, widths: [] } });
  }
  return mergeFootprints(...reached, stylesFootprint(before, after, changes));
}

export const addShared: EditKind<AddShared> = {
  schema,
  apply(project, { style, carriers = [], ...place }) {
    if (project.shared.some(({ id }) => id === style.id)) throw new EditError('This shared style is there already.');
    if (project.shared.length >= LIMITS.shared) throw new EditError(`A project has at most ${LIMITS.shared} shared styles.`);
    const places = new Map(carriers.map((one) => [one.node, one.place]));
    const index = indexIn(idsOf(project.shared), place);
    const added: Project = { ...project, shared: project.shared.toSpliced(index, 0, style) };
    const document = withCarried(added, (id, shared) =>
      places.has(id) ? shared.toSpliced(places.get(id)!, 0, style.id) : shared,
    );
    return { document, inverse: { type: 'removeShared', id: style.id } };
  },
  footprint: (before, after, { style }) => sharedFootprint(before, after, style.id),
  describe: (_, { style }) => `Add shared style ${style.name}`,
  anchor: ({ project }, edit) => anchored(idsOf(project.shared), edit),
};
