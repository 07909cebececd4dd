import type { AtrulePlain } from 'css-tree';
import { generate, ident, parse, string, toPlainObject, tokenTypes, tokenize, url } from 'css-tree';

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

const memo = new Map<string, readonly ImportRule[]>();
const NONE: readonly ImportRule[] = [];

/** The imports of a style sheet: those before all other rules but `@charset` and statements of `@layer`. */
export function importsOf(css: string): readonly ImportRule[] {
  if (!/@import/i.test(css)) return NONE;
  let known = memo.get(css);
  if (!known) {
    if (memo.size > 200) memo.clear();
    memo.set(css, (known = readImports(css)));
  }
  return known;
}

function readImports(css: string): ImportRule[] {
  const tree = parse(css, {
    positions: true,
    parseAtrulePrelude: false,
    parseRulePrelude: false,
    parseValue: false,
    onParseError: () => undefined,
  });
  if (tree.type !== 'StyleSheet') return [];
  const found: ImportRule[] = [];
  for (const node of tree.children) {
    if (node.type === 'Comment') continue;
    if (node.type !== 'Atrule' || node.block) break;
    const rule = toPlainObject(node) as AtrulePlain;
    const name = rule.name.toLowerCase();
    if (name === 'charset' || name === 'layer') continue;
    if (name !== 'import') break;
    const read = readPrelude(rule.prelude ? generate(node.prelude!) : '');
    if (read && node.loc) found.push({ start: node.loc.start.offset, end: endOf(css, node.loc.end.offset), ...read });
  }
  return found;
}

const endOf = (css: string, end: number) => (css[end - 1] === ';' ? end : css[end] === ';' ? end + 1 : end);

function readPrelude(prelude: string): Omit<ImportRule, 'start' | 'end'> | undefined {
  const [, address, rest = ''] =
    /^\s*(url\((?:"(?:[^"\\]|\\[\s\S])*"|'(?:[^'\\]|\\[\s\S])*'|[^)]*)\)|"(?:[^"\\]|\\[\s\S])*"|'(?:[^'\\]|\\[\s\S])*')\s*([\s\S]*)$/i.exec(
      prelude,
    ) ?? [];
  if (address === undefined) return undefined;
  const [, layerWord, layer, afterLayer = ''] = /^(layer(?:\(\s*([^)]*?)\s*\)|(?![\w(-])))?\s*([\s\S]*)$/i.exec(rest) ?? [];
  const supports = insideOf(/^supports\(/i, afterLayer);
  const media = (supports ? afterLayer.slice(supports.end) : afterLayer).trim();
  return {
    address: plainAddress(address),
    ...(layerWord !== undefined && { layer: layer === undefined ? '' : ident.decode(layer) }),
    ...(supports && { supports: supports.text }),
    ...(media && { media }),
  };
}

/** What stands in the brackets that a text begins with. */
function insideOf(opening: RegExp, text: string): { readonly text: string; readonly end: number } | undefined {
  const begin = opening.exec(text)?.[0].length;
  if (begin === undefined) return undefined;
  let depth = 1;
  for (let at = begin; at < text.length; at++) {
    if (text[at] === '(') depth++;
    else if (text[at] === ')' && --depth === 0) return { text: text.slice(begin, at), end: at + 1 };
  }
  return undefined;
}

function plainAddress(token: string): string {
  const inside = /^url\(\s*(["'][\s\S]*["'])\s*\)$/i.exec(token)?.[1];
  return inside !== undefined ? string.decode(inside) : /^url\(/i.test(token) ? url.decode(token) : string.decode(token);
}

/** A text in which addresses stand, with each named where it is and what is written in place of it. */
export interface AddressAt {
  readonly start: number;
  readonly end: number;
  readonly address: string;
}

/** Every address in a style sheet or a list of declarations: in `url()`, `src()` and `image-set()`, but not of imports. */
export function addressesIn(css: string): readonly AddressAt[] {
  const found: AddressAt[] = [];
  if (!/url\(|src\(|image-set\(/i.test(css)) return found;
  const open: string[] = [];
  let importing = false;
  tokenize(css, (type, start, end) => {
    const text = css.slice(start, end);
    if (type === tokenTypes.AtKeyword) importing = text.toLowerCase() === '@import';
    else if (type === tokenTypes.Semicolon || type === tokenTypes.LeftCurlyBracket) importing = false;
    if (type === tokenTypes.Function) open.push(text.slice(0, -1).toLowerCase());
    else if (type === tokenTypes.LeftParenthesis) open.push('');
    else if (type === tokenTypes.RightParenthesis) open.pop();
    if (importing) return;
    if (type === tokenTypes.Url) found.push({ start, end, address: url.decode(text) });
    const around = open[open.length - 1];
    if (type === tokenTypes.String && around !== undefined && /^(url|src|(-webkit-)?image-set)$/.test(around))
      found.push({ start, end, address: string.decode(text) });
  });
  return found;
}

/** The text with other addresses; undefined for one leaves it as it is. */
export function withAddresses(css: string, other: (address: string) => string | undefined): string {
  let written = '';
  let at = 0;
  for (const { start, end, address } of addressesIn(css)) {
    const next = other(address);
    if (next === undefined) continue;
    written +=
      css.slice(at, start) + (css[start] === '"' || css[start] === "'" ? string.encode(next) : `url(${string.encode(next)})`);
    at = end;
  }
  return at === 0 ? css : written + css.slice(at);
}

const CLOSING: Readonly<Record<number, string>> = {
  [tokenTypes.LeftCurlyBracket]: '}',
  [tokenTypes.LeftParenthesis]: ')',
  [tokenTypes.LeftSquareBracket]: ']',
  [tokenTypes.Function]: ')',
};

/**
 * The same sheet so that something can stand around it: what is open at its end is closed there, as its end would do, and a
 * bracket that closes nothing is written as a letter, which leaves the rule it stands in as invalid as it was (CSS Syntax 3, 5.4).
 */
export function balanced(css: string): string {
  const open: string[] = [];
  const stray: number[] = [];
  let last = '';
  tokenize(css, (type, start, end) => {
    last = css.slice(start, end);
    const closing = CLOSING[type];
    if (closing) open.push(closing);
    else if (
      type === tokenTypes.RightCurlyBracket ||
      type === tokenTypes.RightParenthesis ||
      type === tokenTypes.RightSquareBracket
    ) {
      if (open[open.length - 1] === last) open.pop();
      else if (type === tokenTypes.RightCurlyBracket) {
        const at = open.lastIndexOf('}');
        // A brace closes what is open inside of its own.
        if (at >= 0) open.length = at;
        else stray.push(start);
      }
    }
  });
  let written = css;
  for (const at of stray.reverse()) written = `${written.slice(0, at)}\\7d ${written.slice(at + 1)}`;
  return written + endOfToken(last) + open.reverse().join('');
}

/** What closes a token that the end of the sheet cut off. */
function endOfToken(token: string): string {
  if (token.startsWith('/*') && !/^\/\*[\s\S]*\*\/$/.test(token.length > 3 ? token : ''))
    return token.endsWith('*') && token.length > 2 ? '/' : '*/';
  const quote = token[0];
  if ((quote === '"' || quote === "'") && !new RegExp(`^${quote}(?:[^\\\\${quote}]|\\\\[\\s\\S])*${quote}$`).test(token))
    return (/(?:^|[^\\])(?:\\\\)*\\$/.test(token) ? '\\' : '') + quote;
  if (/^url\(/i.test(token) && !token.endsWith(')')) return ')';
  return '';
}
