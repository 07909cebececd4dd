const MOST_NAMED = 4;

/** Words in a row, each once: "a, b and c"; of many the first few, and how many more there are. */
export function listed(words: readonly string[], most = MOST_NAMED): string {
  const unique = [...new Set(words)];
  const shown = unique.length > most ? [...unique.slice(0, most), `${unique.length - most} more`] : unique;
  return shown.length < 2 ? shown.join('') : `${shown.slice(0, -1).join(', ')} and ${shown[shown.length - 1]}`;
}
