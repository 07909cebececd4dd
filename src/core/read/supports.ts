import { lexer } from 'css-tree';

/** Whether a browser of today supports what a condition of `@supports` asks (CSS Conditional 3, 6); undefined where that isn't known. */
export function isSupported(condition: string): boolean | undefined {
  const text = condition.trim();
  const negated = /^not\s*(?=\()([\s\S]*)$/i.exec(text);
  if (negated) {
    const inner = isSupported(negated[1]!);
    return inner === undefined ? undefined : !inner;
  }
  for (const [word, settles] of [
    ['or', true],
    ['and', false],
  ] as const) {
    const parts = splitAt(text, word);
    if (parts.length < 2) continue;
    const answers = parts.map(isSupported);
    if (answers.includes(settles)) return settles;
    return answers.includes(undefined) ? undefined : !settles;
  }
  const inner = /^\(([\s\S]*)\)$/.exec(text)?.[1];
  if (inner === undefined) return undefined;
  const [, property, value] = /^\s*([-\w]+)\s*:\s*([\s\S]+?)\s*$/.exec(inner) ?? [];
  if (property === undefined) return isSupported(inner);
  if (property.startsWith('--')) return true;
  if (/^-(moz|ms|o)-/i.test(property)) return false;
  if (/^-|-(webkit|moz)-|\bvar\(/i.test(property + value)) return undefined;
  return lexer.matchProperty(property.toLowerCase(), value!).error === null ? true : undefined;
}

/** The parts of a condition between a word that stands outside of all brackets. */
function splitAt(text: string, word: string): string[] {
  const parts: string[] = [];
  let [depth, start] = [0, 0];
  const pattern = new RegExp(`\\s${word}\\s`, 'iy');
  for (let at = 0; at < text.length; at++) {
    if (text[at] === '(') depth++;
    else if (text[at] === ')') depth--;
    pattern.lastIndex = at;
    const match = depth === 0 ? pattern.exec(text) : null;
    if (!match) continue;
    parts.push(text.slice(start, at));
    start = at + match[0].length;
    at = start - 1;
  }
  return [...parts, text.slice(start)];
}
