import type { CSSToken } from '@csstools/css-tokenizer';
import { TokenType, tokenize } from '@csstools/css-tokenizer';

export type Token = CSSToken;

/** The tokens of a sheet (CSS Syntax 3, 4.3), the last of which is its end. What isn't well written is read as browsers read it. */
export const tokensOf = (css: string): readonly Token[] => tokenize({ css });

const CLOSING: Readonly<Record<string, TokenType>> = {
  [TokenType.OpenCurly]: TokenType.CloseCurly,
  [TokenType.OpenParen]: TokenType.CloseParen,
  [TokenType.OpenSquare]: TokenType.CloseSquare,
  [TokenType.Function]: TokenType.CloseParen,
};

/** What closes the block that a token opens; undefined where it opens none. */
export const closingOf = ([type]: Token): TokenType | undefined => CLOSING[type];

/** The block that a token opens: other brackets close nothing in it (CSS Syntax 3, 5.4.8). @returns where it goes on behind it, and whether it ends at all */
export function blockAt(tokens: readonly Token[], opening: number): { readonly end: number; readonly isClosed: boolean } {
  const open = [closingOf(tokens[opening]!)!];
  let at = opening + 1;
  for (; open.length > 0 && tokens[at]![0] !== TokenType.EOF; at++) {
    const closing = closingOf(tokens[at]!);
    if (closing) open.push(closing);
    else if (tokens[at]![0] === open[open.length - 1]) open.pop();
  }
  return { end: at, isClosed: open.length === 0 };
}

export const afterBlock = (tokens: readonly Token[], opening: number): number => blockAt(tokens, opening).end;

export interface RuleTokens {
  /** Where its block begins, where it has one. */
  readonly block: number | undefined;
  /** Behind it. */
  readonly end: number;
}

/** The rule at the top of a sheet that begins with a token (CSS Syntax 3, 5.4.2 and 5.4.3). */
export function ruleAt(tokens: readonly Token[], begin: number): RuleTokens {
  const isAtRule = tokens[begin]![0] === TokenType.AtKeyword;
  for (let at = begin; tokens[at]![0] !== TokenType.EOF;) {
    const [type] = tokens[at]!;
    if (type === TokenType.OpenCurly) return { block: at, end: afterBlock(tokens, at) };
    if (isAtRule && type === TokenType.Semicolon) return { block: undefined, end: at + 1 };
    at = closingOf(tokens[at]!) ? afterBlock(tokens, at) : at + 1;
  }
  return { block: undefined, end: tokens.length - 1 };
}

/** Whether a token may stand between two others and says nothing. */
export const isGap = ([type]: Token): boolean => type === TokenType.Whitespace || type === TokenType.Comment;

/** Whether a token may stand between two rules at the top of a sheet and says nothing. */
export const isBetweenRules = (token: Token): boolean => isGap(token) || token[0] === TokenType.CDO || token[0] === TokenType.CDC;

export function afterGap(tokens: readonly Token[], begin: number): number {
  let at = begin;
  while (isGap(tokens[at]!)) at++;
  return at;
}
