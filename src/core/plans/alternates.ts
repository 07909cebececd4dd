import type { At } from '../breakpoints';
import { BASE } from '../breakpoints';
import { canBeAlternate } from '../document/alternate';
import type { AlternateSet } from '../document/alternates';
import { alternatesWith } from '../document/alternates';
import type { PageElement } from '../document/element';
import type { Page, Project } from '../document/project';
import { ancestorsOf, parentOf, subtreeOf } from '../document/tree';
import type { Edit } from '../edits/edit';
import { describeTarget } from '../edits/set-style';
import { listed } from '../text';
import type { Plan } from './plan';
import { PlanError } from './plan';

/** Why elements can't be alternates of each other; undefined where they can. */
function whyNot(tree: Page, elements: readonly PageElement[]): string | undefined {
  const odd = elements.find(({ id, tag }) => !canBeAlternate(tag) || !parentOf(tree, id));
  if (odd) return `${odd.name} (<${odd.tag}>) can't be one of several alternates.`;
  const ids = new Set(elements.map(({ id }) => id));
  const inner = elements.find(({ id }) => ancestorsOf(tree, id).some((one) => ids.has(one.id)));
  return inner && `${inner.name} stands in another of them: of those two not exactly one could show.`;
}

/** A place at which something else can be chosen than at the base. @throws PlanError where there is none */
function elsewhere(project: Project, at: At): At {
  if (at !== BASE) return at;
  const first = project.breakpoints[0];
  if (!first) throw new PlanError('Alternates differ from band to band, and there is only one band yet: add a breakpoint first.');
  return first.id;
}

/** What shows after it, in words: "Short text at 599 and narrower, Long text elsewhere". */
const shows = (project: Project, here: string, at: At, others: string) =>
  `${here} shows at ${describeTarget(project, at)}, ${others} everywhere else.`;

/**
 * Makes elements alternates of each other: the first shows, and at one place the second.
 * @param at where the second is to show; the first breakpoint where it is the base
 */
export function planAlternates(project: Project, tree: Page, ids: readonly string[], at: At, newId: () => string): Plan {
  const elements = subtreeOf(tree, tree.root).filter(({ id }) => ids.includes(id));
  if (elements.length < 2) throw new PlanError('Select the elements of which one is to show, two or more.');
  const why = whyNot(tree, elements);
  if (why) throw new PlanError(why);
  const place = elsewhere(project, at);
  const set = `h${newId()}`;
  const places = (i: number) => (i === 0 ? [BASE] : i === 1 ? [place] : []);
  const twice = sharesFields(tree, elements);
  const edits = elements.map(({ id }, i): Edit => ({
    ...{ type: 'setAlternate', node: id },
    alternate: { set, at: places(i), ...(twice && { later: true }) },
  }));
  const names = elements.map(({ name }) => name);
  return {
    edit: { type: 'group', label: `Make ${listed(names)} alternates`.slice(0, 300), edits },
    sentence: `Of ${listed(names)} exactly one shows from now on: ${shows(project, names[1]!, place, names[0]!)}`,
    details: [
      ...(names.length > 2 ? [`${listed(names.slice(2))} can be chosen for bands on the strip above the lanes.`] : []),
      ...(twice ? ['They have fields of the same name, so each is built only when it is first shown.'] : []),
    ],
  };
}

/** A copy of an element that takes its place at one breakpoint, to be changed there. */
export function planSplit(project: Project, tree: Page, id: string, at: At, newId: () => string): Plan {
  const element = tree.elements[id]!;
  const why = whyNot(tree, [element]);
  if (why) throw new PlanError(why);
  const place = elsewhere(project, at);
  const known = alternatesWith(tree, element);
  const ids = Object.fromEntries(subtreeOf(tree, id).map((one) => [one.id, `e${newId()}`]));
  const copy = ids[id]!;
  const { name } = element;
  const where = describeTarget(project, place);
  const later = sharesFields(tree, [element, element]);
  const mine = element.alternate ?? { set: `h${newId()}`, at: [BASE] };
  const makes: Edit[] = known
    ? [...released(tree, known, place), { type: 'setAlternate', node: copy, alternate: { ...mine, at: [place] } }]
    : [
        { type: 'setAlternate', node: id, alternate: { ...mine, at: [BASE], ...(later && { later }) } },
        { type: 'setAlternate', node: copy, alternate: { ...mine, at: [place], ...(later && { later }) } },
      ];
  return {
    edit: {
      ...{ type: 'group', label: `Let another ${name} show at ${where}`.slice(0, 300) },
      edits: [
        { type: 'duplicateElement', node: id, ids },
        { type: 'renameElement', node: copy, name: `${name}, ${where}`.slice(0, 80) },
        ...makes,
      ],
    },
    sentence: `Copies ${name}; the copy shows at ${where} in its place, and can be changed on its own.`,
    details: later ? ['It has fields, so each of the two is built only when it is first shown.'] : [],
  };
}

/** Whether some of the elements have fields with the same name, which would both be sent. */
function sharesFields(tree: Page, elements: readonly PageElement[]): boolean {
  const seen = new Set<string>();
  for (const { id } of elements) {
    const names = new Set(subtreeOf(tree, id).flatMap(({ attributes }) => attributes.name ?? []));
    for (const name of names) if (seen.has(name)) return true;
    for (const name of names) seen.add(name);
  }
  return false;
}

/** The members of a set no longer chosen at a place. */
const released = (tree: Page, { members }: AlternateSet, at: At, but?: string): Edit[] =>
  members.flatMap((id): Edit[] => {
    const { alternate } = tree.elements[id]!;
    if (id === but || !alternate!.at.includes(at)) return [];
    return [{ type: 'setAlternate', node: id, alternate: { ...alternate!, at: alternate!.at.filter((one) => one !== at) } }];
  });

/** An element shows by its own values again; where only one other is left of the set, that does too. */
export function planNoAlternate(tree: Page, id: string): Plan {
  const element = tree.elements[id]!;
  const set = alternatesWith(tree, element);
  const others = set?.members.filter((one) => one !== id) ?? [];
  const gone = others.length === 1 ? [id, ...others] : [id];
  const names = gone.map((one) => tree.elements[one]!.name);
  return {
    edit: {
      ...{ type: 'group', label: `${listed(names)}: alternates no longer`.slice(0, 300) },
      edits: gone.map((node): Edit => ({ type: 'setAlternate', node, alternate: null })),
    },
    sentence: `${listed(names)} ${gone.length === 1 ? 'shows' : 'show'} everywhere again, unless ${gone.length === 1 ? 'its' : 'their'} own values hide ${gone.length === 1 ? 'it' : 'them'}.`,
    details: [],
  };
}
