import fc from 'fast-check';
import { canBeAlternate, whyNoPanel } from '@/core/document';
import type { PageElement, Project } from '@/core/document';
import { expanded, kept } from '@/core/document';

const PLACES = ['base', 'b0', 'b1', 'b2', 'b3', 'bgone'];

/** Which elements are alternates of which set, and which are panels, each with places by chance. */
export const choices = fc.record({
  alternates: fc.array(fc.record({ element: fc.nat(60), set: fc.constantFrom('ha', 'ha', 'hb'), at: fc.subarray(PLACES) }), {
    maxLength: 7,
  }),
  panels: fc.array(
    fc.record({
      element: fc.nat(60),
      at: fc.dictionary(fc.constantFrom(...PLACES), fc.boolean(), { maxKeys: 3 }),
      locks: fc.constantFrom(undefined, true as const),
      outside: fc.constantFrom(undefined, true as const),
    }),
    { maxLength: 2 },
  ),
});
export type Choices = typeof choices extends fc.Arbitrary<infer T> ? T : never;

const kindOf = ({ tag }: PageElement) => (tag === 'details' ? 'disclosure' : 'drawer');

/** The same project with alternates and panels among the elements that it keeps, those of parts too. */
export function withChoices(given: Project, { alternates, panels }: Choices): Project {
  const project = kept(given);
  const trees = [...project.pages, ...project.parts];
  const all = trees.flatMap(({ elements, root }) => Object.values(elements).filter(({ id }) => id !== root));
  if (all.length === 0) return given;
  const changed = new Map<string, PageElement>();
  const change = (at: number, fields: (element: PageElement) => Partial<PageElement>) => {
    const { id } = all[at % all.length]!;
    const element = changed.get(id) ?? all.find((one) => one.id === id)!;
    changed.set(id, { ...element, ...fields(element) });
  };
  for (const { element, set, at } of alternates)
    change(element, ({ tag }) => (canBeAlternate(tag) ? { alternate: { set, at } } : {}));
  for (const { element, at, locks, outside } of panels)
    change(element, (one) =>
      whyNoPanel(one, kindOf(one)) || one.use
        ? {}
        : { panel: { kind: kindOf(one), at, ...(locks && { locks }), ...(outside && { outside }) } },
    );
  // Few elements unfold, so all that are there do.
  const [first] = panels;
  if (first)
    all.forEach(
      ({ tag, use }, i) => tag === 'details' && !use && change(i, () => ({ panel: { kind: 'disclosure', at: first.at } })),
    );
  const put = <T extends Project['pages'][number]>(tree: T): T => ({
    ...tree,
    elements: Object.fromEntries(Object.entries(tree.elements).map(([id, one]) => [id, changed.get(id) ?? one])),
  });
  return expanded({ ...project, pages: project.pages.map(put), parts: project.parts.map(put) });
}
