import type { At, Breakpoint, Cell } from '../breakpoints';
import { BASE, choiceAt } from '../breakpoints';
import { alternatesOn, atBase } from '../document/alternates';
import type { PageElement } from '../document/element';
import { kept } from '../document/expand';
import { panelChoice } from '../document/panel';
import type { Project } from '../document/project';
import { treesOf } from '../document/tree';
import type { Chosen } from '../edits/restyle';
import { listed, sameJson } from '../text';
import type { Wanted } from './fit';

/** What is chosen at the base and at breakpoints besides values: which of several alternates shows, whether something is a panel. */
export interface Choosing {
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
      return { name, words: Object.fromEntries(set.choice), wanted, written };
    }),
    ...Object.values(tree.elements).flatMap((element) => panelChoosing(breakpoints, element)),
  ]);
}

function panelChoosing(breakpoints: readonly Breakpoint[], { id, name, panel }: PageElement): Choosing[] {
  if (!panel) return [];
  const choice = panelChoice(panel);
  return [
    {
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

/** Whether a breakpoint has a say in it. */
export const speaksAt = ({ words }: Choosing, id: string): boolean => id !== BASE && id in words;
