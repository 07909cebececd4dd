import { TokenType } from '@csstools/css-tokenizer';
import { string } from 'css-tree';
import { oncePerText } from './once-per-text';
import { tokensOf } from './tokens';

/** Functions that fetch what a text in them names. */
const FETCHING = /^(?:url|src|(?:-webkit-)?image-set)$/;

/** A text in which addresses stand, with each named where it is and what is written in place of it. */
export interface AddressAt {
  readonly start: number;
  readonly end: number;
  readonly address: string;
}

const NONE: readonly AddressAt[] = [];
// A page has a few sheets, each of which is asked at every drawing.
const known = oncePerText(200, readAddresses);

/** Every address in a style sheet or a list of declarations: in `url()`, `src()` and `image-set()`, but not of imports. */
export const addressesIn = (css: string): readonly AddressAt[] =>
  /(?:url|src|image-set|\\[^"'{};\\]*)\(/i.test(css) ? known(css) : NONE;

function readAddresses(css: string): AddressAt[] {
  const found: AddressAt[] = [];
  const open: string[] = [];
  let importing = false;
  for (const token of tokensOf(css)) {
    const [type, , start, last] = token;
    if (type === TokenType.AtKeyword) importing = token[4].value.toLowerCase() === 'import';
    else if (type === TokenType.Semicolon || type === TokenType.OpenCurly) importing = false;
    if (type === TokenType.Function) open.push(token[4].value.toLowerCase());
    else if (type === TokenType.OpenParen) open.push('');
    else if (type === TokenType.CloseParen) open.pop();
    if (importing) continue;
    const around = open[open.length - 1];
    if (type === TokenType.URL || (type === TokenType.String && around !== undefined && FETCHING.test(around)))
      found.push({ start, end: last + 1, address: token[4].value });
  }
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
