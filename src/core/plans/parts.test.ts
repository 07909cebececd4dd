import fc from 'fast-check';
import { arbitraryProject } from '../../../tests/cascade/arbitrary-project';
import { cellsOf } from '../breakpoints';
import { circumstancesOf, lookUnder } from '../cascade/circumstances';
import { heldIn } from '../cascade/look';
import { conditionsOf } from '../cascade';
import { specifiedValue } from '../cascade/resolve';
import type { Child, Page, PageElement, Project } from '../document';
import {
  alternatesOn,
  isInUse,
  isRun,
  kept,
  pageOf,
  PSEUDOS,
  readPseudo,
  subtreeOf,
  topOf,
  treesOf,
  usesIn,
  usesOf,
} from '../document';
import { allDeclarations } from '../document/style-sets';
import { makeEdit } from '../edits';
import { demoProject } from '@/demo';
import { demoWithCards } from '@/demo/demo-with-cards-for-tests';
import { alikeTo, planMakePart, planRemovePart, planSwapPart, planTakeApart } from './index';

let fresh = 0;
const newId = () => `x${(fresh++).toString(36)}`;

/** All that is written anywhere, as the properties that could differ. */
const written = ({ layers = [], ...element }: PageElement) =>
  [element, ...layers].flatMap((styled) => allDeclarations(styled).flatMap((values) => Object.keys(values)));

const HELD = PSEUDOS.filter((pseudo) => /^(:hover|:active|:disabled|:checked|::before|:hover::before)$/.test(pseudo));

/** Where two pages of the same elements in the same order look different: at rest, in states and boxes, at any viewport. */
function differences(before: Project, was: Page, after: Project, is: Page): string[] {
  const [a, b] = [subtreeOf(was, was.root), subtreeOf(is, is.root)];
  if (a.map(({ tag }) => tag).join() !== b.map(({ tag }) => tag).join()) return ['other elements'];
  const names = new Set([
    ...a.flatMap(written),
    ...before.shared.flatMap((style) => allDeclarations(style).flatMap(Object.keys)),
  ]);
  const cells = cellsOf(conditionsOf(before));
  const found: string[] = [];
  a.forEach((element, i) => {
    const other = b[i]!;
    if (text(element) !== text(other)) found.push(`${element.id}: ${text(element)} and ${text(other)}`);
    for (const pseudo of ['', ...HELD])
      for (const name of names) {
        if (readPseudo(pseudo).box && name === 'content') continue;
        for (const one of circumstancesOf(before, was, element.id, pseudo, name)) {
          const [x, y] = [lookUnder(before, was, element.id, pseudo, one), lookUnder(after, is, other.id, pseudo, one)];
          for (const { sample } of cells) {
            const value = ({ project, page, node }: typeof x, look: typeof x) =>
              specifiedValue(project, page, node, name, heldIn(look, sample));
            if (value(x, x) !== value(y, y)) found.push(`${element.id}${pseudo} ${name} at ${sample.width}`);
          }
        }
      }
  });
  return found;
}

const text = ({ children, attributes }: PageElement) =>
  JSON.stringify([children.map((child) => (isRun(child) ? child.text : '<>')), { ...attributes, class: '' }]);

test('taken apart, a use looks the same in every state at every viewport, and undoing leads back', () => {
  fc.assert(
    fc.property(arbitraryProject, (project) => {
      const page = project.pages[0]!;
      const [id] = usesIn(page.elements);
      fc.pre(id !== undefined && project.sheets.length === 0);
      const { edit } = planTakeApart(project, id!, newId);
      const { document, inverse } = makeEdit(project, edit);
      expect(differences(project, page, document, document.pages[0]!)).toEqual([]);
      expect(makeEdit(document, inverse).document).toEqual(project);
    }),
    // Few of the random pages have uses; those that have none don't count.
    { numRuns: 2, maxSkipsPerRun: 1000 },
  );
});

test('made a part, elements look the same, and stay so when the part is removed from under its uses', () => {
  fc.assert(
    fc.property(arbitraryProject, fc.nat(), (project, at) => {
      const page = project.pages[0]!;
      const ids = Object.keys(page.elements).filter((id) => id !== page.root && !isInUse(id) && !page.elements[id]!.use);
      const id = ids[at % (ids.length || 1)];
      fc.pre(id !== undefined && project.sheets.length === 0);
      // Alternates of which some stand outside are refused.
      const within = new Set(subtreeOf(page, id!).map((one) => one.id));
      fc.pre(![...alternatesOn(page).values()].some(({ members }) => members.some((one) => within.has(one))));
      const { edit } = planMakePart(project, id!, true, newId);
      const { document, inverse } = makeEdit(project, edit);
      const part = document.parts.at(-1)!;
      // Of those that stand in each other only the outermost become uses.
      expect(usesOf(document, part.id).length).toBeLessThanOrEqual(1 + alikeTo(project, id!).length);
      expect(differences(project, page, document, document.pages[0]!)).toEqual([]);
      expect(makeEdit(document, inverse).document).toEqual(project);
      const removed = makeEdit(document, planRemovePart(document, part.id, 'apart', newId).edit).document;
      expect(removed.parts.length).toBe(project.parts.length);
      expect(differences(project, page, removed, removed.pages[0]!)).toEqual([]);
    }),
    { numRuns: 2, maxSkipsPerRun: 1000 },
  );
});

const demo = demoProject('00000000-0000-4000-8000-000000000000');

test('taken apart and made a part again, the demo has as many cards with texts, pictures and links of their own', () => {
  const card = demo.parts.find(({ name }) => name === 'Tool card')!;
  const each = makeEdit(demo, planRemovePart(demo, card.id, 'apart', newId).edit).document;
  const first = Object.values(pageOf(each, 'gfront')!.elements).find(({ name }) => name === 'Claw hammer card')!;
  const again = makeEdit(each, planMakePart(each, first.id, true, newId).edit).document;
  // That of the catalogue has a button: it is another card.
  expect(usesOf(again, again.parts.at(-1)!.id).map(({ tree }) => tree.id)).toEqual(Array.from({ length: 3 }, () => 'gfront'));
  for (const [i, page] of demo.pages.slice(0, 2).entries()) expect(differences(demo, page, again, again.pages[i]!)).toEqual([]);
});

test('a use in a part is taken apart: what uses and lists of that part say of its elements goes along', () => {
  for (const project of [demo, demoWithCards()]) {
    const part = project.parts.find(({ name }) => name === 'Tool card, fed')!;
    const use = topOf(part)!.id;
    const after = makeEdit(project, planTakeApart(project, use, newId).edit).document;
    const words = (of: Project) =>
      subtreeOf(pageOf(of, 'gcatalogue')!, 'ecatalogue0').flatMap(({ attributes, children }) => [
        attributes.src,
        children.filter(isRun),
      ]);
    expect(words(after)).toEqual(words(project));
    expect(topOf(after.parts.find(({ id }) => id === part.id)!)!.use).toBeUndefined();
  }
});

test('a swapped part takes along what is said of elements of the same name', () => {
  const [id] = usesIn(pageOf(demo, 'gfront')!.elements).filter(
    (use) => pageOf(demo, 'gfront')!.elements[use]!.use!.part === 'mcard',
  );
  const copy = kept(demo).parts.find((part) => part.id === 'mcard')!;
  const other: Page = {
    ...copy,
    ...{ id: 'mother', slug: 'mother', name: 'Plain card', root: 'eo0' },
    elements: Object.fromEntries(
      Object.values(copy.elements)
        .filter(({ name }) => name !== 'Reserve')
        .map((element) => {
          const renamed = (one: string) => one.replace('ecard', 'eo');
          const children = element.children.flatMap((child): Child[] =>
            isRun(child) ? [child] : copy.elements[child]!.name === 'Reserve' ? [] : [renamed(child)],
          );
          return [renamed(element.id), { ...element, id: renamed(element.id), children }];
        }),
    ),
  };
  const two = makeEdit(demo, { type: 'addPart', part: other }).document;
  const plan = planSwapPart(two, id!, 'mother');
  expect(plan.details).toEqual(['What is said here of Reserve is left out: Plain card has none of that name.']);
  const { document, inverse } = makeEdit(two, plan.edit);
  const shown = subtreeOf(pageOf(document, 'gfront')!, id!);
  expect(shown.flatMap(({ children }) => children.filter(isRun)).map((run) => run.text)).toEqual([
    'Claw hammer',
    'Wall A, peg 4',
  ]);
  expect(makeEdit(document, inverse).document).toEqual(two);
  expect(treesOf(document).length).toBe(treesOf(two).length);
});
