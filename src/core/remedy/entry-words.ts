const NAMED_MOST = 3;

/** Without a number at the end, as copies have it. */
const withoutNumber = (name: string) => name.replace(/[\s#]*\d+$/, '') || name;

/** Several elements by their names: "12 of Tool card", "All, Wood and 3 more". */
export function elementsInWords(names: readonly string[]): string {
  const [first] = names;
  if (first === undefined) return 'nothing';
  if (names.length === 1) return first;
  const alike = new Set(names.map(withoutNumber));
  if (alike.size === 1) return `${names.length} of ${withoutNumber(first)}`;
  if (names.length <= NAMED_MOST) return `${names.slice(0, -1).join(', ')} and ${names.at(-1)!}`;
  return `${names.slice(0, NAMED_MOST - 1).join(', ')} and ${names.length - NAMED_MOST + 1} more`;
}
