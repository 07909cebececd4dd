import fc from 'fast-check';
import { arbitraryProject } from '../../../tests/cascade/arbitrary-project';
import { BASE, cellsOf, DEFAULT_SLICE } from '../breakpoints';
import { conditionsOf, laneFor, resolve } from '../cascade';
import type { Project } from '../document';
import { kept as keptProject, newProject } from '../document';
import { applyEdit, carriersOf } from '../edits';
import { dropFindings, lintProject } from '../lints';
import { PROPERTIES } from '../styles';
import { describeEffect, namedTogether } from './effect';
import { fitDeclarations } from './fit';
import {
  bandTarget,
  planClear,
  planCopy,
  planDeleteShared,
  planDetach,
  planMoveEnd,
  planRemoveBreakpoint,
  planStop,
} from './index';

/** A heading with a size at the base and at two breakpoints, downward. */
function small(): Project {
  const project = newProject('00000000-0000-4000-8000-000000000000', 'Small');
  const page = project.pages[0]!;
  const styles = { base: { width: '300px' }, bmid: { width: '200px' }, bnar: { width: '100px' } };
  return {
    ...project,
    breakpoints: [
      { id: 'bmid', name: 'Middle', condition: { below: 900 } },
      { id: 'bnar', name: 'Narrow', condition: { below: 600 } },
    ],
    pages: [{ ...page, elements: { ...page.elements, efirsth: { ...page.elements.efirsth!, styles } } }],
  };
}
const lane = (project: Project) =>
  laneFor(project, project.pages[0]!, 'efirsth', 'width')
    .stretches.filter(({ value }, i, all) => value !== all[i - 1]?.value)
    .map(({ from, value }) => [from, value]);
const made = (project: Project, plan: { edit: Parameters<typeof applyEdit>[1] }) => applyEdit(project, plan.edit).document;

test('sentences name what changes, band by band, and what keeps its own', () => {
  const project = small();
  const plan = planClear(project, DEFAULT_SLICE, { ids: ['efirsth'], at: 'bmid' });
  expect(plan.sentence).toBe('Clears the one value of Heading at 899 and narrower.');
  expect(plan.details).toEqual(['Middle: width 200px becomes 300px.', 'Narrow keeps its own width 100px.']);
  expect(planCopy(project, DEFAULT_SLICE, { ids: ['efirsth'], at: 'bmid' }, 'bnar').sentence).toMatch(
    /in place of one value there/,
  );
  expect(() => planClear(project, DEFAULT_SLICE, { ids: ['efirstp'], at: 'bmid' })).toThrow(/no own value/);
  expect(namedTogether(['padding-left', 'padding-top', 'color', 'padding-right', 'padding-bottom'])).toEqual([
    'padding',
    'color',
  ]);
});

test('an end is moved to an edge, to a new place, over a neighbour and to the end of the axis', () => {
  const project = small();
  const move = (edge: number, to: number, value: string) => {
    const plan = planMoveEnd(project, DEFAULT_SLICE, 'efirsth', 'width', edge, to, value, 'bnew');
    return { plan, after: made(project, plan) };
  };
  expect(lane(move(600, 900, '100px').after)).toEqual([
    [0, '100px'],
    [900, '300px'],
  ]);
  const { plan, after } = move(600, 700, '100px');
  expect(plan.sentence).toMatch(/with a new breakpoint at 699 and narrower/);
  expect(lane(after)).toEqual(
    [
      [0, '100px'],
      [700, '200px'],
      [900, '300px'],
    ].map(([from, value]) => [from, value]),
  );
  expect(lane(move(600, 0, '200px').after)).toEqual([
    [0, '200px'],
    [900, '300px'],
  ]);
  expect(lane(move(900, 10_000, '200px').after).at(-1)).toEqual([600, '200px']);
});

test('a value that is stopped ends where it is told to', () => {
  const project = small();
  const element = project.pages[0]!.elements.efirsth!;
  const { bnar: _, ...styles } = element.styles;
  const carried = {
    ...project,
    pages: [{ ...project.pages[0]!, elements: { ...project.pages[0]!.elements, efirsth: { ...element, styles } } }],
  };
  const plan = planStop(carried, DEFAULT_SLICE, 'efirsth', 'width', 700, 'narrower');
  expect(plan.sentence).toBe('Stops width 200px of Heading at 599 and narrower: there it is 300px, as without it.');
  expect(lane(made(carried, plan))).toEqual([
    [0, '300px'],
    [600, '200px'],
    [900, '300px'],
  ]);
  expect(() => planStop(carried, DEFAULT_SLICE, 'efirsth', 'width', 700, 'wider')).toThrow(/doesn't go on/);
});

test('a band alone is written to by a breakpoint of just its widths', () => {
  const project = small();
  expect(bandTarget(project, DEFAULT_SLICE, 500, 'bnew')).toEqual({ at: 'bnar' });
  expect(bandTarget(project, DEFAULT_SLICE, 700, 'bnew').add?.condition).toEqual({ from: 600, below: 900 });
  expect(bandTarget({ ...project, breakpoints: [] }, DEFAULT_SLICE, 700, 'bnew')).toEqual({ at: BASE });
});

/** Where values of elements differ between two versions, as "element property at viewport". */
function changed(before: Project, after: Project): Set<string> {
  const cells = cellsOf([...conditionsOf(before), ...conditionsOf(after)]);
  const found = new Set<string>();
  before.pages.forEach((page, p) => {
    for (const id of Object.keys(page.elements))
      for (const { name } of PROPERTIES)
        for (const { sample } of cells)
          if (
            resolve(before, page, id, name, sample.width, sample).value !==
            resolve(after, after.pages[p]!, id, name, sample.width, sample).value
          )
            found.add(`${id} ${name} at ${sample.width}x${sample.height}`);
  });
  return found;
}

test('what claims to change nothing changes nothing: dropped findings, detached and deleted styles', () => {
  let dropped = 0;
  let kept = 0;
  fc.assert(
    fc.property(arbitraryProject, (project) => {
      const safe = lintProject(project).filter(({ unchanged }) => unchanged);
      const { edit, count } = dropFindings(project, safe);
      dropped += count;
      if (edit) expect([...changed(project, applyEdit(project, edit).document)]).toEqual([]);
      for (const { id } of project.shared) {
        const carriers = carriersOf(keptProject(project), id).map(({ element }) => element);
        if (carriers.length === 0) continue;
        const plans = [
          () => planDeleteShared(project, DEFAULT_SLICE, id, true),
          () => planDetach(project, DEFAULT_SLICE, [carriers[0]!.id], id, true),
        ];
        for (const plan of plans) {
          let edit;
          try {
            edit = plan().edit;
          } catch (error) {
            expect((error as Error).message).toMatch(/can't be written/);
            continue;
          }
          kept++;
          const document = applyEdit(project, edit).document;
          // Class names go with a style, so an imported rule may match otherwise; that isn't the values' doing.
          if (project.sheets.length === 0) expect([...changed(project, document)]).toEqual([]);
        }
      }
    }),
    { numRuns: 12 },
  );
  expect(Math.min(dropped, kept)).toBeGreaterThan(5);
});

test('a breakpoint that is folded in goes, can be brought back, and by far less changes than when it is dropped', () => {
  let folded = 0;
  let dropped = 0;
  fc.assert(
    fc.property(arbitraryProject, (project) => {
      for (const { id } of project.breakpoints) {
        const fold = applyEdit(project, planRemoveBreakpoint(project, id, { kind: 'fold' }).edit);
        const drop = applyEdit(project, planRemoveBreakpoint(project, id, { kind: 'drop' }).edit);
        expect(fold.document.breakpoints.map((one) => one.id)).not.toContain(id);
        expect(applyEdit(fold.document, fold.inverse).document).toEqual(project);
        folded += changed(project, fold.document).size;
        dropped += changed(project, drop.document).size;
      }
    }),
    { numRuns: 4 },
  );
  expect(folded).toBeLessThan(dropped);
});

test('a fit says what is wanted in every cell, with no declaration to spare', () => {
  const { breakpoints } = small();
  const cells = cellsOf(breakpoints.map(({ condition }) => condition));
  const fit = (...values: (string | undefined)[]) => fitDeclarations(breakpoints, cells, (cell) => values[cells.indexOf(cell)]);
  expect(fit('a', 'b', 'c')).toEqual({ base: 'c', bmid: 'b', bnar: 'a' });
  expect(fit('a', 'a', 'a')).toEqual({ base: 'a' });
  expect(fit('a', 'a', undefined)).toEqual({ bmid: 'a' });
  expect(fit('a', 'b', 'a')).toEqual({ base: 'a', bmid: 'b', bnar: 'a' });
  expect(fit(undefined, 'b', undefined)).toBeUndefined();
});

test('nothing to say is said', () => {
  const project = small();
  expect(describeEffect(project, project, ['efirsth'], ['color'], DEFAULT_SLICE, [])).toEqual([
    'Nothing that shows changes at this height.',
  ]);
});
