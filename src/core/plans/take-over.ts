import { breakpointName } from '../breakpoints/name';
import type { Breakpoint } from '../breakpoints/breakpoint';
import { BASE } from '../breakpoints/breakpoint';
import type { Condition } from '../breakpoints/condition';
import { conditionKey } from '../cascade/found-breakpoints';
import { nodesOf } from '../cascade/selector-nodes';
import { LIMITS } from '../document/limits';
import type { Page, Project, SharedStyle } from '../document/project';
import type { Pseudo } from '../document/pseudo';
import { pseudoOf, readPseudo } from '../document/pseudo';
import { styleSetOf, withStyleSet } from '../document/style-sets';
import { isInUse } from '../document/use';
import { applyEdit } from '../edits/apply-edit';
import type { Edit } from '../edits/edit';
import { classesFootprint, stylesFootprint } from '../edits/footprint';
import type { Specificity } from '../read';
import { compareSpecificity } from '../read';
import type { Plan } from './plan';
import { PlanError } from './plan';
import type { Staying, TakeChoice, TakenRule } from './taken-rules';
import { takenRules } from './taken-rules';
import { listed, plural } from '../text';

/** What one selector of a rule says, and to whom. */
interface Piece {
  readonly name: string;
  readonly pseudo: Pseudo;
  readonly taken: TakenRule;
  readonly specificity: Specificity;
  readonly carriers: readonly string[];
}

/** Pieces that become one shared style. */
type Pieces = readonly [Piece, ...Piece[]];

const TRIES = 6;

/**
 * Makes rules of a page's own style sheets shared styles, with overrides at the breakpoints that their conditions are. They stay in the sheet,
 * which others may use too, and are beaten there by what they have become. The values of all elements concerned are compared in
 * all parts of all viewports, at rest and in their states; what would change anywhere stays a rule.
 * @param newId gives ids, for a breakpoint ("b") or a shared style ("s")
 * @throws PlanError where nothing of it can be taken over so, with why
 */
export function planTakeOver(project: Project, choice: TakeChoice, newId: (letter: 'b' | 's') => string): Plan {
  const page = project.pages.find(({ id }) => id === choice.page);
  if (!page?.brought) throw new PlanError('Rules are taken over on pages that were brought in.');
  const refused = new Set<string>();
  let naming: Naming = bySelector;
  for (let tries = 0, apart = false; tries < TRIES; tries++) {
    const { rules, stays, asked } = takenRules(project, page, choice, (id, property) => refused.has(`${id} ${property}`));
    const pieces = inOrder(rules.flatMap((taken) => piecesOf(project, page, taken)));
    if (pieces.length === 0) throw new PlanError(`Nothing of it can be taken over: ${whyNot(stays)}.`);
    const groups = grouped(pieces, apart);
    const label = `Take over ${nameOf(project, choice)}`;
    const { edits, added } = editsFor(project, groups, newId, naming);
    const edit: Edit = { type: 'group', label: label.slice(0, 199), edits };
    const { document } = applyEdit(project, edit);
    // Some rules ask for parts of classes, and would match what the new classes are called.
    if (Object.keys(classesFootprint(project, document)).length > 0) {
      if (naming === byPlace)
        throw new PlanError('Its rules ask for what elements’ whole class attribute says, which would be another one.');
      naming = byPlace;
      continue;
    }
    const differing = differences(project, document, pieces);
    if (differing.length === 0) return describe({ project, edit, groups, pieces, stays, asked, added, choice });
    if (apart || groups.length === pieces.length) for (const one of differing) refused.add(one);
    apart = true;
  }
  throw new PlanError('It can’t be taken over so that everything looks the same at every width.');
}

function nameOf(project: Project, { sheet, className, rule }: TakeChoice): string {
  const name = project.sheets.find(({ id }) => id === sheet)?.name ?? 'a sheet';
  return rule ? `${rule.selector} of ${name}` : className !== undefined ? `.${className} of ${name}` : name;
}

function piecesOf(project: Project, page: Page, taken: TakenRule): Piece[] {
  const nodes = nodesOf(project, page);
  const elements = Object.values(page.elements).filter(({ id }) => !isInUse(id));
  const all = taken.parts.flatMap(({ base, state, box, whole, subject }): Piece[] => {
    const carriers = elements.flatMap(({ id }) => (subject.matches(nodes.get(id)!) ? [id] : []));
    const pseudo = pseudoOf({ ...(state && { state }), ...(box !== undefined && { box: readPseudo(`::${box}`).box! }) });
    return carriers.length > 0 ? [{ name: base, pseudo, taken, specificity: whole.specificity, carriers }] : [];
  });
  const [first] = all;
  const alike = all.every(
    ({ pseudo, specificity }) => pseudo === first!.pseudo && !compareSpecificity(specificity, first!.specificity),
  );
  if (all.length < 2 || !alike) return all;
  const name = all.map((one) => one.name).join(', ');
  return [{ ...first!, name, carriers: [...new Set(all.flatMap(({ carriers }) => carriers))] }];
}

/** Weakest first (CSS Cascade 5, 6.1). */
const inOrder = (pieces: readonly Piece[]): Piece[] =>
  pieces.toSorted(
    (a, b) =>
      a.taken.rule.layer - b.taken.rule.layer ||
      compareSpecificity(a.specificity, b.specificity) ||
      a.taken.order - b.taken.order,
  );

/** Pieces of the same selector together, at the place of the weakest; each for itself where that wouldn't be the same. */
function grouped(pieces: readonly Piece[], apart: boolean): Pieces[] {
  if (apart) return pieces.map((piece) => [piece]);
  const groups = new Map<string, [Piece, ...Piece[]]>();
  for (const piece of pieces) {
    const known = groups.get(piece.name);
    if (known) known.push(piece);
    else groups.set(piece.name, [piece]);
  }
  return [...groups.values()];
}

function editsFor(project: Project, groups: readonly Pieces[], newId: (letter: 'b' | 's') => string, naming: Naming) {
  const ids = new Map(project.breakpoints.map(({ id, condition }) => [conditionKey(condition), id]));
  const added: Breakpoint[] = [];
  const placeOf = (condition: Condition): string => {
    const key = conditionKey(condition);
    let id = ids.get(key);
    if (id === undefined) {
      const known = { baseName: project.baseName, breakpoints: [...project.breakpoints, ...added] };
      added.push({ id: (id = newId('b')), name: breakpointName(known, condition), condition });
      ids.set(key, id);
    }
    return id;
  };
  if (project.shared.length + groups.length > LIMITS.shared)
    throw new PlanError(`It would be ${groups.length} more shared styles; a project has at most ${LIMITS.shared}.`);
  const names = new Set(project.shared.map(({ name }) => name));
  const styles = groups.map((group, index): Edit => {
    let style: SharedStyle = { id: newId('s'), name: freeName(naming(group[0]), names), styles: {} };
    for (const { pseudo, taken } of group)
      for (const at of taken.when?.map(placeOf) ?? [BASE]) {
        const set = styleSetOf(style, pseudo) ?? {};
        style = withStyleSet(style, pseudo, { ...set, [at]: { ...set[at], ...taken.values } });
      }
    const carriers = [...new Set(group.flatMap((piece) => piece.carriers))].map((node) => ({ node, place: 0 }));
    return { type: 'addShared', style, carriers, index };
  });
  if (project.breakpoints.length + added.length > LIMITS.breakpoints)
    throw new PlanError(`It would take ${added.length} more breakpoints; a project has at most ${LIMITS.breakpoints}.`);
  return { edits: [...added.map((breakpoint): Edit => ({ type: 'addBreakpoint', breakpoint })), ...styles], added };
}

type Naming = (piece: Piece) => string;
/** The selector as a name: ".card" is "card". */
const bySelector: Naming = ({ name }) => name.replace(/^[.#](?=[\w-]+$)/, '');
/** Where the rule stands: "Rule on line 12". */
const byPlace: Naming = ({ taken }) => `Rule on line ${taken.rule.rule.line}`;

function freeName(wanted: string, taken: Set<string>): string {
  const plain = wanted.slice(0, 70);
  let name = plain;
  for (let n = 2; taken.has(name); n++) name = `${plain} ${n}`;
  taken.add(name);
  return name;
}

/** Elements and properties that would look otherwise somewhere. */
function differences(before: Project, after: Project, pieces: readonly Piece[]): string[] {
  const changes = new Map<string, Set<string>>();
  for (const { carriers, pseudo, taken } of pieces)
    for (const id of carriers) {
      const names = changes.get(id + pseudo) ?? new Set<string>();
      changes.set(id + pseudo, names);
      for (const name in taken.values) names.add(name);
    }
  const isShown = ({ from, below }: { from: number; below: number }) => Math.ceil(from) < below;
  return [...changes].flatMap(([key, names]) =>
    Object.values(stylesFootprint(before, after, new Map([[key, names]]))).flatMap(({ widths, properties }) =>
      widths.some(isShown) ? properties.map((property) => `${key.split(':')[0]!} ${property}`) : [],
    ),
  );
}

function whyNot(stays: readonly Staying[]): string {
  const reasons = [...new Set(stays.map(({ why }) => why))];
  return reasons.length === 0 ? 'it speaks of no element of this page' : listed(reasons, 3);
}

interface Described {
  readonly project: Project;
  readonly edit: Edit;
  readonly groups: readonly Pieces[];
  readonly pieces: readonly Piece[];
  readonly stays: readonly Staying[];
  readonly asked: number;
  readonly added: readonly Breakpoint[];
  readonly choice: TakeChoice;
}

function describe({ project, edit, groups, pieces, stays, asked, added, choice }: Described): Plan {
  const rules = [...new Set(pieces.map(({ taken }) => taken))];
  const along = rules.filter(({ isAsked }) => !isAsked).length;
  const unused =
    asked -
    new Set([...rules.filter(({ isAsked }) => isAsked).map(({ rule }) => rule.rule), ...stays.map(({ rule }) => rule)]).size;
  const carriers = new Set(pieces.flatMap((piece) => piece.carriers)).size;
  const values = pieces.reduce((sum, piece) => sum + piece.carriers.length * Object.keys(piece.taken.values).length, 0);
  const reasons = new Map<string, number>();
  for (const { why } of stays) reasons.set(why, (reasons.get(why) ?? 0) + 1);
  const details = [
    `Compared: ${plural(values, 'value')} of ${plural(carriers, 'element')} are the same at every width, in every state; so are all boxes.`,
    ...(added.length > 0
      ? [
          `Adds ${plural(added.length, 'breakpoint')}: ${listed(
            added.map(({ name }) => name),
            8,
          )}.`,
        ]
      : []),
    ...(along > 0
      ? [`${plural(along, 'rule')} that beat ${rules.length - along === 1 ? 'it' : 'them'} somewhere go along.`]
      : []),
    ...(unused > 0
      ? [
          `${plural(unused, 'rule')} ${unused === 1 ? 'speaks' : 'speak'} of no element of this page, and ${unused === 1 ? 'stays' : 'stay'}.`,
        ]
      : []),
    ...[...reasons]
      .slice(0, 6)
      .map(([why, count]) => `${plural(count, 'value')} ${count === 1 ? 'stays' : 'stay'} only in the sheet: ${why}.`),
  ];
  return {
    edit,
    sentence: `Makes ${plural(rules.length, 'rule')} of ${nameOf(project, choice)} ${plural(groups.length, 'shared style')} of ${plural(carriers, 'element')}. Nothing looks different.`,
    details,
  };
}
