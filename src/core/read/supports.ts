import { TokenType } from '@csstools/css-tokenizer';
import { lexer } from 'css-tree';
import { isProperty } from '../styles/properties';
import { isShorthand } from '../styles/shorthands';
import { whyNotTaken } from '../styles/not-taken';
import type { Token } from './tokens';
import { afterBlock, afterGap, blockAt, closingOf, isGap, tokensOf } from './tokens';

/** What is said of a part of a condition; undefined where it isn't known, and invalid where it is none. */
type Answer = boolean | undefined | 'invalid';

/** Whether a browser of today supports what a condition of `@supports` asks (CSS Conditional 3, 6); undefined where that isn't known. */
export function isSupported(condition: string): boolean | undefined {
  const answer = conditionIn(tokensOf(condition).slice(0, -1));
  // Browsers drop a rule with a condition that is none.
  return answer === 'invalid' ? false : answer;
}

const word = (token: Token | undefined) => (token?.[0] === TokenType.Ident ? token[4].value.toLowerCase() : undefined);

function conditionIn(tokens: readonly Token[]): Answer {
  const ended = [...tokens, END];
  let at = afterGap(ended, 0);
  if (word(tokens[at]) === 'not') {
    const inner = partAt(ended, afterGap(ended, at + 1));
    if (inner.answer === 'invalid' || inner.end < tokens.length) return 'invalid';
    return inner.answer === undefined ? undefined : !inner.answer;
  }
  const answers: (boolean | undefined)[] = [];
  let joint: string | undefined;
  for (;;) {
    const part = partAt(ended, at);
    if (part.answer === 'invalid') return 'invalid';
    answers.push(part.answer);
    if (part.end >= tokens.length) break;
    const next = word(tokens[part.end]);
    // Both words beside each other aren't allowed: it isn't said which comes first.
    if ((next !== 'and' && next !== 'or') || (joint !== undefined && next !== joint)) return 'invalid';
    joint = next;
    at = afterGap(ended, part.end + 1);
  }
  const settles = joint === 'or';
  if (answers.includes(settles)) return settles;
  return answers.includes(undefined) ? undefined : !settles;
}
const END: Token = [TokenType.EOF, '', -1, -1, undefined];

/** What stands in brackets, or a function. @returns what is said of it, and where what follows begins */
function partAt(tokens: readonly Token[], at: number): { readonly answer: Answer; readonly end: number } {
  const [type] = tokens[at]!;
  if (type !== TokenType.OpenParen && type !== TokenType.Function) return { answer: 'invalid', end: at };
  const { end, isClosed } = blockAt(tokens, at);
  // What is open at the end would go on behind it.
  if (!isClosed) return { answer: 'invalid', end };
  const inside = tokens.slice(at + 1, end - 1);
  return { answer: type === TokenType.Function ? answerOf(inside) : inBrackets(inside), end: afterGap(tokens, end) };
}

/** Of functions nothing is known, but what can't stand in one. */
const answerOf = (inside: readonly Token[]): Answer => (isAnything(inside) ? undefined : 'invalid');

function inBrackets(inside: readonly Token[]): Answer {
  const condition = conditionIn(inside);
  if (condition !== 'invalid') return condition;
  const declared = declarationIn(inside);
  if (declared !== 'invalid') return declared;
  // What may mean something some day means nothing today.
  return isAnything(inside) ? false : 'invalid';
}

/** Whether tokens are ones that may stand anywhere (CSS Syntax 3, 8.2: `<any-value>`). */
function isAnything(tokens: readonly Token[]): boolean {
  const open: TokenType[] = [];
  return tokens.every((token) => {
    const [type] = token;
    if (type === TokenType.BadString || type === TokenType.BadURL) return false;
    const closing = closingOf(token);
    if (closing) open.push(closing);
    else if (CLOSERS.has(type)) return open.pop() === type;
    return true;
  });
}
const CLOSERS: ReadonlySet<TokenType> = new Set([TokenType.CloseParen, TokenType.CloseSquare, TokenType.CloseCurly]);

/** Functions whose arguments the grammar knows as browsers do; whether terms of a sum go together, it doesn't. */
const KNOWN = /^(rgba?|hsla?|hwb|lab|lch|oklab|oklch|url|translate[xyz3d]*|rotate[xyz3d]*|scale[xyz3d]*|repeat|minmax)$/i;

function declarationIn(inside: readonly Token[]): Answer {
  const ended = [...inside, END];
  const begin = afterGap(ended, 0);
  const name = ended[begin]!;
  if (name[0] !== TokenType.Ident) return 'invalid';
  const colon = afterGap(ended, begin + 1);
  if (ended[colon]![0] !== TokenType.Colon) return 'invalid';
  const value = withoutImportance(inside.slice(colon + 1));
  if (!isAnything(value) || hasSemicolon(value)) return 'invalid';
  const property = name[4].value;
  if (property.startsWith('--')) return property.length > 2;
  if (/^-(moz|ms|o)-/i.test(property)) return false;
  const text = value.map(([, raw]) => raw).join('');
  const plain = property.toLowerCase();
  const isUnknown = value.some((token) => token[0] === TokenType.Function && !KNOWN.test(token[4].value));
  if ((!isProperty(plain) && !isShorthand(plain)) || isUnknown || whyNotTaken(plain, text) !== undefined) return undefined;
  return lexer.matchProperty(plain, text).error === null ? true : undefined;
}

function withoutImportance(value: readonly Token[]): readonly Token[] {
  const said = value.filter((token) => !isGap(token));
  const [mark, importance] = said.slice(-2);
  const isMark = mark?.[0] === TokenType.Delim && mark[4].value === '!';
  return isMark && word(importance) === 'important' ? value.slice(0, value.indexOf(mark)) : value;
}

function hasSemicolon(tokens: readonly Token[]): boolean {
  for (let at = 0; at < tokens.length;) {
    if (tokens[at]![0] === TokenType.Semicolon) return true;
    at = closingOf(tokens[at]!) ? afterBlock([...tokens, END], at) : at + 1;
  }
  return false;
}
