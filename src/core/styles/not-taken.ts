import { TokenType, tokenize } from '@csstools/css-tokenizer';
import { lexer } from 'css-tree';
import { withPlainMath } from './math-types';

/** Words and functions that one maker's browsers had for themselves. */
const OF_OTHERS = /^-(moz|ms|o|apple|khtml)-/i;

const ITEMS = ['align-items', 'justify-items', 'place-items'];
const OUTLINES = ['outline', 'outline-color'];
const BASIS = ['flex', 'flex-basis'];
/** Properties in which a word isn't taken, though the grammar in use has it there: by any browser, or by the one that pages are measured in. */
const WORDS: ReadonlyMap<string, (property: string) => boolean> = new Map([
  ...['run-in', 'ruby-base', 'ruby-base-container', 'ruby-text-container', 'inline-list-item', 'hand', '-webkit-sticky'].map(
    anywhere,
  ),
  ...['intrinsic', 'min-intrinsic', 'match-parent', 'full-width', 'full-size-kana', 'preserve-spaces', '-webkit-text'].map(
    anywhere,
  ),
  ...['fill-available', 'fit-content', 'min-content', 'max-content'].map((word) => only(`-webkit-${word}`, BASIS)),
  only('anchor-center', ITEMS),
  only('contents', ['content']),
  only('auto', ['outline-color']),
  ['-webkit-focus-ring-color', (property) => !OUTLINES.includes(property)],
]);

function anywhere(word: string): [string, (property: string) => boolean] {
  return [word, () => true];
}
function only(word: string, properties: readonly string[]): [string, (property: string) => boolean] {
  return [word, (property) => properties.includes(property)];
}

/** Properties in which any word may be a name. */
const NAMES = /^(--|font-family$|grid-|container|animation|counter|transition|will-change|view-transition|list-style)/;

/** Why browsers don't take a value that the grammar in use takes; undefined where they do. */
export function whyNotTaken(property: string, value: string): string | undefined {
  const word = wordNotTaken(property, value);
  if (word !== undefined) return `"${shortened(word)}" is no word that browsers take for ${property}.`;
  if (!value.includes('(')) return undefined;
  const plain = withPlainMath(value, 'plain');
  if (plain === undefined) return `"${shortened(value)}" doesn't add up: a unit, or a space around a sign, may be missing.`;
  const isTaken = (one: string) => lexer.matchProperty(property, one).error === null;
  if (plain === value || (isTaken(plain) && isTaken(withPlainMath(value, 'percent')!))) return undefined;
  return `What "${shortened(value)}" comes to isn't what ${property} can have: a unit may be missing.`;
}

export const shortened = (value: string): string => (value.length > 60 ? `${value.slice(0, 57)}…` : value);

/** The first word or function in a value that browsers don't take there, though the grammar has it; undefined for none. */
function wordNotTaken(property: string, value: string): string | undefined {
  if (NAMES.test(property)) return undefined;
  // Families are named behind a size.
  if (property === 'font') return OF_OTHERS.test(value) ? value : undefined;
  for (const token of tokenize({ css: value })) {
    if (token[0] !== TokenType.Ident && token[0] !== TokenType.Function) continue;
    const word = token[4].value;
    if (OF_OTHERS.test(word)) return word;
    if (token[0] === TokenType.Ident && WORDS.get(word.toLowerCase())?.(property)) return word;
  }
  return undefined;
}
