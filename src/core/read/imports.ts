import { TokenType } from '@csstools/css-tokenizer';
import { parse } from 'css-tree';
import { oncePerText } from './once-per-text';
import type { Token } from './tokens';
import { afterBlock, afterGap, isBetweenRules, isGap, ruleAt, tokensOf } from './tokens';

/** An `@import` that counts (CSS Cascade 5, 2): where it stands in the text, what it names and when it holds. */
export interface ImportRule {
  readonly start: number;
  readonly end: number;
  readonly address: string;
  /** The layer that it goes into; empty for one without a name. */
  readonly layer?: string | undefined;
  /** What has to be supported: the inside of `supports(…)`. */
  readonly supports?: string | undefined;
  readonly media?: string | undefined;
}

/** At-rules behind which no import counts; what browsers don't know is as good as not there. */
const ENDING = new Set(
  'media supports container layer scope starting-style font-face font-feature-values font-palette-values keyframes -webkit-keyframes page property counter-style view-transition position-try'.split(
    ' ',
  ),
);

const NONE: readonly ImportRule[] = [];
const known = oncePerText(200, readImports);

/** The imports of a style sheet: those before all other rules, but for `@charset` and statements of `@layer` before the first. */
export const importsOf = (css: string): readonly ImportRule[] => (/@import|@[^\s;{(@\\]*\\/i.test(css) ? known(css) : NONE);

function readImports(css: string): ImportRule[] {
  const tokens = tokensOf(css);
  const found: ImportRule[] = [];
  for (let at = 0; tokens[at]![0] !== TokenType.EOF;) {
    const token = tokens[at]!;
    if (isBetweenRules(token)) {
      at++;
      continue;
    }
    const { block, end } = ruleAt(tokens, at);
    if (token[0] === TokenType.AtKeyword) {
      const name = token[4].value.toLowerCase();
      if (block === undefined ? name === 'namespace' && isNamespace(tokens, at + 1) : ENDING.has(name)) break;
      // Statements of layers may stand before all imports, not between them.
      if (name === 'layer' && found.length > 0 && tokens[afterGap(tokens, at + 1)]![0] === TokenType.Ident) break;
      const read = name === 'import' && block === undefined ? readPrelude(css, tokens, at + 1, end) : undefined;
      if (read) found.push({ start: token[2], end: tokens[end - 1]![3] + 1, ...read });
    } else if (block !== undefined && isSelector(css.slice(token[2], tokens[block]![2]))) break;
    at = end;
  }
  return found;
}

/** An address, and before it perhaps a prefix (CSS Namespaces 3, 2). */
function isNamespace(tokens: readonly Token[], begin: number): boolean {
  const first = afterGap(tokens, begin);
  return addressAt(tokens, tokens[first]![0] === TokenType.Ident ? afterGap(tokens, first + 1) : first) !== undefined;
}

/** Whether a rule may begin so. */
function isSelector(text: string): boolean {
  try {
    parse(text, { context: 'selectorList' });
    return true;
  } catch {
    return false;
  }
}

function readPrelude(
  css: string,
  tokens: readonly Token[],
  begin: number,
  end: number,
): Omit<ImportRule, 'start' | 'end'> | undefined {
  const first = afterGap(tokens, begin);
  const address = addressAt(tokens, first);
  if (!address) return undefined;
  let at = afterGap(tokens, address.end);
  const layer = layerAt(tokens, at);
  if (layer) at = afterGap(tokens, layer.end);
  const condition = isFunction(tokens[at]!, 'supports') ? afterBlock(tokens, at) : undefined;
  const supports = condition === undefined ? undefined : insideOf(css, tokens, at, condition);
  if (condition !== undefined) at = afterGap(tokens, condition);
  const last = tokens[end - 1]!;
  const media = at < end ? css.slice(tokens[at]![2], last[0] === TokenType.Semicolon ? last[2] : last[3] + 1).trim() : '';
  return {
    address: address.value,
    ...(layer && { layer: layer.value }),
    ...(supports !== undefined && { supports }),
    ...(media && { media }),
  };
}

const isFunction = (token: Token, name: string) => token[0] === TokenType.Function && token[4].value.toLowerCase() === name;

interface Read {
  readonly value: string;
  readonly end: number;
}

function addressAt(tokens: readonly Token[], at: number): Read | undefined {
  const token = tokens[at]!;
  if (token[0] === TokenType.String || token[0] === TokenType.URL) return { value: token[4].value, end: at + 1 };
  if (!isFunction(token, 'url')) return undefined;
  const inside = afterGap(tokens, at + 1);
  const string = tokens[inside]!;
  const end = afterBlock(tokens, at);
  const behind = afterGap(tokens, inside + 1);
  const isAlone = tokens[behind]![0] === TokenType.CloseParen || tokens[behind]![0] === TokenType.EOF;
  return string[0] === TokenType.String && isAlone ? { value: string[4].value, end } : undefined;
}

/** `layer`, or `layer(…)` with the name of one (CSS Cascade 5, 6.4.4). */
function layerAt(tokens: readonly Token[], at: number): Read | undefined {
  const token = tokens[at]!;
  if (token[0] === TokenType.Ident && token[4].value.toLowerCase() === 'layer') return { value: '', end: at + 1 };
  if (!isFunction(token, 'layer')) return undefined;
  const end = afterBlock(tokens, at);
  const inside = tokens.slice(at + 1, tokens[end - 1]![0] === TokenType.CloseParen ? end - 1 : end);
  while (inside.length > 0 && isGap(inside[0]!)) inside.shift();
  while (inside.length > 0 && isGap(inside.at(-1)!)) inside.pop();
  const names: string[] = [];
  for (const [i, one] of inside.entries()) {
    if (i % 2 === 1 ? one[0] !== TokenType.Delim || one[4].value !== '.' : one[0] !== TokenType.Ident) return undefined;
    if (one[0] === TokenType.Ident) names.push(one[4].value);
  }
  return inside.length % 2 === 1 ? { value: names.join('.'), end } : undefined;
}

/** What stands in the brackets of a block. */
function insideOf(css: string, tokens: readonly Token[], opening: number, end: number): string {
  const last = tokens[end - 1]!;
  return css.slice(tokens[opening]![3] + 1, last[0] === TokenType.CloseParen ? last[2] : last[3] + 1);
}
