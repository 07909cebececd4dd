import { BASE, takenBy } from '../breakpoints/breakpoint';
import type { Condition } from '../breakpoints/condition';
import { conditionQuery } from '../breakpoints/condition';
import type { Pointer } from '../breakpoints/viewport';
import { FOUNDATION } from '../cascade/browser-defaults';
import type { Declarations, StyleSet } from '../document/element';
import { classNames, KIND_CLASSES } from '../document/class-names';
import { KINDS } from '../document/kinds';
import type { Page, Project, Sheet } from '../document/project';
import { subtreeOf } from '../document/tree';
import { readSheet } from '../read';
import { writeDeclarations } from './declarations';

export interface Rule {
  /** The element or shared style it belongs to. */
  readonly key: string;
  readonly selector: string;
  readonly lines: readonly string[];
}

/** Rules that stand together under one condition. Blocks follow each other in the order of the cascade. */
export interface Block {
  readonly key: string;
  /** The cascade layer around it. */
  readonly layer?: string;
  readonly query?: string;
  readonly rules: readonly Rule[];
}

/** Where files that pages refer to are found: data addresses in previews, relative paths in an export. */
export interface Addresses {
  /** The address of a picture by id. */
  readonly picture: (id: string) => string;
}

export interface SheetOptions {
  readonly addresses: Addresses;
  /**
   * The pointer to stand in for, where the browser that shows the sheet has another one. Conditions are then written
   * as if it were there.
   */
  readonly pointer?: Pointer | undefined;
}

/**
 * The style sheet as blocks: foundation, imported sheets, kinds, each shared style, the elements' own values; each of
 * the last three base first, then breakpoints in order. Foundation and imported sheets are cascade layers when there
 * are any of the latter, so that whatever selectors they use they stay below. Kinds have the specificity of a tag or
 * of one class, all others that of one class, so source order alone decides between them.
 * @param pages whose elements' own values are written
 */
export function renderSheet(project: Project, pages: readonly Page[], options: SheetOptions): Block[] {
  const { addresses, pointer } = options;
  const names = classNames(project);
  const value = writing(addresses);
  const rule = (key: string, selector: string, declarations: Declarations | undefined): Rule[] =>
    declarations && hasAny(declarations) ? [{ key, selector, lines: declarationLines(declarations, addresses) }] : [];
  const blocks: Block[] = [
    {
      key: 'foundation',
      ...(project.sheets.length > 0 && { layer: 'foundation' }),
      rules: FOUNDATION.flatMap(({ tags, declarations }, index) =>
        rule(`f${index}`, tags === '*' ? '*' : tags.join(', '), declarations),
      ),
    },
    ...project.sheets.flatMap((sheet) => importedBlocks(sheet, value, pointer)),
  ];
  const add = (key: string, owners: readonly Owner[]) => {
    const at = (where: string) => owners.flatMap(({ id, selector, styles }) => rule(id, selector, styles[where]));
    blocks.push({ key: `${key} ${BASE}`, rules: at(BASE) });
    for (const { id, condition, also } of project.breakpoints) {
      const query = queryFor(condition, pointer);
      if (query === null) continue;
      for (const from of also?.length ? takenBy(project.breakpoints, id) : [id])
        blocks.push({
          key: from === id ? `${key} ${id}` : `${key} ${id} from ${from}`,
          ...(query && { query }),
          rules: at(from),
        });
    }
  };
  add('kinds', kindOwners(project));
  for (const { id, styles } of project.shared) add(id, [{ id, selector: `.${names.get(id)}`, styles }]);
  for (const page of pages)
    add(
      page.id,
      subtreeOf(page, page.root).flatMap(({ id, styles }) =>
        names.has(id) ? [{ id, selector: `.${names.get(id)}`, styles }] : [],
      ),
    );
  return blocks.filter((block) => block.rules.length > 0);
}

interface Owner {
  readonly id: string;
  readonly selector: string;
  readonly styles: StyleSet;
}

/** The media query; undefined where nothing needs to be asked, null where it can't hold. */
function queryFor(condition: Condition, pointer: Pointer | undefined): string | undefined | null {
  if (!pointer || !condition.pointer) return conditionQuery(condition);
  if (condition.pointer !== pointer) return null;
  return conditionQuery({ ...condition, pointer: undefined }) || undefined;
}

function kindOwners(project: Project): Owner[] {
  const given = project.pages.some((page) => Object.values(page.elements).some(({ kind }) => kind));
  const others = `:where(:not(${Object.values(KIND_CLASSES)
    .map((name) => `.${name}`)
    .join(', ')}))`;
  return KINDS.flatMap(({ id, tags }) => {
    const styles = project.kinds[id];
    const selectors = tags.length > 0 ? tags.map((tag) => (given ? `${tag}${others}` : tag)) : [`.${KIND_CLASSES[id]}`];
    return styles ? [{ id, selector: selectors.join(', '), styles }] : [];
  });
}

/** Rules of an imported sheet, neighbours under the same query together. */
function importedBlocks(sheet: Sheet, value: (text: string) => string, pointer: Pointer | undefined): Block[] {
  const blocks: { key: string; layer: string; query?: string; rules: Rule[] }[] = [];
  for (const { selector, media, normal, important, others, line } of readSheet(sheet.css).rules) {
    const query =
      media &&
      (pointer
        ? media.replace(/\(\s*pointer\s*:\s*(coarse|fine)\s*\)/g, (_, one: string) =>
            (one === 'coarse') === (pointer === 'finger') ? '(width >= 0px)' : '(width < 0px)',
          )
        : media);
    const lines = [
      ...Object.entries(normal).map(([name, text]) => `${name}: ${value(text)};`),
      ...Object.entries(important).map(([name, text]) => `${name}: ${value(text)} !important;`),
      ...others,
    ].map((text) => text.replace(/<\//g, '<\\/'));
    const last = blocks[blocks.length - 1];
    const rule = { key: `${sheet.id} ${line}`, selector: selector.replace(/<\//g, '<\\/'), lines };
    if (last && last.query === query) last.rules.push(rule);
    else
      blocks.push({ key: `${sheet.id} ${blocks.length}`, layer: 'imported', ...(query && { query }), rules: [rule] });
  }
  return blocks;
}

function hasAny(declarations: Declarations): boolean {
  for (const _ in declarations) return true;
  return false;
}

const written = new WeakMap<Addresses, WeakMap<Declarations, readonly string[]>>();

/** Values as they are written: with the addresses of pictures in them. */
const writing = (addresses: Addresses) => (text: string) =>
  text.includes('picture:')
    ? text.replace(/url\(\s*["']?picture:(p[a-z0-9]+)["']?\s*\)/g, (_, id: string) => `url("${addresses.picture(id)}")`)
    : text;

/** Declarations never change in place, so what was written of them once holds for as long as they live. */
export function declarationLines(declarations: Declarations, addresses: Addresses): readonly string[] {
  let known = written.get(addresses);
  if (!known) written.set(addresses, (known = new WeakMap()));
  let lines = known.get(declarations);
  if (!lines) known.set(declarations, (lines = writeDeclarations(declarations, writing(addresses))));
  return lines;
}

export function writeRule(rule: Rule, indent = ''): string {
  return `${indent}${rule.selector} {\n${rule.lines.map((line) => `${indent}  ${line}\n`).join('')}${indent}}\n`;
}

export function writeBlock({ layer, query, rules }: Block): string {
  const around = [layer && `@layer ${layer}`, query && `@media ${query}`].filter(Boolean);
  const inner = rules.map((rule) => writeRule(rule, '  '.repeat(around.length))).join('\n');
  return around.reduceRight<string>((css, rule, depth) => {
    const indent = '  '.repeat(depth);
    return `${indent}${rule} {\n${css}${indent}}\n`;
  }, inner);
}

export function writeSheet(blocks: readonly Block[]): string {
  return blocks.map(writeBlock).join('\n');
}
