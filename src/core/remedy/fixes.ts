import { usualLimits } from '../audit/check';
import { checkNamed } from '../audit/checks';
import type { Page, Project } from '../document/project';
import { splitPseudo } from '../document/pseudo';
import { ownerKind } from '../document/owner';
import { pageHolding } from '../document/tree';
import { ownerName } from '../edits/owners';
import type { Edit } from '../edits/edit';
import { applyEdit } from '../edits/apply-edit';
import type { Entry } from './entries';
import { elementsInWords } from './entry-words';
import { placesFor } from './places';
import { recipesFor, situationOf } from './recipes';
import type { Recipe } from './situation';
import type { Writer } from './writers';
import { writersFor } from './writers';

/** An edit that may mend what is told by one entry. Whether it does, and what else it does, only a try can say. */
export interface Fix {
  /** "Tool cards in one column at 599 and narrower". */
  readonly title: string;
  /** The same without where it is written. */
  readonly what: string;
  readonly edit: Edit;
  /** How many breakpoints it makes. */
  readonly breakpoints: number;
}

const FIXES_MOST = 24;

/**
 * Fixes worth trying for findings of one cause on a page, none that can't be made or that change nothing there: first those
 * at the cause, under breakpoints that are there.
 */
export function fixesFor(project: Project, page: Page, entry: Entry): Fix[] {
  const { worst } = entry;
  const check = checkNamed(worst.check);
  if (!check || !page.elements[worst.element]) return [];
  const limits = { ...usualLimits(check), ...project.audit.checks[check.id]?.limits };
  const recipes = recipesFor(situationOf(project, page, worst, limits));
  const places = placesFor(project, entry.widths);
  const fixes: (Fix & { readonly rank: number })[] = [];
  const seen = new Set<string>();
  writersFor(project, page, entry).forEach((writer, w) =>
    recipes.forEach((recipe, r) => {
      const what = titleOf(project, page, recipe, writer);
      // What is said where it stands has no place to be chosen.
      for (const [p, { at, words, before }] of (recipe.fixed ? places.slice(0, 1) : places).entries()) {
        const edits = editsOf(recipe, writer, at);
        const label = recipe.fixed ? what : `${what} ${words}`;
        const edit: Edit = { type: 'group', label, edits: [...(recipe.fixed ? [] : before), ...edits] };
        const key = JSON.stringify(edit.edits);
        if (seen.has(key)) continue;
        seen.add(key);
        if (reaches(project, page, edit))
          fixes.push({ title: label, what, edit, breakpoints: recipe.fixed ? 0 : before.length, rank: w * 1e4 + r * 10 + p });
      }
    }),
  );
  return fixes
    .sort((a, b) => a.breakpoints - b.breakpoints || a.rank - b.rank)
    .slice(0, FIXES_MOST)
    .map(({ rank: _, ...fix }) => fix);
}

function editsOf({ values, edits }: Recipe, writer: Writer, at: string): Edit[] {
  return [
    ...values.flatMap(([node, property, value]) =>
      writer(node, property).map((owner): Edit => ({ type: 'setStyle', owner, at, property, value })),
    ),
    ...(edits?.(at) ?? []),
  ];
}

/** The title with the names of those on whom it is written. */
function titleOf(project: Project, page: Page, { title, values }: Recipe, writer: Writer): string {
  return title.replace(/\{([^}]+)\}/g, (_, id: string) => {
    const value = values.find(([node]) => splitPseudo(node).id === id);
    const owners = (value ? writer(value[0], value[1]) : [id]).map((owner) => splitPseudo(owner).id);
    if (owners.length > 1) return elementsInWords(owners.map((owner) => nameOf(project, page, owner)));
    const [owner = id] = owners;
    return ownerKind(owner) === 'element' ? nameOf(project, page, owner) : ownerName(project, owner);
  });
}

const nameOf = (project: Project, page: Page, id: string): string =>
  (page.elements[id] ?? pageHolding(project, id)?.elements[id])?.name ?? 'a removed element';

function reaches(project: Project, page: Page, edit: Edit): boolean {
  try {
    const { footprint } = applyEdit(project, edit);
    return (footprint[page.id]?.widths.length ?? 0) > 0;
  } catch {
    return false;
  }
}
