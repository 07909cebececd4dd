import type { At, Breakpoint, Cell, Interval, Slice } from '../breakpoints';
import { BASE, bandsOf, choiceAt, describeCondition, describeInterval, EDGE_MAX } from '../breakpoints';
import { alternatesOn, atBase } from '../document/alternates';
import type { PageElement } from '../document/element';
import { kept } from '../document/expand';
import { panelChoice } from '../document/panel';
import { pictureChoice } from '../document/shown-pictures';
import type { Project } from '../document/project';
import { treesOf } from '../document/tree';
import type { Chosen } from '../edits/restyle';
import { listed, sameJson } from '../text';
import { endsAt } from './ends';
import type { Wanted } from './fit';
import { fitDeclarations } from './fit';
import type { Plan } from './plan';
import { PlanError } from './plan';

/** What is chosen at the base and at breakpoints besides values: which of several alternates shows, whether something is a panel, which picture an image shows. */
export interface Choosing {
  /** The set of alternates, the panel, or the image with " pictures" behind it. */
  readonly id: string;
  /** Whose choice it is, in words. */
  readonly name: string;
  /** The word of each place that says something. */
  readonly words: Readonly<Record<string, string>>;
  /** What is chosen in a cell, as a word. */
  readonly wanted: Wanted;
  /** What has to be written on elements for the words at places. */
  readonly written: (words: Readonly<Record<string, string>>) => readonly Chosen[];
}

/** All there are in a project, each in the tree that keeps it. */
export function choosings(project: Project): readonly Choosing[] {
  const { breakpoints } = project;
  return treesOf(kept(project)).flatMap((tree) => [
    ...[...alternatesOn(tree).values()].map((set): Choosing => {
      const wanted = ({ sample }: Cell) => choiceAt(breakpoints, set.choice, atBase(set), sample);
      const written = (words: Readonly<Record<string, string>>) =>
        set.members.flatMap((id) => {
          const { alternate } = tree.elements[id]!;
          const at = Object.keys(words).filter((place) => words[place] === id);
          return sameJson(at, alternate!.at) ? [] : [{ node: id, alternate: { ...alternate!, at } }];
        });
      const name = `which of ${listed(set.members.map((id) => tree.elements[id]!.name))} shows`;
      return { id: set.id, name, words: Object.fromEntries(set.choice), wanted, written };
    }),
    ...Object.values(tree.elements).flatMap((element) => [
      ...panelChoosing(breakpoints, element),
      ...(tree.brought ? [] : pictureChoosing(breakpoints, element)),
    ]),
  ]);
}

function panelChoosing(breakpoints: readonly Breakpoint[], { id, name, panel }: PageElement): Choosing[] {
  if (!panel) return [];
  const choice = panelChoice(panel);
  return [
    {
      id,
      name: `whether ${name} is a ${panel.kind}`,
      words: Object.fromEntries([...choice].map(([at, isPanel]) => [at, String(isPanel)])),
      wanted: ({ sample }) => String(choiceAt(breakpoints, choice, true, sample)),
      written(words) {
        const at = Object.fromEntries(Object.entries(words).map(([place, word]) => [place, word === 'true']));
        return sameJson(at, panel.at) ? [] : [{ node: id, panel: { ...panel, at } }];
      },
    },
  ];
}

/** How the choice of an image's pictures is called. */
export const picturesOf = (id: string): string => `${id} pictures`;

function pictureChoosing(breakpoints: readonly Breakpoint[], element: PageElement): Choosing[] {
  const choice = element.use ? undefined : pictureChoice(element);
  if (!choice) return [];
  const words = Object.fromEntries(choice);
  return [
    {
      id: picturesOf(element.id),
      name: `what ${element.name} shows`,
      words,
      wanted: ({ sample }) => choiceAt(breakpoints, choice, words[BASE]!, sample),
      written: (next) => (sameJson(next, words) ? [] : [{ node: element.id, pictures: next }]),
    },
  ];
}

/** Whether a breakpoint has a say in it. */
export const speaksAt = ({ words }: Choosing, id: string): boolean => id !== BASE && id in words;

/** Where one word is chosen, at one height and for one reader. */
export interface ChosenStretch extends Interval {
  readonly word: string;
  /** The band's own place: where a choice for just this band is written. */
  readonly home: At;
  /** Whether it is chosen right there, not carried on from elsewhere. */
  readonly own: boolean;
}

/** What is chosen where, along the widths: neighbouring bands with the same choice are one stretch. */
export function chosenAlong(project: Project, { words, wanted }: Choosing, slice: Slice): readonly ChosenStretch[] {
  const stretches: ChosenStretch[] = [];
  for (const { from, below, home } of bandsOf(project, slice)) {
    const word = wanted({ sample: { ...slice, width: from } } as Cell)!;
    const last = stretches[stretches.length - 1];
    if (last?.word === word) stretches[stretches.length - 1] = { ...last, below };
    else stretches.push({ from, below, word, home, own: home in words || home === BASE });
  }
  return stretches;
}

/** Chooses something at a place; null lets what is chosen beneath hold there too. */
export function planChoose(project: Project, choosing: Choosing, at: At, word: string | null, label: string): Plan {
  const { [at]: _, ...rest } = choosing.words;
  const chosen = choosing.written(word === null ? rest : { ...rest, [at]: word });
  if (chosen.length === 0) throw new PlanError('It is so already.');
  return { edit: { type: 'restyle', label: label.slice(0, 300), chosen, changes: [] }, sentence: `${label}.`, details: [] };
}

/**
 * Moves the end of the stretch on which something is chosen; between the old and the new place a word is chosen. A breakpoint is added
 * where there is none at the new place.
 * @param edge the end's present width, and `to` its new one, px
 * @param says the word in words: "Short text shows"
 */
export function planMoveChoice(
  project: Project,
  choosing: Choosing,
  edge: number,
  to: number,
  word: string,
  says: string,
  newId: string,
): Plan {
  if (edge === to) throw new PlanError('The end is there already.');
  const range = { from: Math.min(edge, to), below: to >= EDGE_MAX ? Infinity : Math.max(edge, to) };
  const inRange = ({ sample }: Cell) => sample.width >= range.from && sample.width < range.below;
  const wanted = (cell: Cell) => (inRange(cell) ? word : choosing.wanted(cell));
  const { isEdge, sets, cells } = endsAt(project, to, newId);
  for (const breakpoints of sets) {
    const fitted = fitDeclarations(breakpoints, cells, wanted);
    if (!fitted) continue;
    const chosen = choosing.written(fitted);
    if (chosen.length === 0) throw new PlanError('Nothing would change.');
    const added = isEdge ? undefined : breakpoints.find((one) => one.id === newId)!;
    const label = `${says} at ${describeInterval(range)} as well${added ? `, with a new breakpoint at ${describeCondition(added.condition)}` : ''}`;
    return {
      edit: { type: 'restyle', label: label.slice(0, 300), ...(added && { breakpoints }), chosen, changes: [] },
      sentence: `${label}.`,
      details: [],
    };
  }
  throw new PlanError("That can't be chosen with these breakpoints; add one at the place first.");
}
