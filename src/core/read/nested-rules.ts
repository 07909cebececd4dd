import { tokenize, tokenTypes } from 'css-tree';

/** Stands before a rule in a rule that doesn't say "&", so that the parser sees that it is one. */
export const NESTED = '&:mp-nested ';

interface Token {
  readonly type: number;
  readonly start: number;
  readonly end: number;
}

const T = tokenTypes as unknown as Readonly<Record<string, number>>;
const OPENING = new Set([T.Function, T.LeftParenthesis, T.LeftSquareBracket]);
const CLOSING = new Set([T.RightParenthesis, T.RightSquareBracket]);
/** Deeper than anybody nests rules; what stands deeper isn't read. */
const NESTED_MOST = 60;
/** At-rules whose block holds what the block around them holds. */
const GROUPING = /^@(media|supports|layer|container|scope|starting-style)$/i;

/**
 * A style sheet in which every rule that stands in a rule begins with "&" (CSS Nesting 1), for a parser that knows no others. Lines stay
 * where they are. What is a rule there and what a declaration is told as CSS Syntax 3, 5.4.4 does.
 */
export function withNestedMarked(css: string): string {
  const tokens: Token[] = [];
  tokenize(css, (type, start, end) => {
    if (type !== T.WhiteSpace && type !== T.Comment) tokens.push({ type, start, end });
  });
  const marks: number[] = [];
  let at = 0;

  const text = ({ start, end }: Token) => css.slice(start, end);
  /** Behind the block that opens at a token. */
  const skipBlock = (): void => {
    let depth = 0;
    for (; at < tokens.length; at++) {
      if (tokens[at]!.type === T.LeftCurlyBracket) depth++;
      else if (tokens[at]!.type === T.RightCurlyBracket && --depth === 0) return void at++;
    }
  };
  /** The next "{", ";" or "}" outside of other brackets; the end where there is none. */
  const boundary = (from: number): number => {
    let depth = 0;
    for (let i = from; i < tokens.length; i++) {
      const { type } = tokens[i]!;
      if (OPENING.has(type)) depth++;
      else if (CLOSING.has(type)) depth = Math.max(0, depth - 1);
      else if (depth === 0 && (type === T.LeftCurlyBracket || type === T.Semicolon || type === T.RightCurlyBracket)) return i;
    }
    return tokens.length;
  };
  const atRule = (inRule: boolean): void => {
    const isGroup = GROUPING.test(text(tokens[at]!));
    at = boundary(at);
    if (tokens[at]?.type === T.Semicolon) at++;
    else if (tokens[at]?.type === T.LeftCurlyBracket) {
      if (!isGroup || depth > NESTED_MOST) return skipBlock();
      at++;
      block(inRule);
    }
  };
  let depth = 0;
  /** What stands in a block, or in the whole sheet: rules, and in a rule declarations. */
  const block = (inRule: boolean, isTop = false): void => {
    depth++;
    within(inRule, isTop);
    depth--;
  };
  const within = (inRule: boolean, isTop: boolean): void => {
    while (at < tokens.length) {
      const { type, start } = tokens[at]!;
      if (type === T.RightCurlyBracket) {
        at++;
        if (!isTop) return;
      } else if (type === T.Semicolon) at++;
      else if (type === T.AtKeyword) atRule(inRule);
      else {
        const first = tokens[at]!;
        let end = boundary(at);
        if (!inRule) while (tokens[end]?.type === T.Semicolon) end = boundary(end + 1);
        if (tokens[end]?.type !== T.LeftCurlyBracket) at = end;
        else if (inRule && css.startsWith('--', start) && tokens[at + 1]?.type === T.Colon) {
          at = end;
          skipBlock();
          at = boundary(at);
        } else {
          if (inRule && text(first) !== '&') marks.push(start);
          at = end;
          if (depth > NESTED_MOST) skipBlock();
          else {
            at++;
            block(true);
          }
        }
      }
    }
  };
  block(false, true);
  let marked = '';
  let from = 0;
  for (const mark of marks) {
    marked += css.slice(from, mark) + NESTED;
    from = mark;
  }
  return marked + css.slice(from);
}
