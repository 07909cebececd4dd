/** Deeper than any document or edit; what is nested deeper isn't looked through, it is refused. */
const DEPTH_MOST = 100;

/**
 * Whether a text can be kept: PostgreSQL's JSONB takes neither NUL nor half of a surrogate pair (RFC 8259, 8.2), and
 * HTML and CSS would read both as something else.
 */
function isWellFormed(text: string): boolean {
  return !text.includes('\0') && text.isWellFormed();
}

/**
 * Where in a plain value (objects, lists, texts) something stands that can't be kept, as a path such as
 * `edits.0.text`; undefined where nothing does. Looks at every text and every name of a field.
 */
export function malformedAt(input: unknown): string | undefined {
  const path: string[] = [];
  const visit = (value: unknown): boolean => {
    if (typeof value === 'string') return !isWellFormed(value);
    if (typeof value !== 'object' || value === null) return false;
    if (path.length > DEPTH_MOST) return true;
    const entries: Iterable<readonly [string | number, unknown]> = Array.isArray(value) ? value.entries() : Object.entries(value);
    for (const [key, inner] of entries) {
      path.push(String(key));
      if ((typeof key === 'string' && !isWellFormed(key)) || visit(inner)) return true;
      path.pop();
    }
    return false;
  };
  return visit(input) ? path.join('.').replace(/\0|\p{Cs}/gu, '�') : undefined;
}

/** The sentence about what `malformedAt` finds. */
export const MALFORMED = "This holds what can't be kept: a character (NUL, or half of a pair), or lists nested too deep.";
