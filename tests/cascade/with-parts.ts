import fc from 'fast-check';
import type { Page, PageElement, Project, Saying } from '@/core/document';
import { childIds, expanded, isRun, kept, newPage, newPart, parentOf, shapeOf, subtreeOf, topOf } from '@/core/document';
import { projectProblem } from '@/core/document/problems';
import { whyNotInto } from '@/core/document/room';
import type { PseudoStyles, StyleSet } from '@/core/document';

/** What decides which parts a project has, and what their uses say. */
export interface Choice {
  readonly at: number;
  readonly into: number;
  readonly elsewhere: boolean;
  readonly says: readonly { readonly of: number; readonly saying: Saying }[];
  readonly own: StyleSet;
}

export const partChoices = (
  styles: fc.Arbitrary<StyleSet>,
  pseudo: fc.Arbitrary<PseudoStyles | undefined>,
): fc.Arbitrary<readonly Choice[]> => {
  const saying = fc
    .record({ styles, pseudo, text: fc.constantFrom(undefined, 'Other words'), hidden: fc.nat(4), title: fc.nat(3) })
    .map(({ styles, pseudo, text, hidden, title }): Saying => ({
      styles,
      ...(pseudo && { pseudo }),
      ...(text !== undefined && { texts: [text] }),
      ...(hidden === 0 && { hidden: true as const }),
      ...(title === 0 && { attributes: { title: 'Elsewhere', dir: 'auto' } }),
    }));
  const says = fc.array(fc.record({ of: fc.nat(), saying }), { maxLength: 3 });
  return fc.oneof(
    { weight: 1, arbitrary: fc.constant([]) },
    {
      weight: 2,
      arbitrary: fc.array(fc.record({ at: fc.nat(), into: fc.nat(), elsewhere: fc.boolean(), says, own: styles }), {
        minLength: 1,
        maxLength: 4,
      }),
    },
  );
};

const isOk = (project: Project) => projectProblem(project) === undefined;

/** The project with some of its elements made parts, each used where it stood and once more; parts in parts among them. */
export function withParts(project: Project, choices: readonly Choice[]): Project {
  let made = kept(project);
  for (const [index, choice] of choices.entries()) {
    const next = withPart(made, choice, index);
    if (next && isOk(next)) made = next;
  }
  return expanded(made.parts.length > 0 ? withSecondPage(made, choices[0]!.own) : made);
}

/** Another page, on which the parts are used as well, where they may stand in its body. */
function withSecondPage(project: Project, own: StyleSet): Project {
  const page = newPage('gsecond', 'Second', 'second');
  const uses = project.parts.map((part, i): PageElement => ({
    ...{ id: `esecond${i}`, tag: topOf(part)!.tag, name: `Use ${i}`, attributes: {}, children: [], shared: [] },
    ...{ styles: i === 0 ? own : {}, use: { part: part.id, says: {} } },
  }));
  const made: Project = uses.reduce(
    (one, use) => {
      const second = one.pages[1]!;
      const body = second.elements[second.root]!;
      const elements = { ...second.elements, [body.id]: { ...body, children: [...body.children, use.id] }, [use.id]: use };
      const next: Project = { ...one, pages: [one.pages[0]!, { ...second, elements }] };
      return isOk(next) ? next : one;
    },
    { ...project, pages: [project.pages[0]!, page] } as Project,
  );
  return isOk(made) ? made : project;
}

function withPart(project: Project, { at, into, elsewhere, says, own }: Choice, index: number): Project | undefined {
  const trees = [...project.pages, ...project.parts];
  const candidates = trees.flatMap((tree) =>
    Object.keys(tree.elements).flatMap((id) => (id === tree.root ? [] : [{ tree, id }])),
  );
  const chosen = candidates[at % candidates.length];
  if (!chosen) return undefined;
  const { tree, id } = chosen;
  const inside = subtreeOf(tree, id);
  let n = 0;
  const part = newPart(`m${index}`, `Part ${index}`, inside, () => `m${index}${n++ || ''}`);
  const use = (key: string, saying: boolean): PageElement => ({
    ...{ id: `eu${index}${key}`, tag: inside[0]!.tag, name: `Use ${index}`, attributes: {}, children: [], shared: [] },
    styles: saying ? own : {},
    use: { part: part.id, says: saying ? sayings({ ...project, parts: [...project.parts, part] }, part, says) : {} },
  });
  const first = use('a', index % 2 === 0);
  const parent = parentOf(tree, id)!;
  const others = Object.values(tree.elements).filter((one) => !inside.includes(one));
  const replaced: Page = {
    ...tree,
    elements: Object.fromEntries(
      [...others.filter((one) => one !== parent), withChild(parent, id, first.id), first].map((one) => [one.id, one]),
    ),
  };
  const with_ = (list: readonly Page[]) => list.map((one) => (one === tree ? replaced : one));
  const once: Project = { ...project, pages: with_(project.pages), parts: [...with_(project.parts), part] };
  if (!isOk(once)) return undefined;
  const second = use('b', true);
  const target = elsewhere ? once.pages[0]! : replaced;
  const parents = Object.keys(target.elements).filter((one) => !target.elements[one]!.use);
  const under = parents[into % parents.length]!;
  if (whyNotInto(expanded(once).pages.find(({ id }) => id === target.id) ?? target, under, shapeOf(part.elements, id)))
    return once;
  const holder = target.elements[under]!;
  const put: Page = {
    ...target,
    elements: { ...target.elements, [under]: { ...holder, children: [...holder.children, second.id] }, [second.id]: second },
  };
  const put_ = (list: readonly Page[]) => list.map((one) => (one === target ? put : one));
  const twice: Project = { ...once, pages: put_(once.pages), parts: put_(once.parts) };
  return isOk(twice) ? twice : once;
}

const withChild = (parent: PageElement, id: string, instead: string): PageElement => ({
  ...parent,
  children: parent.children.map((child) => (child === id ? instead : child)),
});

/** What a use says: of elements of the part that are there, with as many texts as fit. */
function sayings(project: Project, part: Page, says: Choice['says']): Record<string, Saying> {
  const shown = expanded(project).parts.find(({ id }) => id === part.id)!;
  const top = topOf(shown)!;
  const inside = subtreeOf(shown, top.id).slice(1);
  return Object.fromEntries(
    says.flatMap(({ of, saying }) => {
      const element = inside[of % (inside.length || 1)];
      if (!element) return [];
      const texts = saying.texts && [saying.texts[0]!, ...childIds(element).map((_, i) => (i % 2 ? 'after' : ''))];
      const wordy = element.children.some(isRun);
      // A picture that can't be shown stands in with its words, and here none has a source.
      const attributes = element.tag === 'img' ? undefined : saying.attributes;
      return [[element.id, { ...saying, attributes, texts: wordy ? texts : undefined }]];
    }),
  );
}
