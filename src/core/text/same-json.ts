/** Whether two plain values say the same, in whatever order their fields stand (stores don't keep that order). */
export function sameJson(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  if (Array.isArray(a) !== Array.isArray(b)) return false;
  const [keysA, keysB] = [given(a), given(b)];
  return (
    keysA.length === keysB.length &&
    keysA.every(
      (key) => Object.hasOwn(b, key) && sameJson((a as Record<string, unknown>)[key], (b as Record<string, unknown>)[key]),
    )
  );
}

/** The fields that JSON would write. */
const given = (value: object) => Object.keys(value).filter((key) => (value as Record<string, unknown>)[key] !== undefined);
