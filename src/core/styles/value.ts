import { generate, lexer, parse } from 'css-tree';
import { CUSTOM_PROPERTY, usesVariables, wellFormed } from './custom';
import { shortened, whyNotTaken } from './not-taken';
import { isProperty, propertyNamed } from './properties';
import { expandShorthand, isShorthand } from './shorthands';

const VALUE_MAX = 2_000;

export type CheckedValue =
  | {
      readonly ok: true;
      readonly declarations: Readonly<Record<string, string>>;
      /** Why browsers don't take it, though the grammar has it. */
      readonly notTaken?: string | undefined;
    }
  | { readonly ok: false; readonly message: string };

const known = new Map<string, CheckedValue>();

/**
 * Checks a value against the property's grammar (css-tree's copy of the CSS specifications) and expands shorthands.
 * A value with `var()` can only be checked once the variables are known; one in a shorthand is refused, since its
 * longhands couldn't be told. So are `revert` and `revert-layer`, whose origin couldn't be told either.
 * URLs other than the project's own pictures (`url(picture:…)`) are refused: nothing is fetched from outside.
 */
export function checkValue(property: string, value: string): CheckedValue {
  const key = `${property}:${value}`;
  let result = known.get(key);
  if (!result) {
    const name = property.trim();
    const given = CUSTOM_PROPERTY.test(name) ? name : name.toLowerCase();
    result = check(given, given === 'content' ? withoutEscapes(value.trim()) : value.trim());
    if (known.size > 20_000) known.clear();
    known.set(key, result);
  }
  return result;
}

/**
 * The same of a value that is written anew, refused as well where browsers don't take its words or its math. What stands in documents, and in sheets
 * from elsewhere, may have such: it stays, and does nothing there.
 */
export function checkNewValue(property: string, value: string): CheckedValue {
  const checked = checkValue(property, value);
  if (!checked.ok || checked.notTaken === undefined) return checked;
  return refuse(checked.notTaken);
}

function refuse(message: string): CheckedValue {
  return { ok: false, message };
}

function check(property: string, value: string): CheckedValue {
  const custom = CUSTOM_PROPERTY.test(property);
  if (!custom && !isProperty(property) && !isShorthand(property))
    return refuse(`"${property.slice(0, 60)}" isn't a property known here.`);
  if (value === '') return refuse(`A value for ${property} is missing. To take it away, clear it.`);
  if (value.length > VALUE_MAX) return refuse(`A value has at most ${VALUE_MAX} characters.`);
  if (/!\s*important/i.test(value)) return refuse('"!important" would break the order of breakpoints; leave it out.');
  if (/^(revert|revert-layer)$/i.test(value)) return refuse(`"${value}" isn't used here; clear the value instead.`);
  const elsewhere = property === 'content' ? value.replace(PLAIN_ATTRIBUTE, '') : value;
  if (/(env|attr|expression)\(/i.test(elsewhere)) return refuse('Only var() is used to take a value from elsewhere.');
  if (/[<>{};@\\]/.test(value)) return refuse(`"${shortened(value)}" holds a character that no value here needs.`);
  if (!balanced(value)) return refuse(`"${shortened(value)}" has a bracket or a quotation mark that isn't closed.`);
  let source: string;
  try {
    source = generate(
      parse(value, {
        context: 'value',
        onParseError: (error) => {
          throw error;
        },
      }),
    );
  } catch {
    return refuse(`"${shortened(value)}" can't be read as a CSS value.`);
  }
  for (const [, address] of source.matchAll(/url\(\s*["']?([^"')]*)/gi))
    if (!/^picture:p[a-z0-9]{1,24}$/.test(address ?? ''))
      return refuse('A picture in a value is one of the project: url(picture:…).');
  if (/(image-set|image|src|cross-fade|element)\(/i.test(source))
    return refuse('Only url(picture:…) and gradients are used as pictures.');
  if (custom) return { ok: true, declarations: { [property]: value.replace(/\s+/g, ' ') } };
  if (usesVariables(value)) {
    if (isShorthand(property)) return refuse(`A variable can't stand in ${property}; write it in each part.`);
    if (!wellFormed(value)) return refuse(`"${shortened(value)}" has a var() that isn't written as var(--name).`);
    return { ok: true, declarations: { [property]: value.replace(/\s+/g, ' ') } };
  }
  const { error } = lexer.matchProperty(property, source);
  if (error) {
    const hint = /^-?[\d.]+$/.test(value) && Number(value) !== 0 ? ' A length needs a unit, such as px.' : '';
    return refuse(`"${shortened(value)}" isn't a value that ${property} can have.${hint}`);
  }
  if (property === 'content' && /counter|quote|url/i.test(value))
    return refuse('A content is words in quotation marks, attr(name), or none.');
  if (NEVER_NEGATIVE.test(property) && /(^|\s)-[\d.]/.test(outsideFunctions(value)))
    return refuse(`${property} can't be negative.`);
  const written = normaliseCase(property, value.replace(/\s+/g, ' '));
  const declarations = isShorthand(property)
    ? mapValues(expandShorthand(property, written), (longhand, part) => normaliseCase(longhand, part))
    : { [property]: written };
  if (declarations['font-family'] === 'monospace') return { ok: true, declarations: { 'font-family': 'monospace, monospace' } };
  return { ok: true, declarations, notTaken: whyNotTaken(property, value) };
}

/** What an element's own attribute says, which only `content` may show. */
const PLAIN_ATTRIBUTE = /attr\(\s*[a-z][a-z0-9-]*\s*\)/gi;

/** The characters that escapes in strings stand for (CSS Syntax 3, 4.3.7). */
function withoutEscapes(value: string): string {
  return value.replace(/\\([0-9a-f]{1,6})\s?/gi, (whole, hex: string) => {
    const code = parseInt(hex, 16);
    const isCharacter = code >= 0x20 && code <= 0x10ffff && (code < 0xd800 || code > 0xdfff);
    return isCharacter ? String.fromCodePoint(code) : whole;
  });
}

/** Ranges that the grammar in use doesn't know. */
const NEVER_NEGATIVE =
  /^(flex-grow|flex-shrink|flex-basis|flex$|line-height|font-size|.*-width|width|.*-height|height|padding.*|.*gap|border.*|opacity)$/;

/** Keywords are case-insensitive; strings, family names and grid line names are not. */
function normaliseCase(property: string, value: string): string {
  if (/["']|url\(/i.test(value)) return value;
  return !isProperty(property) || propertyNamed(property).control.kind === 'text' ? value : value.toLowerCase();
}

function mapValues(values: Readonly<Record<string, string>>, map: (name: string, value: string) => string) {
  return Object.fromEntries(Object.entries(values).map(([name, value]) => [name, map(name, value)]));
}

/** Math functions may hold negative numbers; what they come to is clamped by the browser (CSS Values 4, 10.12). */
function outsideFunctions(value: string): string {
  let plain = value;
  for (let before = ''; before !== plain;) {
    before = plain;
    plain = plain.replace(/\([^()]*\)/g, '');
  }
  return plain;
}

function balanced(value: string): boolean {
  const bare = value.replace(/"[^"]*"|'[^']*'/g, '');
  return !/["']/.test(bare) && bare.split(/[([]/).length === bare.split(/[)\]]/).length;
}

export interface NumberPart {
  readonly start: number;
  readonly end: number;
  readonly value: number;
  readonly unit: string;
}

/** The number at or nearest before a caret position, for stepping with the arrow keys. */
function numberAt(value: string, caret: number): NumberPart | undefined {
  const parts = [...value.matchAll(/-?(?:\d+\.?\d*|\.\d+)(%|[a-z]+)?/gi)].map((match) => ({
    start: match.index,
    end: match.index + match[0].length,
    value: parseFloat(match[0]),
    unit: match[1] ?? '',
  }));
  return parts.find((part) => part.start <= caret && caret <= part.end) ?? parts[0];
}

/** The value with the number at the caret moved by `by`, rounded so that 0.1 + 0.2 reads 0.3. */
export function stepValue(value: string, caret: number, by: number): { value: string; caret: number } | undefined {
  const part = numberAt(value, caret);
  if (!part) return undefined;
  const next = `${Math.round((part.value + by) * 1000) / 1000}${part.unit}`;
  return { value: value.slice(0, part.start) + next + value.slice(part.end), caret: part.start + next.length };
}

/** "property: value" as people type it, the semicolon optional. Undefined where there is no property in it. */
export function readDeclaration(text: string): { readonly property: string; readonly value: string } | undefined {
  const [, name, value = ''] = /^\s*(-{0,2}[a-z][\w-]*)\s*:\s*(.*?)\s*;?\s*$/i.exec(text) ?? [];
  if (name === undefined) return undefined;
  return { property: CUSTOM_PROPERTY.test(name) ? name : name.toLowerCase(), value };
}
