import type { Slice } from '../breakpoints';
import { cellsOf } from '../breakpoints';
import { heldIn, lookOf } from '../cascade/look';
import { elementOf } from '../cascade/root';
import { conditionsOf, isHolding, sourcesOf } from '../cascade/sources';
import type { StyleSet } from '../document/element';
import { kept } from '../document/expand';
import type { Project, SharedStyle } from '../document/project';
import type { Pseudo } from '../document/pseudo';
import { readPseudo } from '../document/pseudo';
import type { Styled } from '../document/style-sets';
import { allDeclarations, styleSetsOf, withStyleSet } from '../document/style-sets';
import { requireElement } from '../edits/edit';
import { stylesFootprint } from '../edits/footprint';
import { carriersOf, ownerName, requireStyles } from '../edits/owners';
import type { Edit } from '../edits/edit';
import { applyEdit } from '../edits/apply-edit';
import { requireShared } from '../edits/remove-shared';
import type { ValueChange } from '../edits/value-writer';
import { listed } from '../text';
import { describeEffect, namedTogether } from './effect';
import type { Wanted } from './fit';
import { fitOrWriteOut } from './fit';
import type { Plan } from './plan';
import { changesTo, PlanError, restyleEdit } from './plan';
import { beneath } from './spoken';

const propertiesOf = (styled: Styled) => [...new Set(allDeclarations(styled).flatMap((one) => Object.keys(one)))];

const chosen = (styles: StyleSet, properties: readonly string[] | undefined): StyleSet =>
  Object.fromEntries(
    Object.entries(styles).flatMap(([at, declarations]) => {
      const kept = Object.entries(declarations).filter(([property]) => !properties || properties.includes(property));
      return kept.length > 0 ? [[at, Object.fromEntries(kept)]] : [];
    }),
  );

/** Makes an element's own values a shared style that it then carries. It looks the same afterwards. */
export function planCreateShared(
  project: Project,
  id: string,
  name: string,
  sharedId: string,
  properties?: readonly string[],
): Plan {
  const { element } = requireElement(project, id);
  if (project.shared.some((style) => style.name === name)) throw new PlanError(`There is a shared style "${name}" already.`);
  const sets = styleSetsOf(element).map(([pseudo, styles]) => [pseudo, chosen(styles, properties)] as const);
  const style = sets.reduce<SharedStyle>((one, [pseudo, styles]) => withStyleSet(one, pseudo, styles), {
    ...{ id: sharedId, name, styles: {} },
  });
  const names = propertiesOf(style);
  if (names.length === 0) throw new PlanError(`${element.name} has no own values to share.`);
  const changes = sets.flatMap(([pseudo, styles]) =>
    Object.entries(styles).flatMap(([at, declarations]) =>
      Object.keys(declarations).map((property): ValueChange => ({ owner: id + pseudo, at, property, value: null })),
    ),
  );
  const label = `Make shared style ${name} from ${element.name}`;
  return {
    edit: {
      type: 'group',
      label,
      edits: [
        { type: 'addShared', style, carriers: [{ node: id, place: carriedBy(project, id).length }] },
        restyleEdit(label, changes),
      ],
    },
    sentence: `Makes the own values of ${element.name} (${listed(namedTogether(names))}) a shared style, ${name}, and lets it carry that. Nothing looks different.`,
    details: ['It stands last among the shared styles, so it wins over the others; the order can be changed.'],
  };
}

/** What an element carries by itself, not with the part that it is a use of. */
function carriedBy(project: Project, id: string): readonly string[] {
  const { element } = requireElement(project, id);
  return (element.kept ?? element).shared;
}

/** Lets elements carry a shared style, or no longer. */
export function planCarry(project: Project, slice: Slice, ids: readonly string[], sharedId: string): Plan {
  const style = requireShared(project, sharedId);
  const fresh = ids.filter((id) => !carriedBy(project, id).includes(sharedId));
  if (fresh.length === 0) throw new PlanError(`${style.name} is carried already.`);
  const edits = fresh.map((node): Edit => ({ type: 'carryShared', node, shared: [...carriedBy(project, node), sharedId] }));
  const sentence = `Lets ${whose(project, fresh)} carry ${style.name}; own values stay stronger.`;
  return withEffect(project, slice, inStates(fresh, style), propertiesOf(style), grouped(sentence, edits), sentence);
}

/**
 * Takes a shared style off elements.
 * @param keep whether what it says is written on the elements instead, so that they look the same everywhere
 */
export function planDetach(project: Project, slice: Slice, ids: readonly string[], sharedId: string, keep: boolean): Plan {
  const style = requireShared(project, sharedId);
  const carrying = ids.filter((id) => carriedBy(project, id).includes(sharedId));
  if (carrying.length === 0) throw new PlanError(`${style.name} isn't carried here.`);
  const edits = carrying.map((node): Edit => ({
    type: 'carryShared',
    node,
    shared: carriedBy(project, node).filter((one) => one !== sharedId),
  }));
  const changes = keep ? carrying.flatMap((id) => keptValues(project, id, sharedId)) : [];
  const sentence = keep
    ? `Takes ${style.name} off ${whose(project, carrying)} and writes ${changes.length} values there instead; it looks the same.`
    : `Takes ${style.name} off ${whose(project, carrying)}, and with it what it says.`;
  const all = changes.length > 0 ? [...edits, restyleEdit(sentence.slice(0, -1), changes)] : edits;
  if (keep) requireSame(project, applyEdit(project, grouped(sentence, all)).document, carrying, style);
  return withEffect(project, slice, inStates(carrying, style), propertiesOf(style), grouped(sentence, all), sentence);
}

/** Deletes a shared style, with or without keeping the look of those that carry it. */
export function planDeleteShared(project: Project, slice: Slice, sharedId: string, keep: boolean): Plan {
  const style = requireShared(project, sharedId);
  // Those that carry it themselves: what their uses show follows.
  const carriers = carriersOf(kept(project), sharedId).map(({ element }) => element.id);
  const changes = keep ? carriers.flatMap((id) => keptValues(project, id, sharedId)) : [];
  const many = carriers.length === 1 ? '1 element carries' : `${carriers.length} elements carry`;
  const sentence =
    carriers.length === 0
      ? `Deletes ${style.name}; no element carries it.`
      : keep
        ? `Deletes ${style.name}; ${many} it and keep their look with ${changes.length} values of their own.`
        : `Deletes ${style.name}; ${many} it and lose what it says.`;
  const edits: Edit[] = [{ type: 'removeShared', id: sharedId }];
  if (changes.length > 0) edits.push(restyleEdit(sentence.slice(0, -1), changes));
  if (keep) requireSame(project, applyEdit(project, grouped(sentence, edits)).document, carriers, style);
  return withEffect(project, slice, inStates(carriers, style), propertiesOf(style), grouped(sentence, edits), sentence);
}

/** The own values that an element needs to look the same without a shared style, in its states too. */
function keptValues(project: Project, id: string, sharedId: string): ValueChange[] {
  return styleSetsOf(requireShared(project, sharedId)).flatMap(([pseudo, styles]) =>
    propertiesOf({ styles }).flatMap((property) => keptValue(project, id, pseudo, sharedId, property)),
  );
}

function keptValue(project: Project, id: string, pseudo: Pseudo, sharedId: string, property: string): ValueChange[] {
  const { page } = requireElement(project, id);
  const owner = id + pseudo;
  const below = beneath(project, owner, property, sharedId);
  const look = lookOf(project, page, id, pseudo);
  const { state } = readPseudo(pseudo);
  const sources = sourcesOf(look.project, look.page, elementOf(look.page, look.node), property).filter(
    (source) => !source.important && (state !== undefined || readPseudo(source.pseudo ?? '').state === undefined),
  );
  const wanted: Wanted = ({ sample }) => {
    const winner = sources.findLast((source) => isHolding(source, heldIn(look, sample)));
    const isKept = winner && (winner.pseudo ?? '') === pseudo && (winner.layer === 'own' || winner.owner === sharedId);
    return isKept ? winner.declarations[property] : undefined;
  };
  const fitted = fitOrWriteOut(project.breakpoints, cellsOf(conditionsOf(project)), wanted, below);
  if (!fitted)
    throw new PlanError(
      `${property} of ${ownerName(project, owner)} can't be written so that it stays the same at every viewport.`,
    );
  return changesTo(owner, requireStyles(project, owner), property, fitted);
}

/** @throws PlanError where an element would look otherwise in some state, or when several hold at once */
function requireSame(before: Project, after: Project, ids: readonly string[], style: SharedStyle): void {
  const changes = ids.flatMap((id) =>
    styleSetsOf(style).map(([pseudo, styles]) => [id + pseudo, new Set(propertiesOf({ styles }))] as const),
  );
  const [page] = Object.values(stylesFootprint(before, after, new Map(changes)));
  if (page) throw new PlanError(`${listed(page.properties)} can't be written so that all looks the same in every state.`);
}

/** Elements at rest, and in each state and box of which a style speaks. */
const inStates = (ids: readonly string[], style: SharedStyle) =>
  ids.flatMap((id) => styleSetsOf(style).map(([pseudo]) => id + pseudo));

const whose = (project: Project, ids: readonly string[]) =>
  ids.length === 1 ? requireElement(project, ids[0]!).element.name : `${ids.length} elements`;

const grouped = (sentence: string, edits: readonly Edit[]): Edit =>
  edits.length === 1 ? edits[0]! : { type: 'group', label: sentence.slice(0, 199).replace(/\.$/, ''), edits };

function withEffect(
  project: Project,
  slice: Slice,
  ids: readonly string[],
  properties: readonly string[],
  edit: Edit,
  sentence: string,
): Plan {
  const { document } = applyEdit(project, edit);
  return { edit, sentence, details: describeEffect(project, document, ids, properties, slice, []) };
}
