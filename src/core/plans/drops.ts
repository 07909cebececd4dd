import type { Breakpoint } from '../breakpoints';
import { BASE, placed, withoutBreakpoint } from '../breakpoints';
import { specifiedValue } from '../cascade/resolve';
import { childIds } from '../document/content';
import type { Drops } from '../document/drop';
import { DROPS_MOST } from '../document/drop';
import { dropsOf } from '../document/drops';
import { LIMITS } from '../document/limits';
import type { Page, Project } from '../document/project';
import { isInUse } from '../document/use';
import { pageHolding, parentOf, subtreeOf } from '../document/tree';
import { applyEdit } from '../edits/apply-edit';
import type { Edit } from '../edits/edit';
import { menuFor, showsAs } from './drop-menu';
import { planPanel } from './panels';
import type { ValueChange } from '../edits/value-writer';
import { allOwners } from '../edits/owners';
import type { Plan } from './plan';
import { PlanError } from './plan';

/** What is to drop out of a row. */
export interface DropWish {
  /** The items in the order in which they drop. */
  readonly items: readonly string[];
  /** Whether they show in a menu in their place. */
  readonly menu: boolean;
}

const WIDE = { width: 100_000, height: 800, pointer: 'mouse' as const };
const display = (project: Project, tree: Page, id: string) => specifiedValue(project, tree, id, 'display', WIDE);

/** The items of a row that can drop away: what stands in it and shows at all. */
export function droppable(project: Project, tree: Page, row: string): readonly string[] {
  const { drops } = tree.elements[row]!;
  return childIds(tree.elements[row]!).filter(
    (id) =>
      id !== drops?.more && !tree.elements[id]!.panel && !tree.elements[id]!.alternate && display(project, tree, id) !== 'none',
  );
}

/** Why items can't drop out of a row as wished; undefined where they can. */
export function whyNoDrops(project: Project, tree: Page, row: string, { items, menu }: DropWish): string | undefined {
  const element = tree.elements[row]!;
  if (element.use) return `${element.name} is the use of a part: say it in the part.`;
  if (isInUse(row)) return `${element.name} stands in a part: open the part to let its items drop.`;
  if (element.list)
    return `${element.name} shows the rows of a table, so it can’t be said which of them drop: make it no list first.`;
  const can = droppable(project, tree, row);
  if (can.length < 2) return `${element.name} has no items of which some could drop away.`;
  if (items.length === 0) return 'Choose what may drop away.';
  if (items.some((id) => !can.includes(id))) return `Only what stands in ${element.name} and shows there can drop out of it.`;
  if (items.length > DROPS_MOST) return `At most ${DROPS_MOST} items drop out of a row.`;
  if (!menu && items.length === can.length) return `Something must stay in ${element.name}: nothing would be left of it.`;
  const fields = menu && items.find((id) => subtreeOf(tree, id).some(({ attributes }) => attributes.name !== undefined));
  if (fields)
    return `${tree.elements[fields]!.name} has fields, which would be there twice; it can drop away only without a menu.`;
  return undefined;
}

/**
 * Lets items drop out of a row one after the other, each at a breakpoint of its own, and perhaps into a menu.
 * @param widths the width under which each drops, px; 0 for one that always fits
 */
export function planDrops(
  project: Project,
  tree: Page,
  row: string,
  wish: DropWish,
  widths: readonly number[],
  newId: () => string,
): Plan {
  const why = whyNoDrops(project, tree, row, wish);
  if (why) throw new PlanError(why);
  const element = tree.elements[row]!;
  if (dropsOf(project, tree, element)) throw new PlanError(`Items of ${element.name} drop away already: take that away first.`);
  if (widths.every((width) => width <= 0)) throw new PlanError(`Everything in ${element.name} fits at all widths.`);
  if (wish.menu && !parentOf(tree, row)) throw new PlanError('The whole page is no row.');
  const menu = wish.menu ? menuFor(tree, element, wish.items, newId) : undefined;
  const edits: Edit[] = [...(menu?.edits ?? [])];
  let now = edits.reduce((one, edit) => applyEdit(one, edit).document, project);
  const holding = () => pageHolding(now, row)!;
  if (menu) {
    const button = holding().elements[menu.more]!.tag === 'button' ? menu.more : childIds(holding().elements[menu.more]!)[0]!;
    const { edit } = planPanel(
      now,
      holding(),
      menu.panel,
      {
        kind: 'menu',
        edge: 'right',
        at: BASE,
        covers: 'part',
        locks: false,
        outside: true,
        links: true,
        slides: false,
        opener: button,
      },
      newId,
    );
    edits.push(edit);
    now = applyEdit(now, edit).document;
  }
  const items = wish.items.map((item) => ({ item, copy: menu?.copies.get(item) }));
  const fitted = fit(now, holding(), row, items, menu?.more, widths, [], newId);
  const label = `Let items of ${element.name} drop away as room runs out${menu ? ', into a menu' : ''}`;
  return {
    edit: { type: 'group', label: label.slice(0, 300), edits: [...edits, ...fitted] },
    sentence: `${label}.`,
    details: inWords(project, tree, wish.items, widths),
  };
}

/** When each drops away, in words. */
const inWords = (_: Project, tree: Page, items: readonly string[], widths: readonly number[]): string[] =>
  items.map((id, i) =>
    widths[i]! > 0
      ? `${tree.elements[id]!.name} drops at ${widths[i]! - 1} and narrower.`
      : `${tree.elements[id]!.name} always fits.`,
  );

/** A set without breakpoints at which nothing is said but when things drop. */
function without(project: Project, ids: readonly string[], own: ReadonlySet<string | undefined>): readonly Breakpoint[] {
  const isFree = (at: string) =>
    allOwners(project).every(({ id, styles }) =>
      Object.keys(styles[at] ?? {}).every((name) => name === 'display' && own.has(id)),
    );
  return ids.filter(isFree).reduce<readonly Breakpoint[]>((set, id) => withoutBreakpoint(set, id), project.breakpoints);
}

interface Fitted {
  readonly item: string;
  readonly copy?: string | undefined;
}

/** The breakpoints and values by which items drop at widths, in place of those by which they did. @param spare ids of breakpoints that did */
function fit(
  project: Project,
  tree: Page,
  row: string,
  items: readonly Fitted[],
  more: string | undefined,
  widths: readonly number[],
  spare: readonly string[],
  newId: () => string,
): Edit[] {
  const known = new Map<number, string>();
  const free = [...spare];
  const at = (width: number) => {
    let id = known.get(width);
    if (id === undefined) known.set(width, (id = free.shift() ?? `b${newId()}`));
    return id;
  };
  const dropping = items.flatMap((one, i) => (widths[i]! > 0 ? [{ ...one, at: at(widths[i]!), width: widths[i]! }] : []));
  const own = new Set([...items.flatMap(({ item, copy }) => [item, copy, copy && panelAround(tree, copy)]), more]);
  let breakpoints = without(
    project,
    spare.filter((id) => ![...known.values()].includes(id)),
    own,
  );
  for (const [width, id] of known) {
    const first = dropping.find((one) => one.at === id)!;
    const name = `${tree.elements[first.item]!.name} drops`.slice(0, 40);
    const was = breakpoints.find((one) => one.id === id);
    breakpoints = placed(breakpoints, { ...(was ?? { id, name }), condition: { below: width } });
  }
  if (breakpoints.length > LIMITS.breakpoints)
    throw new PlanError(`That takes ${breakpoints.length} breakpoints, and a project has at most ${LIMITS.breakpoints}.`);
  const changes: ValueChange[] = [];
  const show = (owner: string, place: string, value: string | null) =>
    changes.push({ owner, at: place, property: 'display', value });
  for (const { item, copy } of items) {
    for (const id of spare) for (const owner of [item, ...(copy ? [copy] : [])]) show(owner, id, null);
    if (copy) show(copy, BASE, 'none');
  }
  if (more) {
    for (const id of spare) show(more, id, null);
    show(more, BASE, 'none');
  }
  for (const { item, copy, at: place } of dropping) {
    show(item, place, 'none');
    const usual = display(project, tree, item);
    if (copy) show(copy, place, usual === 'inline' ? 'block' : usual);
  }
  const first = dropping.reduce<(typeof dropping)[number] | undefined>(
    (most, one) => (!most || one.width > most.width ? one : most),
    undefined,
  );
  if (more && first) show(more, first.at, showsAs(tree.elements[more]!));
  // The menu is one only where something has dropped; elsewhere it isn't there at all.
  const menu = items.map(({ copy }) => copy && panelAround(tree, copy)).find((id) => id !== undefined);
  const chosen =
    menu !== undefined && first
      ? [{ node: menu, panel: { ...tree.elements[menu]!.panel!, at: { [BASE]: false, [first.at]: true } } }]
      : [];
  if (menu !== undefined) {
    for (const id of spare) show(menu, id, null);
    show(menu, BASE, 'none');
    if (first) show(menu, first.at, 'block');
  }
  const last = new Map(changes.map((one) => [`${one.owner} ${one.at}`, one]));
  const drops: Drops | null =
    dropping.length === 0
      ? null
      : {
          items: dropping.map(({ item, at: place, copy }) => ({ item, at: place, ...(copy && { copy }) })),
          ...(more && { more }),
        };
  return [
    { type: 'restyle', label: 'Fit what drops away', breakpoints, chosen, changes: [...last.values()] },
    { type: 'setDrops', node: row, drops },
  ];
}

/** The order in which items of a row drop, those that were left out because they always fit not among them. */
export const dropOrder = (project: Project, tree: Page, row: string): readonly string[] =>
  dropsOf(project, tree, tree.elements[row]!)?.items.map(({ item }) => item) ?? [];

/** Lets items that drop already drop at other widths. @param widths by `dropOrder` */
export function planFitDrops(project: Project, tree: Page, row: string, widths: readonly number[], newId: () => string): Plan {
  const element = tree.elements[row]!;
  const drops = dropsOf(project, tree, element);
  if (!drops) throw new PlanError(`Nothing drops out of ${element.name}.`);
  const before = drops.items.map(({ at }) => project.breakpoints.find(({ id }) => id === at)?.condition.below ?? 0);
  if (before.every((width, i) => width === widths[i]))
    throw new PlanError(`What drops out of ${element.name} is right as it is.`);
  // One that always fits now is kept among them, just below what anybody has.
  const kept = widths.map((width) => Math.max(1, width));
  const spare = [...new Set(drops.items.map(({ at }) => at))];
  const label = `Items of ${element.name} drop at other widths`;
  return {
    edit: { type: 'group', label, edits: fit(project, tree, row, drops.items, drops.more, kept, spare, newId) },
    sentence: `${label}.`,
    details: inWords(
      project,
      tree,
      drops.items.map(({ item }) => item),
      widths,
    ),
  };
}

/** Nothing drops out of a row any more; its menu goes. */
export function planNoDrops(project: Project, tree: Page, row: string): Plan {
  const element = tree.elements[row]!;
  const drops = dropsOf(project, tree, element);
  if (!drops) throw new PlanError(`Nothing drops out of ${element.name}.`);
  const spare = new Set(drops.items.map(({ at }) => at));
  const there = (id: string | undefined) => id !== undefined && id in tree.elements;
  const copies = drops.items.flatMap(({ copy }) => (there(copy) ? [copy!] : []));
  const panels = new Set(copies.flatMap((id) => panelAround(tree, id) ?? [id]));
  const removed = [...panels, ...(there(drops.more) ? [drops.more!] : [])];
  const gone = new Set(removed.flatMap((id) => subtreeOf(tree, id).map((one) => one.id)));
  const own = (id: string) => project.breakpoints.some((one) => one.id === id);
  const changes = drops.items.flatMap(({ item, at }): ValueChange[] =>
    there(item) && own(at) ? [{ owner: item, at, property: 'display', value: null }] : [],
  );
  const breakpoints = without(project, [...spare], new Set([...drops.items.map(({ item }) => item), ...gone]));
  const stays = breakpoints.some(({ id }) => spare.has(id));
  const label = `Nothing drops out of ${element.name} any more`;
  return {
    edit: {
      type: 'group',
      label: label.slice(0, 300),
      edits: [
        ...removed.map((node): Edit => ({ type: 'removeElement', node })),
        { type: 'setDrops', node: row, drops: null },
        { type: 'restyle', label, breakpoints, changes },
      ],
    },
    sentence: `${label}.`,
    details: stays ? ['The breakpoints stay, since something else is said there.'] : [],
  };
}

function panelAround(tree: Page, id: string): string | undefined {
  for (let at = tree.elements[id]; at; at = parentOf(tree, at.id)) if (at.panel) return at.id;
  return undefined;
}
