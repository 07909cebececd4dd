import { conditionQuery } from '../breakpoints/condition';
import { BASE } from '../breakpoints/breakpoint';
import { FOUNDATION } from '../cascade/browser-defaults';
import type { Declarations, StyleSet } from '../document/element';
import type { Page, Project } from '../document/project';
import { subtreeOf } from '../document/tree';
import { classNames } from './class-names';
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
  readonly query?: string;
  readonly rules: readonly Rule[];
}

/** Where files that pages refer to are found: data addresses in previews, relative paths in an export. */
export interface Addresses {
  /** The address of a picture by id. */
  readonly picture: (id: string) => string;
}

/**
 * The style sheet as blocks: foundation, then each shared style (base, then its breakpoints), then the elements' own
 * values (all bases, then one block a breakpoint). Every rule of the last two has one class as its selector, so
 * source order alone decides between them.
 * @param pages whose elements' own values are written
 */
export function renderSheet(project: Project, pages: readonly Page[], addresses: Addresses): Block[] {
  const names = classNames(project);
  const value = (text: string) =>
    text.replace(/url\(\s*["']?picture:(p[a-z0-9]+)["']?\s*\)/g, (_, id: string) => `url("${addresses.picture(id)}")`);
  const rule = (key: string, selector: string, declarations: Declarations | undefined): Rule[] =>
    declarations && Object.keys(declarations).length > 0
      ? [{ key, selector, lines: linesOf(declarations, addresses, value) }]
      : [];
  const blocks: Block[] = [
    {
      key: 'foundation',
      rules: FOUNDATION.flatMap(({ tags, declarations }, index) =>
        rule(`f${index}`, tags === '*' ? '*' : tags.join(', '), declarations),
      ),
    },
  ];
  const add = (key: string, owners: readonly { id: string; styles: StyleSet }[]) => {
    const at = (where: string) => owners.flatMap(({ id, styles }) => rule(id, `.${names.get(id)}`, styles[where]));
    blocks.push({ key: `${key} ${BASE}`, rules: at(BASE) });
    for (const { id, condition } of project.breakpoints)
      blocks.push({ key: `${key} ${id}`, query: conditionQuery(condition), rules: at(id) });
  };
  for (const style of project.shared) add(style.id, [style]);
  for (const page of pages) add(page.id, subtreeOf(page, page.root));
  return blocks.filter((block) => block.rules.length > 0);
}

const written = new WeakMap<Addresses, WeakMap<Declarations, readonly string[]>>();

/** Declarations never change in place, so what was written of them once holds for as long as they live. */
function linesOf(declarations: Declarations, addresses: Addresses, value: (text: string) => string): readonly string[] {
  let known = written.get(addresses);
  if (!known) written.set(addresses, (known = new WeakMap()));
  let lines = known.get(declarations);
  if (!lines) known.set(declarations, (lines = writeDeclarations(declarations, value)));
  return lines;
}

export function writeRule(rule: Rule, indent = ''): string {
  return `${indent}${rule.selector} {\n${rule.lines.map((line) => `${indent}  ${line}\n`).join('')}${indent}}\n`;
}

export function writeBlock({ query, rules }: Block): string {
  if (query === undefined) return rules.map((rule) => writeRule(rule)).join('\n');
  return `@media ${query} {\n${rules.map((rule) => writeRule(rule, '  ')).join('\n')}}\n`;
}

export function writeSheet(blocks: readonly Block[]): string {
  return blocks.map(writeBlock).join('\n');
}
