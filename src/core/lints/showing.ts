import type { Cell } from '../breakpoints';
import { cellsOf, choiceAt, describeInterval } from '../breakpoints';
import { widthsOfCells } from '../breakpoints/cells';
import { isHiddenAt, specifiedValue } from '../cascade/resolve';
import { conditionsOf, sourcesOf } from '../cascade/sources';
import type { AlternateSet } from '../document/alternates';
import { alternatesOn, atBase } from '../document/alternates';
import type { PageElement } from '../document/element';
import { isInert } from '../document/html';
import { isOver, panelChoice } from '../document/panel';
import { openersOf, panelsOn } from '../document/panels';
import type { Page, Project } from '../document/project';
import { ancestorsOf, subtreeOf, treesOf } from '../document/tree';
import { isInUse } from '../document/use';
import { listed } from '../text';
import type { LintFinding, LintId } from './lint';

/** What is said of elements of one tree; of parts what they show is said of themselves. */
interface Looked {
  readonly project: Project;
  readonly tree: Page;
  readonly cells: readonly Cell[];
  /** All panels open, so that what stands in one counts as shown. */
  readonly open: readonly string[];
}

/** Alternates of which not exactly one shows, what shows nowhere, panels that can't be opened or closed. */
export function lintShowing(project: Project): LintFinding[] {
  const cells = cellsOf(conditionsOf(project));
  return treesOf(project).flatMap((tree) => {
    const looked: Looked = { project, tree, cells, open: panelsOn(tree).map(({ id }) => id) };
    const sets = [...alternatesOn(tree).values()].filter(({ id, members }) => members.length > 1 && !id.includes('.'));
    return [
      ...sets.flatMap((set) => [...notJustOne(looked, set), ...fieldsTwice(looked, set), ...neverChosen(looked, set)]),
      ...neverShown(looked),
      ...panelsOn(tree).flatMap((panel) => (isInUse(panel.id) || panel.use ? [] : aboutPanel(looked, panel))),
    ];
  });
}

const finding = ({ tree }: Looked, lint: LintId, { id }: Pick<PageElement, 'id'>, sentence: string): LintFinding => ({
  ...{ lint, key: `${id} ${lint}`, owner: id, pageId: tree.id, sentence, fix: undefined, unchanged: false },
});

const where = (cells: readonly Cell[]) =>
  widthsOfCells(cells).map(describeInterval).join(', ') + (cells.length === 1 ? ` (such as ${size(cells[0]!)})` : '');
const size = ({ sample }: Cell) => `${Math.round(sample.width)} by ${Math.round(sample.height)} px`;

/** "Long text, Short text" */
const namesOf = ({ tree }: Looked, ids: readonly string[]) => listed(ids.map((id) => tree.elements[id]!.name));

/** How many of a set show where that in which all of them stand does. */
function shownOf({ project, tree, open }: Looked, { members }: AlternateSet, { sample }: Cell): number {
  const paths = members.map((id) => [tree.elements[id]!, ...ancestorsOf(tree, id)]);
  const shared = paths[0]!.find((one) => paths.every((path) => path.includes(one)));
  return paths.filter((path) =>
    path
      .slice(0, path.indexOf(shared!))
      .every(({ id }) => specifiedValue(project, tree, id, 'display', { ...sample, open }) !== 'none'),
  ).length;
}

function notJustOne(looked: Looked, set: AlternateSet): LintFinding[] {
  const byCount = new Map<number, Cell[]>();
  for (const cell of looked.cells) {
    const count = shownOf(looked, set, cell);
    if (count !== 1) byCount.set(count, [...(byCount.get(count) ?? []), cell]);
  }
  const first = looked.tree.elements[set.members[0]!]!;
  return [...byCount].map(([count, cells]) => ({
    ...finding(
      looked,
      'not-just-one',
      first,
      `Of ${namesOf(looked, set.members)} ${count === 0 ? 'none shows' : `${count} show at once`} at ${where(cells)}: ${count === 0 ? 'something else hides the one that is chosen' : 'something important shows what isn’t chosen'}.`,
    ),
    key: `${set.id} shows ${count}`,
  }));
}

const chosen = ({ project, cells }: Looked, set: AlternateSet) =>
  new Set(cells.map(({ sample }) => choiceAt(project.breakpoints, set.choice, atBase(set), sample)));

function neverChosen(looked: Looked, set: AlternateSet): LintFinding[] {
  const ever = chosen(looked, set);
  return set.members.flatMap((id) => {
    if (ever.has(id)) return [];
    const { name } = looked.tree.elements[id]!;
    return [finding(looked, 'never-shown', { id }, `${name} is chosen nowhere: choose it for some band, or remove it.`)];
  });
}

/** Fields of the same name in several alternates: both are sent, seen or not, unless they are built only when shown. */
function fieldsTwice(looked: Looked, set: AlternateSet): LintFinding[] {
  const { tree } = looked;
  const fields = set.members.map(
    (id) =>
      new Set(
        subtreeOf(tree, id).flatMap(({ tag, attributes }) =>
          /^(input|select|textarea)$/.test(tag) && attributes.name ? [attributes.name] : [],
        ),
      ),
  );
  const twice = [...new Set(fields.flatMap((one) => [...one]))].filter(
    (name) => fields.filter((one) => one.has(name)).length > 1,
  );
  const isSafe = set.members.every((id, i) => !twice.some((name) => fields[i]!.has(name)) || tree.elements[id]!.alternate!.later);
  if (twice.length === 0 || isSafe) return [];
  const sentence = `${namesOf(looked, set.members)} each have a field called ${listed(twice)}: both would be sent. Let them be built only when first shown.`;
  return [finding(looked, 'fields-twice', { id: set.members[0]! }, sentence)];
}

/** What no viewport shows, whatever state it is in; pages that were brought in may show it by a script that they had. */
function neverShown(looked: Looked): LintFinding[] {
  const { project, tree, cells, open } = looked;
  if (tree.brought) return [];
  return Object.values(tree.elements).flatMap((element) => {
    const { id, name, tag, layers } = element;
    if (layers || isInert(tag) || /^(dialog|source|track|area|param|datalist|option|optgroup|col|colgroup)$/.test(tag)) return [];
    const sources = sourcesOf(project, tree, element, 'display');
    const hides = sources.some(
      ({ layer, declarations }) => layer !== 'alternates' && layer !== 'panel' && declarations.display === 'none',
    );
    if (!hides || sources.some(({ held, holds, unsure }) => held ?? holds ?? unsure)) return [];
    if (cells.some(({ sample }) => specifiedValue(project, tree, id, 'display', { ...sample, open }) !== 'none')) return [];
    return [finding(looked, 'never-shown', element, `${name} is hidden at every width and height.`)];
  });
}

function aboutPanel(looked: Looked, panel: PageElement): LintFinding[] {
  const { project, tree, cells } = looked;
  const { kind, outside } = panel.panel!;
  // What unfolds brings its own summary.
  if (!isOver(panel.panel!)) return [];
  const inside = new Set(subtreeOf(tree, panel.id).map(({ id }) => id));
  const named = openersOf(tree, panel);
  const openers = named.filter(({ id, attributes }) => !inside.has(id) && attributes.popovertargetaction !== 'hide');
  const closers = named.filter(({ id, attributes }) => inside.has(id) && attributes.popovertargetaction !== 'show');
  const found: LintFinding[] = [];
  const say = (lint: LintId, sentence: string) =>
    found.push(finding(looked, lint, panel, `${panel.name} (${kind}): ${sentence}`));
  const asPanel = cells.filter(({ sample }) => choiceAt(project.breakpoints, panelChoice(panel.panel!), true, sample));
  if (asPanel.length === 0) return found;
  if (openers.length === 0)
    say(
      'shut-panel',
      named.length > closers.length || closers.length > 0
        ? 'what opens it stands in it, where nobody gets at it.'
        : 'nothing opens it.',
    );
  else {
    const others = looked.open.filter((id) => id !== panel.id);
    const seen = (element: PageElement, { sample }: Cell) =>
      !isHiddenAt(project, tree, element.id, sample.width, { ...sample, open: others });
    const needed = asPanel.filter(({ sample }) => {
      const parent = ancestorsOf(tree, panel.id)[0];
      return !parent || !isHiddenAt(project, tree, parent.id, sample.width, { ...sample, open: others });
    });
    const without = needed.filter((cell) => !openers.some((one) => seen(one, cell)));
    if (without.length > 0) say('shut-panel', `what opens it is hidden at ${where(without)}, where it is needed.`);
  }
  if (!outside && closers.length === 0)
    say('stuck-panel', 'no button in it closes it, nor a press outside: with a finger nobody gets out of it.');
  return found;
}
