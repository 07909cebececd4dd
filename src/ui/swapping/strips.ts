import type { At } from '@/core/breakpoints';
import type { AlternateSet, Page, PageElement, Project } from '@/core/document';
import { alternatesOn, alternatesWith, ancestorsOf, panelsOn, picturesShown } from '@/core/document';
import { insideOf } from '@/core/edits';
import type { Choosing } from '@/core/plans';
import { choosings, picturesOf, PlanError, planChoose, planMoveChoice } from '@/core/plans';
import { inItsTree } from '../arranging/in-part';
import type { Make } from '../editing/proposal';
import { key } from '../view/actions';

/** Something that is chosen along the widths: who of alternates shows, or where something is a panel. */
export interface Strip {
  /** The choice, as the tree that keeps it names it. */
  readonly id: string;
  readonly title: string;
  readonly options: readonly StripOption[];
}

export interface StripOption {
  readonly word: string;
  readonly name: string;
  /** What it says of a stretch: "Short text shows". */
  readonly says: string;
  /** The element of the page that it is about. */
  readonly element: string;
}

function ofSet(page: Page, { id, members }: AlternateSet): Strip {
  const options = members.map((element) => {
    const { name } = page.elements[element]!;
    return { word: inItsTree(element), name, says: `${name} shows`, element };
  });
  return { id: inItsTree(id), title: `Shows · one of ${members.length}`, options };
}

function ofPanel(project: Project, { id: element, name, panel }: PageElement): Strip {
  const option = (word: string, text: string) => ({ word, name: text, says: `${name} is ${text}`, element });
  return {
    id: insideOf(project, element),
    title: `${name} is`,
    options: [option('true', `a ${panel!.kind}`), option('false', 'in the page')],
  };
}

/** So many pictures that it shows nowhere yet can be chosen on the strip; all of them in the inspector. */
const OTHERS_MOST = 12;

function ofPictures(project: Project, { id: element, attributes, pictures }: PageElement): Strip[] {
  const base = picturesShown(attributes).get('src');
  if (!pictures || base === undefined) return [];
  const used = new Set([base, ...Object.values(pictures)]);
  const others = project.pictures.filter(({ id }) => !used.has(id)).slice(0, OTHERS_MOST);
  const options = [...project.pictures.filter(({ id }) => used.has(id)), ...others].map(({ id, fileName }) => ({
    ...{ word: id, name: fileName, says: `${fileName} shows`, element },
  }));
  return [{ id: picturesOf(insideOf(project, element)), title: 'Picture', options }];
}

/** The strips that the gauge shows: those around what is selected, or all of the page where nothing is. */
export function stripsFor(project: Project, page: Page, selected: string | undefined): readonly Strip[] {
  const element = selected === undefined ? undefined : page.elements[selected];
  if (!element)
    return [
      ...[...alternatesOn(page).values()].filter(({ members }) => members.length > 1).map((set) => ofSet(page, set)),
      ...panelsOn(page).map((panel) => ofPanel(project, panel)),
    ];
  return [element, ...ancestorsOf(page, element.id)].flatMap((one) => {
    const set = alternatesWith(page, one);
    return [
      ...(set ? [ofSet(page, set)] : []),
      ...(one.panel ? [ofPanel(project, one)] : []),
      ...(one.id === element.id ? ofPictures(project, one) : []),
    ];
  });
}

export const choosingOf = (project: Project, { id }: Strip): Choosing | undefined =>
  choosings(project).find((one) => one.id === id);

function required(project: Project, strip: Strip): Choosing {
  const found = choosingOf(project, strip);
  if (!found) throw new PlanError('What was to be chosen has been taken away.');
  return found;
}

/** @param option undefined to let what is chosen beneath hold there too */
export const choose =
  (strip: Strip, at: At, where: string, option: StripOption | undefined): Make =>
  (project) =>
    planChoose(
      project,
      required(project, strip),
      at,
      option?.word ?? null,
      option ? `${option.says} at ${where}` : `Nothing of its own is chosen at ${where}`,
    );

export const moveEnd =
  (strip: Strip, edge: number, to: number, { word, says }: StripOption): Make =>
  (project) =>
    planMoveChoice(project, required(project, strip), edge, to, word, says, `b${key()}`);
