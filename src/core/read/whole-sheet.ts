import { generate, parse } from 'css-tree';
import type { Atrule, CssNode, Declaration, Rule, StyleSheet } from 'css-tree';
import type { Condition } from '../breakpoints/condition';
import { oncePerText } from './once-per-text';
import { NESTED, withNestedMarked } from './nested-rules';
import type { Doubtful, FlowSide, Said } from './declare';
import { declare } from './declare';
import { meet, readMediaQuery } from './media';
import { readLoosely, readSelectors } from './selector';
import type { SheetRule } from './sheet';
import { isSupported } from './supports';

/** A rule of a sheet that is left as it was written. */
export interface WholeRule extends SheetRule {
  /** The cascade layers around it, outermost first; a layer without a name has one of its own. Empty for none. */
  readonly layer: readonly string[];
  /** Nobody knows whether it matches, or holds: its selector or its condition isn't known here. */
  readonly unsure: boolean;
  /** Properties that it sets to what isn't known here. */
  readonly doubted: readonly string[];
  /** Those among what is important in it. */
  readonly doubtedImportant?: readonly string[];
  /** The declarations that set them, as they are written. */
  readonly doubtful?: readonly Doubtful[];
  /** The at-rules that it stands in, outermost first, but for layers: what a browser has to be asked with. */
  readonly around?: readonly string[];
  /** What it asks of a container around, as it is written (CSS Containment 3); undefined for nothing. */
  readonly container?: string;
  /** Longhands that were said by properties which follow the direction of the text, as they lie from left to right and down, with of what they are. */
  readonly flow?: ReadonlyMap<string, FlowSide>;
}

export interface WholeSheet {
  readonly rules: readonly WholeRule[];
  /** Layers in the order in which they are first named, each with those around it. */
  readonly layers: readonly (readonly string[])[];
}

/** A style sheet with everything that it says (CSS Syntax 3; CSS Cascade 5; CSS Nesting 1). Never throws. */
export const readWholeSheet = oncePerText(60, readIfNotTooDeep);

/** At-rules that stand in each other by thousands are more than the parser can go into; browsers read what is around them, here nothing is. */
function readIfNotTooDeep(css: string): WholeSheet {
  try {
    return new Reader(css).read();
  } catch (error) {
    if (error instanceof RangeError) return { rules: [], layers: [] };
    throw error;
  }
}

interface Context {
  readonly when: readonly Condition[] | undefined;
  readonly layer: readonly string[];
  readonly unsure: boolean;
  readonly container?: string;
  readonly within: readonly string[];
  /** The selectors of the rule around, for rules in rules. */
  readonly around: string | undefined;
}

class Reader {
  readonly #rules: WholeRule[] = [];
  readonly #layers: (readonly string[])[] = [];
  #anonymous = 0;

  private readonly css: string;

  constructor(css: string) {
    this.css = withNestedMarked(css);
  }

  read(): WholeSheet {
    const tree = parse(this.css, { positions: true, parseCustomProperty: false, onParseError: () => undefined }) as StyleSheet;
    this.#visit(tree.children, { when: undefined, layer: [], unsure: false, within: [], around: undefined });
    return { rules: this.#rules, layers: this.#layers };
  }

  #visit(nodes: Iterable<CssNode>, context: Context): void {
    let loose: Declaration[] = [];
    // Declarations between rules that stand in a rule are one of their own (CSS Nesting 1, 4.1).
    const flush = () => {
      if (loose.length > 0 && context.around !== undefined) this.#put(context.around, loose, context);
      loose = [];
    };
    for (const node of nodes) {
      if (node.type === 'Declaration') {
        loose.push(node);
        continue;
      }
      flush();
      if (node.type === 'Rule') this.#rule(node, context);
      else if (node.type === 'Atrule') this.#atrule(node, context);
    }
    flush();
  }

  #rule(node: Rule, context: Context): void {
    const written = node.prelude.type === 'Raw' ? node.prelude.value : generate(node.prelude);
    const selector = context.around === undefined ? written : nested(written, context.around);
    this.#visit(node.block.children, { ...context, around: selector });
  }

  #atrule(node: Atrule, context: Context): void {
    const prelude = node.prelude ? generate(node.prelude).trim() : '';
    const name = node.name.toLowerCase();
    if (name === 'layer') return this.#layer(prelude, node, context);
    // What holds only while an element first comes in never holds of one that is there.
    if (!node.block || name === 'starting-style') return;
    const within = [...context.within, `@${name} ${prelude}`];
    if (name === 'media') {
      const own = readMediaQuery(prelude);
      const when = own && meet(context.when, own);
      if (own && when?.length === 0) return;
      this.#visit(node.block.children, { ...context, within, when: own ? when : context.when, unsure: context.unsure || !own });
    } else if (name === 'supports') {
      const holds = isSupported(prelude);
      if (holds !== false)
        this.#visit(node.block.children, { ...context, within, unsure: context.unsure || holds === undefined });
    } else if (name === 'container') {
      const container = context.container === undefined ? prelude : `${context.container} and ${prelude}`;
      this.#visit(node.block.children, { ...context, within, unsure: true, container });
    } else if (name === 'scope') this.#visit(node.block.children, { ...context, within, unsure: true });
  }

  #layer(prelude: string, node: Atrule, context: Context): void {
    const names = prelude === '' ? [`#${this.#anonymous++}`] : prelude.split(',').map((one) => one.trim());
    for (const name of names) {
      const layer = [...context.layer, ...name.split('.')];
      this.#layers.push(layer);
      if (node.block) this.#visit(node.block.children, { ...context, layer });
    }
  }

  #put(selector: string, declarations: readonly Declaration[], { when, layer, unsure, container, within }: Context): void {
    const sure = readSelectors(selector);
    const selectors = sure ?? readLoosely(selector);
    if (selectors?.length === 0 || (!sure && isNoSelector(selector))) return;
    const rule: Said = {
      normal: {},
      important: {},
      flow: new Map(),
      doubtful: [],
      doubted: new Set(),
      doubtedImportant: new Set(),
    };
    for (const node of declarations) declare(node, this.#written(node), rule);
    const { doubted, doubtedImportant } = rule;
    if (Object.keys(rule.normal).length + Object.keys(rule.important).length + rule.doubtful.length === 0) return;
    this.#rules.push({
      ...{
        selector,
        selectors: selectors ?? [],
        media: undefined,
        when,
        normal: rule.normal,
        important: rule.important,
        others: [],
      },
      ...{ line: declarations[0]!.loc?.start.line ?? 0, layer, unsure: unsure || !sure, doubted: [...doubted] },
      ...(doubtedImportant.size > 0 && { doubtedImportant: [...doubtedImportant] }),
      ...(rule.doubtful.length > 0 && { doubtful: rule.doubtful }),
      ...(within.length > 0 && { around: within }),
      ...(container !== undefined && { container }),
      ...(rule.flow.size > 0 && { flow: rule.flow }),
    });
  }

  /** A value as it stands in the sheet, without comments. */
  #written({ value }: Declaration): string {
    const text = value.loc ? this.css.slice(value.loc.start.offset, value.loc.end.offset) : generate(value);
    return text
      .replace(/\/\*[\s\S]*?\*\//g, ' ')
      .replace(/\s+/g, ' ')
      .trim();
  }
}

/** A selector in a rule as one of its own: `&` is the rule around, and stands before all else where it isn't named. */
function nested(written: string, around: string): string {
  const selector = written.startsWith(NESTED.trim()) ? written.slice(NESTED.trim().length).trim() : written;
  const outer = `:is(${around})`;
  return splitList(selector)
    .map((one) => (one.includes('&') ? one.replaceAll('&', outer) : `${outer} ${one.trim()}`))
    .join(', ');
}

/** Whether it holds what no selector ever does, so that all browsers drop the rule. */
const isNoSelector = (selector: string): boolean =>
  /[;!%]|:(\s|,|$)/.test(selector.replace(/"(?:[^"\\]|\\.)*"|'(?:[^'\\]|\\.)*'|\[[^\]]*\]|\\./g, ''));

/** The parts of a list at its commas, but for those in brackets. */
function splitList(text: string): string[] {
  const parts = [''];
  let depth = 0;
  for (const character of text) {
    if (character === '(' || character === '[') depth++;
    else if (character === ')' || character === ']') depth--;
    if (character === ',' && depth === 0) parts.push('');
    else parts[parts.length - 1] += character;
  }
  return parts;
}
