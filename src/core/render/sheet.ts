import { BASE, takenBy } from '../breakpoints/breakpoint';
import { foundationRules } from '../cascade/foundation';
import type { Declarations, StyleSet } from '../document/element';
import { classNames } from '../document/class-names';
import { GIVEN_KINDS, KINDS } from '../document/kinds';
import { sharedSheets } from '../document/page-sheets';
import type { Page, Project, ImportedSheet } from '../document/project';
import type { Pseudo, State } from '../document/pseudo';
import { isUsed, pseudoSelector, readPseudo, splitPseudo, STATES } from '../document/pseudo';
import type { Styled } from '../document/style-sets';
import { partsIn, partsInOrder } from '../document/parts';
import { styleSetsOf } from '../document/style-sets';
import { subtreeOf } from '../document/tree';
import { readSheet } from '../read';
import { writeDeclarations } from './declarations';
import { groundBlocks, hidingBlocks } from './hiding-blocks';
import { HELD_ATTRIBUTE } from '../audit/codes';
import { heldSelectors } from './held';
import { pictureBlocks } from './picture-blocks';
import { boostOver, rawBlocks } from './raw-sheet';
import { isRoot, rootBlock, scaledSize } from './root-block';
import type { Rule, SheetBlock } from './sheet-block';
import type { Addresses, SheetOptions } from './sheet-options';
import type { StandIn } from './stand-in';
import { mediaFor, queryFor, standInKey, valueFor } from './stand-in';

/**
 * The style sheet as blocks: foundation, imported sheets, kinds, each shared style, each part after those that stand in
 * it, the elements' own values; each of the last four base first, then breakpoints in order. Then what kinds, shared styles and elements look like in states:
 * each state on its own, again base first. Last what hides: alternates that another takes the place of, closed panels. Foundation and imported sheets are cascade layers when there
 * are any of the latter, so that whatever selectors they use they stay below. Kinds have the specificity of a tag or
 * of one class, all others that of one class, so source order alone decides between them; a state adds one class to each.
 * @param pages whose elements' own values are written
 */
export function renderSheet(project: Project, pages: readonly Page[], options: SheetOptions): SheetBlock[] {
  const { addresses, standIn } = options;
  const names = classNames(project);
  const brought = pages.length === 1 ? pages[0]!.brought : undefined;
  const boost = brought ? boostOver(project, pages[0]!) : '';
  const writing = writingFor(addresses, standIn);
  const rule = (key: string, selector: string, declarations: Declarations | undefined): Rule[] =>
    declarations && hasAny(declarations) ? [{ key, selector, lines: declarationLines(declarations, writing) }] : [];
  const shared = sharedSheets(project);
  const trees = treesShown(project, pages);
  const blocks: SheetBlock[] = [
    ...(brought ? [] : foundationBlocks(project, rule)),
    ...groundBlocks(project, trees, brought ? 'swapped' : shared.length > 0 ? 'foundation' : undefined),
    ...rootBlock(project, standIn),
    ...(brought
      ? rawBlocks(project, pages[0]!, options)
      : shared.flatMap((sheet) => importedBlocks(sheet, writing, options.held ? heldSelectors : asWritten))),
  ];
  const said = options.held ? heldSelector : undefined;
  const add = (key: string, state: State | undefined, owners: readonly Owner[]) => {
    const rules = owners.flatMap(({ id, selectors, sets }) =>
      sets.flatMap(([pseudo, styles]) => {
        if (readPseudo(pseudo).state !== state) return [];
        const suffix = pseudoSelector(pseudo, said);
        return [{ id: id + pseudo, selector: selectors.map((one) => one + boost + suffix).join(', '), styles }];
      }),
    );
    if (rules.length === 0) return;
    const at = (where: string) => rules.flatMap(({ id, selector, styles }) => rule(id, selector, styles[where]));
    blocks.push({ key: `${key} ${BASE}`, rules: at(BASE) });
    for (const { id, condition, also } of project.breakpoints) {
      const query = queryFor(condition, standIn, options.queries);
      if (query === null) continue;
      for (const from of also?.length ? takenBy(project.breakpoints, id) : [id])
        blocks.push({
          key: from === id ? `${key} ${id}` : `${key} ${id} from ${from}`,
          ...(query && { query }),
          rules: at(from),
        });
    }
  };
  const all: readonly (readonly [key: string, owners: readonly Owner[]])[] = [
    ['kinds', kindOwners(project)],
    ...project.shared.map((style) => [style.id, [ownerNamed(style, names)]] as const),
    ...trees.map((page) => {
      // What is around a part is there where the part is looked at by itself.
      const isWhole = pages.includes(page);
      const speaking = subtreeOf(page, page.root).filter(({ id }) => names.has(id) && (isWhole || id !== page.root));
      return [page.id, speaking.map((element) => ownerNamed(element, names))] as const;
    }),
  ];
  for (const [key, owners] of all) add(ownersKey(key), undefined, owners);
  for (const [key, owners] of all) for (const state of STATES) add(ownersKey(key, state), state, owners);
  blocks.push(...hidingBlocks(project, trees, boost, options));
  if (options.shows) blocks.push(...pictureBlocks(project, pages, options));
  return blocks.filter((block) => block.rules.length > 0 || block.raw !== undefined);
}

/** Pages, and before them the parts that they use, through however many. */
function treesShown(project: Project, pages: readonly Page[]): readonly Page[] {
  const used = new Set(pages.flatMap((page) => [...partsIn(page)]));
  const parts = partsInOrder(project);
  for (const part of parts.toReversed()) if (used.has(part.id)) for (const inner of partsIn(part)) used.add(inner);
  return [...parts.filter((part) => used.has(part.id) && !pages.includes(part)), ...pages];
}

/** How the keys of blocks begin: by whose values they hold, and in which state. */
export const ownersKey = (whose: string, state?: State): string => (state ? `${whose}:${state}` : whose);

const foundationBlocks = (
  project: Project,
  rule: (key: string, selector: string, declarations: Declarations) => Rule[],
): SheetBlock[] => [
  {
    key: 'foundation',
    ...(sharedSheets(project).length > 0 && { layer: 'foundation' }),
    rules: foundationRules(project).flatMap(({ selector, declarations }, index) => rule(`f${index}`, selector, declarations)),
  },
];

interface Owner {
  readonly id: string;
  readonly selectors: readonly string[];
  readonly sets: readonly (readonly [Pseudo, StyleSet])[];
}

const ownerNamed = (styled: Styled & { readonly id: string }, names: ReadonlyMap<string, string>): Owner => ({
  id: styled.id,
  selectors: [`.${names.get(styled.id)}`],
  sets: styleSetsOf(styled),
});

const heldSelector = (state: State) => (isUsed(state) ? `[${HELD_ATTRIBUTE}~="${state}"]` : undefined);

function kindOwners(project: Project): Owner[] {
  const names = classNames(project);
  const given = GIVEN_KINDS.flatMap((kind) => (names.has(kind) ? [`.${names.get(kind)}`] : []));
  const others = given.length > 0 ? `:where(:not(${given.join(', ')}))` : '';
  return KINDS.flatMap(({ id, tags }) => {
    const sets = Object.entries(project.kinds).flatMap(([key, styles]) => {
      const { id: kind, pseudo } = splitPseudo(key);
      return kind === id ? [[pseudo, styles] as const] : [];
    });
    const selectors = tags.length > 0 ? tags.map((tag) => `${tag}${others}`) : names.has(id) ? [`.${names.get(id)}`] : [];
    return sets.length > 0 && selectors.length > 0 ? [{ id, selectors, sets }] : [];
  });
}

const asWritten = (selector: string) => selector;

/** Rules of an imported sheet, neighbours under the same query together. */
function importedBlocks(sheet: ImportedSheet, { write, standIn }: Writing, said: (selector: string) => string): SheetBlock[] {
  const blocks: { key: string; layer: string; query?: string; rules: Rule[] }[] = [];
  const scaled = (standIn?.text ?? 1) !== 1;
  for (const { selector, selectors, media, normal, important, others, line } of readSheet(sheet.css).rules) {
    const query = media && mediaFor(media, standIn);
    const root = scaled && selectors.some(isRoot);
    const value = (name: string, text: string) =>
      root && name === 'font-size' ? scaledSize(write(name, text)) : write(name, text);
    const lines = [
      ...Object.entries(normal).map(([name, text]) => `${name}: ${value(name, text)};`),
      ...Object.entries(important).map(([name, text]) => `${name}: ${value(name, text)} !important;`),
      ...others.map((one) =>
        one.replace(
          /^([\w-]+): (.*?)( !important)?;$/,
          (_, name: string, text: string, more = '') => `${name}: ${write(name, text)}${more};`,
        ),
      ),
    ].map((text) => text.replace(/<\//g, '<\\/'));
    const last = blocks[blocks.length - 1];
    const rule = { key: `${sheet.id} ${line}`, selector: said(selector).replace(/<\//g, '<\\/'), lines };
    if (last && last.query === query) last.rules.push(rule);
    else blocks.push({ key: `${sheet.id} ${blocks.length}`, layer: 'imported', ...(query && { query }), rules: [rule] });
  }
  return blocks;
}

function hasAny(declarations: Declarations): boolean {
  for (const _ in declarations) return true;
  return false;
}

/** How values are written: with the addresses of pictures in them, and for a stand-in where there is one. */
export interface Writing {
  readonly write: (property: string, value: string) => string;
  readonly standIn: StandIn | undefined;
}

const writings = new WeakMap<Addresses, Map<string, Writing>>();

/** The same for the same addresses and stand-in, so that what was written with it is remembered. */
export function writingFor(addresses: Addresses, standIn: StandIn | undefined): Writing {
  let known = writings.get(addresses);
  if (!known) writings.set(addresses, (known = new Map()));
  const key = standInKey(standIn);
  let writing = known.get(key);
  if (!writing) {
    const picture = (text: string) =>
      text.includes('picture:')
        ? text.replace(
            /url\(\s*["']?picture:(p[a-z0-9]+)["']?\s*\)/g,
            (_, id: string) => addresses.behind?.(id) ?? `url("${addresses.picture(id)}")`,
          )
        : text;
    writing = { standIn, write: (property, value) => picture(valueFor(property, value, standIn)) };
    if (known.size > 40) known.clear();
    known.set(key, writing);
  }
  return writing;
}

const written = new WeakMap<Writing, WeakMap<Declarations, readonly string[]>>();

/** Declarations never change in place, so what was written of them once holds for as long as they live. */
export function declarationLines(declarations: Declarations, writing: Writing): readonly string[] {
  let known = written.get(writing);
  if (!known) written.set(writing, (known = new WeakMap()));
  let lines = known.get(declarations);
  if (!lines) known.set(declarations, (lines = writeDeclarations(declarations, writing.write)));
  return lines;
}
