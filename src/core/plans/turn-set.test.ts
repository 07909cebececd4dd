import fc from 'fast-check';
import { arbitraryProject } from '../../../tests/cascade/arbitrary-project';
import { DEFAULT_SLICE } from '../breakpoints';
import { resolve } from '../cascade';
import type { Project } from '../document';
import { newProject } from '../document';
import { PROPERTIES } from '../styles';
import { applyEdit, EditError } from '../edits';
import { cellsBetween } from '../edits/footprint';
import { gridAt } from '../grid';
import { demoProject } from '@/demo';
import { directionOf, planTurn } from './turn-set';

const ids = (prefix = 'new') => {
  let n = 0;
  return () => `b${prefix}${n++}`;
};

/** Every property of every element in every part of all viewports. */
function differences(before: Project, after: Project): string[] {
  return before.pages.flatMap((page, p) =>
    Object.keys(page.elements).flatMap((id) =>
      [...PROPERTIES.map(({ name }) => name), '--a', '--b', '--c'].flatMap((name) =>
        cellsBetween(before, after).flatMap(({ sample }) => {
          const was = resolve(before, page, id, name, sample.width, sample).value;
          const is = resolve(after, after.pages[p]!, id, name, sample.width, sample).value;
          return was === is ? [] : [`${id} ${name} at ${sample.width}x${sample.height}: ${was}, then ${is}`];
        }),
      ),
    ),
  );
}

test('turned around, and back, every element keeps every value everywhere', () => {
  let turned = 0;
  let refused = 0;
  fc.assert(
    fc.property(arbitraryProject, fc.constantFrom('wide-first' as const, 'narrow-first' as const), (project, direction) => {
      let plan;
      try {
        plan = planTurn(project, direction, ids());
      } catch (error) {
        // Only where breakpoints take over from each other may it say no.
        if (!(error instanceof EditError) || !project.breakpoints.some(({ also }) => also)) throw error;
        refused++;
        return;
      }
      turned++;
      const { document, inverse, footprint } = applyEdit(project, plan.edit);
      expect(differences(project, document)).toEqual([]);
      expect(Object.values(footprint).filter(({ widths }) => widths.length > 0)).toEqual([]);
      expect(applyEdit(document, inverse).document).toEqual(project);
      const other = direction === 'wide-first' ? 'narrow-first' : 'wide-first';
      const back = applyEdit(document, planTurn(document, other, ids('back')).edit).document;
      expect(differences(project, back)).toEqual([]);
    }),
    { numRuns: 5 },
  );
  expect(turned).toBeGreaterThan(3);
  expect(refused).toBeLessThan(turned / 2);
});

test('a narrow-first value becomes a base with its end written out', () => {
  const project = fcProject();
  const { document } = applyEdit(project, planTurn(project, 'wide-first', ids()).edit);
  expect(document.breakpoints.map(({ name, condition }) => [name, condition])).toEqual([
    ['Middle', { below: 1200 }],
    ['Small', { below: 600 }],
  ]);
  expect(document.baseName).toBe('Wide');
  expect(document.pages[0]!.elements.egfirstx).toBeUndefined();
  const styles = document.pages[0]!.elements.efirsth!.styles;
  expect(styles).toEqual({
    base: { 'font-size': '40px', display: 'flex' },
    bnew1: { 'font-size': '30px' },
    bnew0: { 'font-size': '20px', display: 'block' },
  });
  expect(directionOf(document.breakpoints)).toBe('wide-first');
});

function fcProject(): Project {
  const project = newProject('00000000-0000-4000-8000-000000000000', 'One');
  const page = project.pages[0]!;
  const heading = page.elements.efirsth!;
  return {
    ...project,
    baseName: 'Small',
    breakpoints: [
      { id: 'bm', name: 'Middle', condition: { from: 600 } },
      { id: 'bw', name: 'Wide', condition: { from: 1200 } },
    ],
    pages: [
      {
        ...page,
        elements: {
          ...page.elements,
          efirsth: {
            ...heading,
            styles: { base: { 'font-size': '20px' }, bm: { 'font-size': '30px', display: 'flex' }, bw: { 'font-size': '40px' } },
          },
        },
      },
    ],
  };
}

test('turned around, every band keeps its column grid', () => {
  const project = demoProject('00000000-0000-4000-8000-000000000000');
  const own = applyEdit(project, { type: 'setColumns', page: 'gjoin', at: 'bmiddle', grid: project.columns.bnarrow! }).document;
  let count = 0;
  for (const direction of ['narrow-first', 'wide-first'] as const) {
    const { document } = applyEdit(own, planTurn(own, direction, () => `bn${count++}`).edit);
    for (const [i, page] of document.pages.entries())
      for (const width of [300, 599, 600, 899, 900, 1599, 1600, 2400]) {
        const viewport = { ...DEFAULT_SLICE, width };
        expect([page.name, width, gridAt(document, page, viewport)?.grid]).toEqual([
          page.name,
          width,
          gridAt(own, own.pages[i]!, viewport)?.grid,
        ]);
      }
  }
});
