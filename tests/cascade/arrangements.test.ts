import fc from 'fast-check';
import { DEFAULT_SLICE } from '@/core/breakpoints';
import { ARRANGEMENTS, placesFor, planArrangement, planRecipe, planTakeBack, recipeOf } from '@/core/arrangements';
import type { Project } from '@/core/document';
import { kept, keptTree, readProject, treesOf } from '@/core/document';
import { EditError, makeEdit } from '@/core/edits';
import { PlanError } from '@/core/plans';
import { arbitraryLayout } from './arbitrary-layout';

// Every ready arrangement on whatever pages there may be: refused in words, or made so that the document can be kept, and taken back whole.

const DOCUMENTS = Number(process.env.DOCUMENTS ?? 4);

const counted = (prefix: string) => {
  let n = 0;
  return () => `${prefix}${(n++).toString(36)}`;
};

/** What comes of it, undefined where it is refused in words. */
function unlessRefused<T>(make: () => T): T | undefined {
  try {
    return make();
  } catch (error) {
    if (error instanceof PlanError || error instanceof EditError) return undefined;
    throw error;
  }
}

const stored = (project: Project) => kept(readProject(JSON.parse(JSON.stringify(kept(project)))));

test(`arrangements of ${DOCUMENTS} random documents`, () => {
  const made = new Map<string, number>();
  let refused = 0;
  let followed = 0;
  const choice = fc.record({ element: fc.nat(), place: fc.nat(), setting: fc.nat(), role: fc.nat() });
  const numbers = fc.array(choice, { minLength: ARRANGEMENTS.length, maxLength: ARRANGEMENTS.length });
  fc.assert(
    fc.property(arbitraryLayout, numbers, (project, choices) => {
      const all = treesOf(project).flatMap((tree) =>
        Object.keys(tree.elements).flatMap((id) => (id.includes('.') ? [] : [{ tree, id }])),
      );
      for (const [i, arrangement] of ARRANGEMENTS.entries()) {
        const { element, place, setting, role } = choices[i]!;
        const suited = all.filter(({ tree, id }) => arrangement.whyNot(project, tree, id) === undefined);
        const { tree, id } = suited[element % suited.length] ?? {};
        if (!tree || id === undefined) continue;
        const plan = unlessRefused(() => {
          const places = placesFor(project, arrangement);
          const settings = arrangement.settings?.(project, tree, id) ?? [];
          const recognised = Object.entries(arrangement.recognise?.(project, tree, id) ?? {});
          return planArrangement(
            ...([project, DEFAULT_SLICE, tree.id, id, arrangement] as const),
            {
              at: places[place % Math.max(1, places.length)],
              settings: Object.fromEntries(
                settings.map(({ id: one, choices: all }) => [one, all[setting % Math.max(1, all.length)]?.[0] ?? '']),
              ),
              roles: Object.fromEntries(
                recognised.flatMap(([one, { among }]) => (among.length > 0 ? [[one, among[role % among.length]!]] : [])),
              ),
              widths: [900, 700, 500, 400, 300],
            },
            counted('t'),
          );
        });
        const after = plan && unlessRefused(() => makeEdit(project, plan.edit).document);
        if (!plan || !after) {
          refused++;
          continue;
        }
        made.set(arrangement.id, (made.get(arrangement.id) ?? 0) + 1);
        expect(stored(after)).toEqual(kept(after));
        expect(kept(makeEdit(after, planTakeBack(after, after.arranged.at(-1)!.id).edit).document)).toEqual(kept(project));
        // The same as a recipe leads to the same on the same thing.
        const recipe = unlessRefused(() => {
          const edits = plan.edit.type === 'group' ? plan.edit.edits.filter(({ type }) => type !== 'saveArranged') : [];
          return recipeOf(keptTree(tree), id, edits, 'Again', 'yagain');
        });
        const again =
          recipe &&
          unlessRefused(
            () => makeEdit(project, planRecipe(project, DEFAULT_SLICE, tree.id, id, recipe, counted('u')).edit).document,
          );
        if (!again) continue;
        followed++;
        const count = ({ pages, parts }: Project) => [...pages, ...parts].map(({ elements }) => Object.keys(elements).length);
        expect(count(again)).toEqual(count(after));
      }
    }),
    { numRuns: DOCUMENTS, endOnFailure: true },
  );
  expect(made.size).toBeGreaterThan(ARRANGEMENTS.length / 2);
  expect([...made.values()].reduce((sum, one) => sum + one, 0)).toBeGreaterThan(refused);
  expect(followed).toBeGreaterThan(DOCUMENTS);
}, 600_000);
