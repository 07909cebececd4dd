import type { Term } from '../breakpoints/choice';

export interface Rule {
  /** The element or shared style it belongs to. */
  readonly key: string;
  readonly selector: string;
  readonly lines: readonly string[];
}

/** Rules that stand together under one condition. Blocks follow each other in the order of the cascade. */
export interface SheetBlock {
  readonly key: string;
  /** The cascade layer around it. */
  readonly layer?: string;
  readonly query?: string;
  /** Where its queries hold, where they aren't those of one breakpoint. */
  readonly term?: Term;
  /** Further queries that must hold, around that one. */
  readonly within?: readonly string[];
  readonly rules: readonly Rule[];
  /** A sheet from elsewhere as it was written, in place of rules. */
  readonly raw?: string | undefined;
}

function writeRule(rule: Rule, indent = ''): string {
  return `${indent}${rule.selector} {\n${rule.lines.map((line) => `${indent}  ${line}\n`).join('')}${indent}}\n`;
}

export function writeBlock({ layer, query, within = [], rules, raw }: SheetBlock): string {
  if (raw !== undefined) return raw;
  const queries = [...within, ...(query ? [query] : [])].map((one) => `@media ${one}`);
  const around = [...(layer ? [`@layer ${layer}`] : []), ...queries];
  const inner = rules.map((rule) => writeRule(rule, '  '.repeat(around.length))).join('\n');
  return around.reduceRight<string>((css, rule, depth) => {
    const indent = '  '.repeat(depth);
    return `${indent}${rule} {\n${css}${indent}}\n`;
  }, inner);
}

export function writeSheet(blocks: readonly SheetBlock[]): string {
  return blocks.map(writeBlock).join('\n');
}
