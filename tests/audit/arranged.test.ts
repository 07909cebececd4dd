import fc from 'fast-check';
import { DEFAULT_SLICE } from '@/core/breakpoints';
import { ARRANGEMENTS, placesFor, planArrangement } from '@/core/arrangements';
import type { Project } from '@/core/document';
import { treesOf } from '@/core/document';
import { EditError, makeEdit } from '@/core/edits';
import { PlanError } from '@/core/plans';
import { MeasuredPage } from '@/server/browser/measuring';
import { closeBrowser } from '@/server/browser/warm-browser';
import { arbitraryLayout } from '../cascade/arbitrary-layout';

// What is arranged loses nothing: in Chromium, at widths on both sides of each breakpoint, everything is seen or can be opened that was there before.

const LAYOUTS = Number(process.env.DOCUMENTS ?? 1);
const WIDTHS = [380, 599, 600, 899, 900, 1500];
const ASKED = new Set(['lost-content', 'unreached-pane', 'not-just-one', 'shut-panel']);

afterAll(closeBrowser);

async function faults(project: Project): Promise<string[]> {
  const found: string[] = [];
  for (const page of project.pages) {
    const measured = await MeasuredPage.open(project, page);
    for (const { width, violations } of await measured.measure(WIDTHS))
      for (const { check, violation } of violations)
        if (ASKED.has(check)) found.push(`${page.id} ${width} ${check} ${violation.element}`);
    await measured.close();
  }
  return found;
}

const hides = (project: Project) =>
  treesOf(project).some(({ elements }) =>
    Object.values(elements).some(({ styles }) => JSON.stringify(styles).includes('"none"')),
  );

test(`arrangements of ${LAYOUTS} random layouts lose nothing at any width`, async () => {
  let made = 0;
  const choice = fc.record({ element: fc.nat(), place: fc.nat(), setting: fc.nat() });
  const numbers = fc.array(choice, { minLength: ARRANGEMENTS.length, maxLength: ARRANGEMENTS.length });
  await fc.assert(
    fc.asyncProperty(
      arbitraryLayout.filter((project) => !hides(project)),
      numbers,
      async (project, choices) => {
        const before = new Set(await faults(project));
        for (const [i, arrangement] of ARRANGEMENTS.entries()) {
          const { element, place, setting } = choices[i]!;
          const suited = treesOf(project).flatMap((tree) =>
            Object.keys(tree.elements).flatMap((id) =>
              id.includes('.') || arrangement.whyNot(project, tree, id) ? [] : [{ tree, id }],
            ),
          );
          const { tree, id } = suited[element % suited.length] ?? {};
          if (!tree || id === undefined) continue;
          let arranged: Project;
          try {
            const places = placesFor(project, arrangement);
            const settings = Object.fromEntries(
              (arrangement.settings?.(project, tree, id) ?? []).map(({ id: one, choices: all }) => [
                one,
                all[setting % Math.max(1, all.length)]?.[0] ?? '',
              ]),
            );
            const recognised = Object.entries(arrangement.recognise?.(project, tree, id) ?? {});
            const roles = Object.fromEntries(
              recognised.flatMap(([one, { found, among }]) => ((found ?? among[0]) ? [[one, (found ?? among[0])!]] : [])),
            );
            let n = 0;
            const wish = { at: places[place % Math.max(1, places.length)], settings, roles, widths: [1200, 800, 500, 400, 300] };
            const plan = planArrangement(project, DEFAULT_SLICE, tree.id, id, arrangement, wish, () => `t${(n++).toString(36)}`);
            arranged = makeEdit(project, plan.edit).document;
          } catch (error) {
            if (error instanceof PlanError || error instanceof EditError) continue;
            throw error;
          }
          made++;
          expect([arrangement.id, id, (await faults(arranged)).filter((one) => !before.has(one))]).toEqual([
            arrangement.id,
            id,
            [],
          ]);
        }
      },
    ),
    { numRuns: LAYOUTS, endOnFailure: true },
  );
  expect(made).toBeGreaterThan(LAYOUTS * 4);
}, 600_000);
