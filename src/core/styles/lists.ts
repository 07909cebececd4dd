/** Splits a CSS value, or declarations, at a sign that stands outside brackets and quotation marks; " " is any white space. */
export function splitOutside(value: string, at: ',' | ' ' | ';'): string[] {
  const parts: string[] = [];
  let depth = 0;
  let quote = '';
  let part = '';
  // What follows a backslash is no sign of anything (CSS Syntax 3, 4.3.7).
  for (const sign of value.match(/\\[\s\S]?|[\s\S]/gu) ?? []) {
    if (quote) quote = sign === quote ? '' : quote;
    else if (sign === '"' || sign === "'") quote = sign;
    else if (sign === '(' || sign === '[') depth++;
    else if (sign === ')' || sign === ']') depth--;
    else if (depth === 0 && (at === ' ' ? /\s/.test(sign) : sign === at)) {
      if (part.trim()) parts.push(part.trim());
      part = '';
      continue;
    }
    part += sign;
  }
  if (part.trim()) parts.push(part.trim());
  return parts;
}
