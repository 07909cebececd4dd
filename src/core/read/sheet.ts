import { generate, lexer, parse } from 'css-tree';
import type { Atrule, CssNode, Declaration, Rule, StyleSheet } from 'css-tree';
import type { Condition } from '../breakpoints/condition';
import type { Declarations } from '../document/element';
import { CUSTOM_PROPERTY, isProperty, isShorthand } from '../styles';
import { checkValue } from '../styles/value';
import { oncePerText } from './once-per-text';
import { both, readMediaQuery } from './media';
import type { ReadSelector } from './selector';
import { readSelectors } from './selector';

/** One rule of a style sheet from elsewhere, its shorthands written out. */
export interface SheetRule {
  readonly selector: string;
  readonly selectors: readonly ReadSelector[];
  /** The media query as it was written; undefined where the rule always holds. */
  readonly media: string | undefined;
  /** One of them must hold; undefined where the rule always holds. */
  readonly when: readonly Condition[] | undefined;
  readonly normal: Declarations;
  readonly important: Declarations;
  /** Declarations of properties not known here, handed on as they are. */
  readonly others: readonly string[];
  readonly line: number;
}

export interface SheetNote {
  readonly line: number;
  readonly message: string;
}

/** A declaration that a later one in the same rule leaves without effect. */
export interface Overwritten {
  readonly line: number;
  readonly selector: string;
  readonly property: string;
  readonly value: string;
  /** The property that overwrites it: itself, or a shorthand or longhand of it. */
  readonly by: string;
  /** Where it stands in the text, for taking it out. */
  readonly start: number;
  readonly end: number;
}

export interface ReadSheet {
  readonly rules: readonly SheetRule[];
  /** What was left out, and why. */
  readonly notes: readonly SheetNote[];
  readonly overwritten: readonly Overwritten[];
}

/** Properties not known here that set some that are: they would change values behind the resolver's back. */
const REACHES_FURTHER =
  /^(all|grid|grid-template|border-block|border-inline|white-space-collapse|text-wrap|text-wrap-mode|direction|writing-mode|zoom|overflow-(block|inline)|(min-|max-)?(inline|block)-size|border-(start|end)-|-webkit-|-moz-|container|content-visibility|text-box|font-variant-position|appearance)/;

/** A style sheet as rules (CSS Syntax 3). Never throws: what can't be read is left out and noted with its line. */
export const readSheet = oncePerText(40, (css): ReadSheet => new Reader(css).read());

interface Context {
  readonly media: string | undefined;
  readonly when: readonly Condition[] | undefined;
}

class Reader {
  readonly #rules: SheetRule[] = [];
  readonly #notes: SheetNote[] = [];
  readonly #overwritten: Overwritten[] = [];

  constructor(private readonly css: string) {}

  read(): ReadSheet {
    const tree = parse(this.css, {
      positions: true,
      parseCustomProperty: false,
      onParseError: (error) => this.#notes.push({ line: error.line, message: error.message }),
    }) as StyleSheet;
    this.#visit(tree.children, { media: undefined, when: undefined });
    return { rules: this.#rules, notes: this.#notes, overwritten: this.#overwritten };
  }

  #note(node: CssNode, message: string): void {
    this.#notes.push({ line: node.loc?.start.line ?? 0, message });
  }

  #visit(nodes: Iterable<CssNode>, context: Context): void {
    for (const node of nodes) {
      if (node.type === 'Rule') this.#rule(node, context);
      else if (node.type === 'Atrule') this.#atrule(node, context);
      else if (node.type === 'Raw' && node.value.trim()) this.#note(node, 'This could not be read.');
    }
  }

  #atrule(node: Atrule, context: Context): void {
    if (node.name === 'charset') return;
    if (node.name !== 'media' || !node.block || !node.prelude) return this.#note(node, `@${node.name} is left out.`);
    const text = generate(node.prelude);
    const read = readMediaQuery(text);
    if (!read) return this.#note(node, `@media ${text} asks for something that isn't known here; it is left out.`);
    const when = (context.when ?? [{}]).flatMap((outer) =>
      read.flatMap((inner) => {
        const met = both(outer, inner);
        return met ? [met] : [];
      }),
    );
    if (when.length === 0) return this.#note(node, `@media ${text} never holds on a screen; it is left out.`);
    if (context.media?.includes(',') || (context.media && text.includes(',')))
      return this.#note(node, `@media ${text} inside another with several queries is left out.`);
    this.#visit(node.block.children, { media: context.media ? `${context.media} and ${text}` : text, when });
  }

  #rule(node: Rule, context: Context): void {
    const selector = generate(node.prelude);
    const selectors = readSelectors(selector);
    if (!selectors) return this.#note(node, `The selector "${selector.slice(0, 60)}" isn't known here; its rule is left out.`);
    const rule = { normal: {} as Record<string, string>, important: {} as Record<string, string>, others: [] as string[] };
    const setBy = new Map<string, { node: Declaration; value: string }>();
    for (const child of node.block.children) {
      if (child.type === 'Declaration') this.#declaration(child, selector, rule, setBy);
      else this.#note(child, 'Rules inside rules are left out.');
    }
    if (Object.keys(rule.normal).length + Object.keys(rule.important).length + rule.others.length > 0)
      this.#rules.push({ selector, selectors, ...context, ...rule, line: node.loc?.start.line ?? 0 });
  }

  #declaration(
    node: Declaration,
    selector: string,
    rule: { normal: Record<string, string>; important: Record<string, string>; others: string[] },
    setBy: Map<string, { node: Declaration; value: string }>,
  ): void {
    const property = CUSTOM_PROPERTY.test(node.property) ? node.property : node.property.toLowerCase();
    const value = generate(node.value).trim();
    const important = node.important !== false;
    if (!isProperty(property) && !isShorthand(property) && !CUSTOM_PROPERTY.test(property)) {
      const harmless = !REACHES_FURTHER.test(property) && !/url\(|image-set|[\\<]/i.test(value);
      if (!harmless || lexer.getProperty(property) === null) return this.#note(node, `${property} is left out.`);
      rule.others.push(`${property}: ${value}${important ? ' !important' : ''};`);
      return;
    }
    const checked = checkValue(property, value);
    if (!checked.ok) return this.#note(node, `${property}: ${checked.message}`);
    const into = important ? rule.important : rule.normal;
    const before = new Set<Declaration>();
    for (const [longhand, text] of Object.entries(checked.declarations)) {
      const key = `${longhand} ${important}`;
      const earlier = setBy.get(key);
      if (earlier) before.add(earlier.node);
      setBy.set(key, { node, value });
      delete into[longhand];
      into[longhand] = text;
    }
    // Only what is overwritten in whole is without effect.
    for (const earlier of before)
      if (![...setBy.values()].some((one) => one.node === earlier) && earlier.loc)
        this.#overwritten.push({
          line: earlier.loc.start.line,
          selector,
          property: earlier.property,
          value: generate(earlier.value),
          by: property,
          start: earlier.loc.start.offset,
          end: earlier.loc.end.offset,
        });
  }
}
