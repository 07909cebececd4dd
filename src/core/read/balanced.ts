import { TokenType } from '@csstools/css-tokenizer';
import type { Token } from './tokens';
import { closingOf, isBetweenRules, ruleAt, tokensOf } from './tokens';

const WRITTEN: Readonly<Partial<Record<TokenType, string>>> = {
  [TokenType.CloseCurly]: '}',
  [TokenType.CloseParen]: ')',
  [TokenType.CloseSquare]: ']',
};

/**
 * The same sheet so that something can stand around it: what is open at its end is closed there, as its end would do; a brace that closes
 * nothing is written as a bracket that closes nothing, which leaves the rule it stands in as invalid as it was (CSS Syntax 3, 5.4); and
 * `<!--` and `-->`, which say nothing at the top of a sheet only, go.
 */
export function balanced(css: string): string {
  const tokens = tokensOf(css);
  let written = '';
  const open: (string | undefined)[] = [];
  for (let at = 0, top = 0; tokens[at]![0] !== TokenType.EOF; at++) {
    const token = tokens[at]!;
    // Where the next rule begins.
    if (at === top) {
      if (isBetweenRules(token)) {
        top = at + 1;
        written += token[0] === TokenType.Comment || token[0] === TokenType.Whitespace ? token[1] : ' ';
        continue;
      }
      top = ruleAt(tokens, at).end;
    }
    const closing = closingOf(token);
    if (closing) open.push(WRITTEN[closing]);
    else if (open.length > 0 && WRITTEN[token[0]] === open[open.length - 1]) open.pop();
    else if (open.length === 0 && token[0] === TokenType.CloseCurly) {
      written += ')';
      continue;
    }
    written += token[1];
  }
  return written + endOfToken(tokens[tokens.length - 2]) + open.reverse().join('');
}

/** What closes a token that the end of the sheet cut off (CSS Syntax 3, 4.3). */
function endOfToken(last: Token | undefined): string {
  if (!last) return '';
  const [type, text] = last;
  if (type === TokenType.Comment)
    return text.length >= 4 && text.endsWith('*/') ? '' : text.length > 2 && text.endsWith('*') ? '/' : '*/';
  // An escape at the end stands for U+FFFD, and for nothing in a string.
  const isCutOff = /(?:^|[^\\])(?:\\\\)*\\$/.test(text);
  const escape = isCutOff ? (type === TokenType.String ? '\n' : 'fffd ') : '';
  if (type === TokenType.String)
    return !isCutOff && text.length > 1 && text.endsWith(text[0]!) && !isEscaped(text) ? '' : escape + text[0]!;
  if (type === TokenType.URL || type === TokenType.BadURL)
    return !isCutOff && text.endsWith(')') && !isEscaped(text) ? '' : `${escape})`;
  return escape;
}

/** Whether a text's last character is escaped. */
const isEscaped = (text: string) => /(?:^|[^\\])(?:\\\\)*\\[\s\S]$/.test(text);
