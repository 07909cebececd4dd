import fc from 'fast-check';
import { conditionsOf, resolve } from '../cascade';
import type { Project } from '../document';
import { childIds, kept, readProject } from '../document';
import { contains, cutsAcross } from '../breakpoints';
import type { Edit } from './edit';
import { applyEdit } from './apply-edit';
import { foresee, makeEdit } from './make-edit';
import { describeEdit } from './registry';
import { anyEdit, demo, ids, main, page } from './any-edit-for-tests';
import { readEdit } from './read-edit';

function applyAll(project: Project, edits: readonly Edit[]) {
  const inverses: Edit[] = [];
  let document = project;
  for (const edit of edits) {
    try {
      const applied = makeEdit(document, edit);
      document = applied.document;
      inverses.unshift(applied.inverse);
    } catch (error) {
      expect((error as Error).name).toBe('EditError');
    }
  }
  return { document, inverses };
}

test('any series of edits leaves a valid project, and its inverses lead back to the first one', () => {
  fc.assert(
    fc.property(fc.array(anyEdit, { minLength: 1, maxLength: 8 }), (edits) => {
      const { document, inverses } = applyAll(demo, edits);
      expect(() => readProject(JSON.parse(JSON.stringify(kept(document))))).not.toThrow();
      const back = inverses.reduce((project, inverse) => makeEdit(project, inverse).document, document);
      expect(back).toEqual(demo);
    }),
    { numRuns: 15 },
  );
});

test('an edit that was foreseen is made as one that was not, and only on the document for which it was', () => {
  fc.assert(
    fc.property(anyEdit, anyEdit, (edit, before) => {
      const [here, there] = [demo, applyAll(demo, [before]).document];
      const outcome = (project: Project, one: Edit) => {
        try {
          const { document, inverse, footprint } = makeEdit(project, one);
          return { document, inverse, footprint };
        } catch (error) {
          return (error as Error).message;
        }
      };
      const plain = [outcome(here, edit), outcome(there, edit)];
      try {
        foresee(here, edit);
      } catch {
        // It can't be made here.
      }
      expect([outcome(here, edit), outcome(there, edit)]).toEqual(plain);
    }),
    { numRuns: 12 },
  );
});

test('edits survive the way through JSON and the schema', () => {
  fc.assert(
    fc.property(anyEdit, (edit) => expect(readEdit(JSON.parse(JSON.stringify(edit)))).toEqual(edit)),
    { numRuns: 30 },
  );
  fc.assert(
    fc.property(fc.array(anyEdit, { minLength: 1, maxLength: 4 }), (edits) => {
      for (const inverse of applyAll(demo, edits).inverses)
        expect(() => readEdit(JSON.parse(JSON.stringify(inverse)))).not.toThrow();
    }),
    { numRuns: 25 },
  );
});

const WATCHED = [
  'color',
  'font-size',
  'padding-top',
  'display',
  'width',
  'row-gap',
  'border-top-color',
  'max-width',
  'height',
  'grid-template-columns',
  'position',
  'margin-top',
  'padding-left',
];

test('a footprint names every width at which a value of its page differs, and no more for style edits', () => {
  const width = fc.integer({ min: 200, max: 2000 });
  let differing = 0;
  let alike = 0;
  fc.assert(
    fc.property(
      fc.array(anyEdit, { minLength: 1, maxLength: 4 }),
      anyEdit,
      fc.array(width, { minLength: 4, maxLength: 4 }),
      (before, edit, widths) => {
        const start = applyAll(demo, before).document;
        let applied;
        try {
          applied = makeEdit(start, edit);
        } catch {
          return;
        }
        // With sheets from elsewhere another class can matter anywhere; a footprint is of all heights, and here it's one.
        const one = start.sheets.length === 0 && !cutsAcross(conditionsOf(start));
        const exact = edit.type === 'setStyle' && WATCHED.includes(edit.property) && one;
        for (const now of applied.document.pages) {
          const was = start.pages.find((one) => one.id === now.id)!;
          const footprint = applied.footprint[now.id];
          if (footprint?.html) continue;
          for (const at of widths) {
            const touched = contains(footprint?.widths ?? [], at);
            const value = (project: Project, of: typeof was, id: string, property: string) =>
              resolve(project, of, id, property, at).value;
            const differs = Object.keys(now.elements).some((id) =>
              WATCHED.some((property) => value(start, was, id, property) !== value(applied.document, now, id, property)),
            );
            if (differs) differing++;
            else alike++;
            if ((differs || exact) && touched !== differs) expect([edit, at, touched]).toEqual([edit, at, differs]);
          }
        }
      },
    ),
    { numRuns: 30 },
  );
  // Were all alike, or all different, nothing would have been tested.
  expect(Math.min(differing, alike)).toBeGreaterThan(0);
});

test('writing at 899 and narrower leaves 900 and wider alone, and 599 and narrower where that has its own', () => {
  const cards = Object.values(page.elements).find((element) => element.name === 'Tool cards')!;
  const applied = applyEdit(demo, {
    type: 'setStyle',
    owner: cards.id,
    at: 'bmiddle',
    property: 'grid-template-columns',
    value: '1fr 1fr',
  });
  expect(applied.footprint[page.id]!.widths).toEqual([{ from: 600, below: 900 }]);
  expect(applied.inverse).toEqual({
    type: 'setStyle',
    owner: cards.id,
    at: 'bmiddle',
    property: 'grid-template-columns',
    value: 'repeat(3, minmax(0, 1fr))',
  });
});

test.each<[string, Edit | Record<string, unknown>, RegExp]>([
  ['an unknown property', { type: 'setStyle', owner: ids[1]!, at: 'base', property: 'colour', value: 'red' }, /isn't a property/],
  [
    'an impossible value',
    { type: 'setStyle', owner: ids[1]!, at: 'base', property: 'width', value: 'red' },
    /isn't a value that width/,
  ],
  ['a removed element', { type: 'setStyle', owner: 'egone', at: 'base', property: 'width', value: '1px' }, /has been removed/],
  [
    'a removed breakpoint',
    { type: 'setStyle', owner: ids[1]!, at: 'bgone', property: 'width', value: '1px' },
    /has been removed/,
  ],
  ['a circle', { type: 'changeBreakpoint', id: 'bnarrow', also: ['bnarrow'] }, /from itself/],
  ['a breakpoint at 0', { type: 'moveBreakpoint', id: 'bnarrow', edge: 0 }, /under 40/],
  ['a breakpoint at 99999', { type: 'moveBreakpoint', id: 'bnarrow', edge: 99999 }, /over 10000/],
  ['the removal of the body', { type: 'removeElement', node: page.root }, /body can't be removed/],
  ['a move into itself', { type: 'moveElement', node: main.id, parent: childIds(main)[0]!, index: 0 }, /into itself/],
  ['clearing what is not set', { type: 'clearStyle', owner: ids[1]!, at: 'bnarrow', property: 'width' }, /no own width/],
])('refuses %s', (_, edit, message) => {
  expect(() => applyEdit(demo, edit as Edit)).toThrow(message);
});

test.each<[unknown, RegExp]>([
  [null, /./],
  [{ type: 'nothing' }, /./],
  [{ type: 'renameElement', node: 'ea', name: '  ' }, /can't be empty/],
  [{ type: 'setText', node: 'ea', text: 'x'.repeat(10_000_000) }, /at most 20000/],
  [{ type: 'addBreakpoint', breakpoint: { id: 'bx', name: 'X', condition: { below: 99999 } } }, /over 10000/],
  [{ type: 'group', label: 'x', edits: [{ type: 'setStyle' }] }, /./],
])('the schema refuses %#', (input, message) => {
  expect(() => readEdit(input)).toThrow(message);
});

test('edits are named in words', () => {
  expect(describeEdit(demo, { type: 'removeBreakpoint', id: 'bmiddle' })).toBe('Remove breakpoint Middle');
  expect(describeEdit(demo, { type: 'moveBreakpoint', id: 'bmiddle', edge: 801 })).toBe('Move Middle to 800 and narrower');
});
