import { ownText } from '../document/content';
import type { Project } from '../document/project';
import { allDeclarations } from '../document/style-sets';
import { treesOf } from '../document/tree';

/** What scripts and visitors write too: letters, figures and signs of Latin script. */
const ALWAYS = [
  [0x20, 0x7e],
  [0xa0, 0xff],
] as const;
const SIGNS = '–—‘’‚“”„†‡•…‰′″‹›€™−×÷≈≠≤≥ŒœŠšŸŽž←↑→↓';

/** All characters that a project shows in its texts, attributes and contents, and those that are always needed; in order, each once. */
export function charactersOf(project: Project): string {
  const found = new Set(SIGNS);
  for (const [from, to] of ALWAYS) for (let code = from; code <= to; code++) found.add(String.fromCharCode(code));
  const note = (text: string) => {
    for (const character of text) found.add(character);
  };
  for (const { elements } of treesOf(project))
    for (const element of Object.values(elements)) {
      note(ownText(element));
      if (element.source) note(element.source);
      for (const value of Object.values(element.attributes)) note(value);
      for (const declarations of allDeclarations(element)) if (declarations.content) note(declarations.content);
    }
  for (const style of project.shared) for (const { content } of allDeclarations(style)) if (content) note(content);
  for (const { css } of project.sheets) note(css);
  // Small and capital letters turn into each other by `text-transform`.
  for (const character of [...found]) note(character.toUpperCase() + character.toLowerCase());
  return [...found].sort().join('');
}
