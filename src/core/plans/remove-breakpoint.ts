import type { At, Breakpoint, Cell } from '../breakpoints';
import { BASE, cellsOf, describeInterval, holdsAt, withoutBreakpoint } from '../breakpoints';
import { conditionsOf } from '../cascade/sources';
import type { Project } from '../document/project';
import { pageOf } from '../document/tree';
import { allOwners, overridesUnder, ownerName } from '../edits/owners';
import { applyEdit } from '../edits/apply-edit';
import { requireBreakpoint } from '../edits/remove-breakpoint';
import type { Chosen, Restyle } from '../edits/restyle';
import type { ValueChange } from '../edits/value-writer';
import { describeTarget } from '../edits/set-style';
import type { Footprint } from '../edits/edit';
import { listed } from '../text';
import { namedTogether } from './effect';
import type { Wanted } from './fit';
import { choosings, speaksAt } from './choices';
import { fitDeclarations, fitOrWriteOut } from './fit';
import type { Plan } from './plan';
import { changesTo } from './plan';
import { beneath, spokenBy } from './spoken';

export type Fate =
  /** What is written under it goes with it. */
  | { readonly kind: 'drop' }
  /** It goes to another breakpoint (or the base), where that has no value of its own. */
  | { readonly kind: 'move'; readonly to: At }
  /** It is written to others so that as many viewports as can be look the same. */
  | { readonly kind: 'fold' };

/** What is written under a breakpoint, one line an owner: "Tool cards: gap, padding". */
export function listOverrides(project: Project, id: string): string[] {
  return [
    ...Object.entries(overridesUnder(project, id)).map(
      ([owner, declarations]) => `${ownerName(project, owner)}: ${namedTogether(Object.keys(declarations)).join(', ')}`,
    ),
    ...choosings(project).flatMap((one) => (speaksAt(one, id) ? [`Chosen: ${one.name}`] : [])),
  ];
}

/** Removes a breakpoint, with one of three fates for what is written under it. */
export function planRemoveBreakpoint(project: Project, id: string, fate: Fate): Plan {
  const breakpoint = requireBreakpoint(project, id);
  const overrides = overridesUnder(project, id);
  const chosen = rechosen(project, id, fate);
  const count = Object.values(overrides).reduce((sum, one) => sum + Object.keys(one).length, 0) + chosen.length;
  const changes = new Map<string, ValueChange>();
  const put = (change: ValueChange) => changes.set(`${change.owner} ${change.at} ${change.property}`, change);
  for (const [owner, declarations] of Object.entries(overrides))
    for (const property of Object.keys(declarations)) put({ owner, at: id, property, value: null });
  if (fate.kind === 'move')
    for (const { id: owner, styles } of allOwners(project))
      for (const [property, value] of Object.entries(styles[id] ?? {}))
        if (styles[fate.to]?.[property] === undefined) put({ owner, at: fate.to, property, value });
  if (fate.kind === 'fold') for (const change of folded(project, id)) put(change);
  const label = `Remove breakpoint ${breakpoint.name}`;
  const edit: Restyle = {
    type: 'restyle',
    label,
    breakpoints: withoutBreakpoint(project.breakpoints, id),
    ...(chosen.length > 0 && { chosen: chosen.flat() }),
    changes: [...changes.values()],
  };
  const { footprint } = applyEdit(project, edit);
  const values = count === 1 ? 'the one value' : `the ${count} values`;
  const sentence =
    count === 0
      ? `Removes ${breakpoint.name}; nothing is written there.`
      : fate.kind === 'drop'
        ? `Removes ${breakpoint.name} and ${values} written there.`
        : fate.kind === 'move'
          ? `Removes ${breakpoint.name}; ${values} written there go to ${describeTarget(project, fate.to)}, where there is none yet.`
          : `Removes ${breakpoint.name}; ${values} written there are written to others, to keep the look where that is possible.`;
  return { edit, sentence, details: whatMoves(project, footprint) };
}

/** What is chosen once the breakpoint is gone, for each choice that says something there. */
function rechosen(project: Project, id: string, fate: Fate): (readonly Chosen[])[] {
  const cells = cellsOf(conditionsOf(project));
  const rest = withoutBreakpoint(project.breakpoints, id);
  return choosings(project).flatMap((one) => {
    if (!speaksAt(one, id)) return [];
    const { [id]: word, ...left } = one.words;
    if (fate.kind === 'move') return [one.written({ [fate.to]: word!, ...left })];
    return [one.written((fate.kind === 'fold' ? fitDeclarations(rest, cells, one.wanted) : undefined) ?? left)];
  });
}

function whatMoves(project: Project, footprint: Footprint): string[] {
  const lines = Object.entries(footprint).map(([pageId, { widths, elements, properties }]) => {
    const page = pageOf(project, pageId);
    return `${page?.name ?? 'A page'}: ${listed(namedTogether(properties))} of ${elements.length === 1 ? '1 element' : `${elements.length} elements`} may change at ${widths.map(describeInterval).join(', ')}.`;
  });
  return lines.length > 0 ? [...lines, 'All other widths stay as they are.'] : ['Nothing looks different at any width.'];
}

/** What others have to say once a breakpoint is gone: exact where they can say it, else what is right in most cells. */
function folded(project: Project, id: string): ValueChange[] {
  const cells = cellsOf(conditionsOf(project));
  const rest = withoutBreakpoint(project.breakpoints, id);
  return allOwners(project).flatMap(({ id: owner, styles }) =>
    Object.keys(styles[id] ?? {}).flatMap((property) => {
      const wanted = spokenBy(project.breakpoints, styles, property);
      const below = beneath(project, owner, property);
      const exact = fitOrWriteOut(rest, cells, wanted, below);
      if (exact) return changesTo(owner, styles, property, exact);
      const left = Object.fromEntries(
        Object.entries(styles).flatMap(([at, one]) => (at !== id && property in one ? [[at, one[property]!]] : [])),
      );
      const wrong = (said: Readonly<Record<string, string>>) => {
        const speaks = spokenBy(rest, asStyles(said, property), property);
        return cells.filter((cell) => (speaks(cell) ?? below(cell)) !== (wanted(cell) ?? below(cell))).length;
      };
      const agreed = { ...left, ...whereAllAgree(rest, cells, wanted) };
      return changesTo(owner, styles, property, wrong(agreed) < wrong(left) ? agreed : left);
    }),
  );
}

const asStyles = (said: Readonly<Record<string, string>>, property: string) =>
  Object.fromEntries(Object.entries(said).map(([at, value]) => [at, { [property]: value }]));

/** For each place whose cells all want the same, that. A cell belongs to the strongest that holds there. */
function whereAllAgree(
  breakpoints: readonly Breakpoint[],
  cells: readonly Cell[],
  wanted: Wanted,
): Readonly<Record<string, string>> {
  const goals = new Map<At, Set<string | undefined>>();
  for (const cell of cells) {
    const home = breakpoints.findLast((one) => holdsAt(one.condition, cell.sample))?.id ?? BASE;
    goals.set(home, (goals.get(home) ?? new Set()).add(wanted(cell)));
  }
  return Object.fromEntries(
    [...goals].flatMap(([home, [goal, ...others]]) => (goal !== undefined && others.length === 0 ? [[home, goal]] : [])),
  );
}
