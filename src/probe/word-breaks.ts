/** Words in which no line breaks, whatever stands around them (UAX 14: letters, digits, and marks that hold on to them). */
const WHOLE =
  /^[("'“‘[]*[\p{Script=Latin}\p{Script=Greek}\p{Script=Cyrillic}\d_]+(?:['’.,][\p{Script=Latin}\d]+)*[.,;:!?)'"”’\]]*$/u;
const known = new Map<string, readonly number[]>();
/** Pages come and go in the same window. */
const KNOWN_MOST = 20_000;

/** Where a browser may break words that stand without a space: places in each word, ascending. */
export function breaksIn(words: Iterable<string>, document: Document): (word: string) => readonly number[] {
  if (known.size > KNOWN_MOST) known.clear();
  const asked = [...new Set(words)].filter((word) => !WHOLE.test(word) && !known.has(word));
  if (asked.length > 0) askBrowser(asked, document);
  return (word) => known.get(word) ?? NONE;
}
const NONE: readonly number[] = [];

/** Lays the words out where there is no room at all. */
function askBrowser(words: readonly string[], document: Document): void {
  const box = document.createElement('div');
  box.style.cssText =
    'all: initial; position: absolute; left: 0; top: 0; width: 0; visibility: hidden; font: 10px/20px monospace; white-space: normal';
  const rows = words.map((word) => {
    const row = document.createElement('div');
    row.style.cssText = 'all: unset; display: block';
    row.textContent = word;
    box.append(row);
    return row.firstChild as Text;
  });
  document.documentElement.append(box);
  const range = document.createRange();
  rows.forEach((text, i) => {
    range.selectNodeContents(text);
    const found: number[] = [];
    if (range.getClientRects().length > 1) {
      let line: number | undefined;
      for (let at = 0; at < text.length; at++) {
        range.setStart(text, at);
        range.setEnd(text, at + 1);
        const rect = range.getBoundingClientRect();
        if (line !== undefined && rect.width > 0 && rect.top > line) found.push(at);
        if (rect.width > 0) line = rect.top;
      }
    }
    known.set(words[i]!, found);
  });
  box.remove();
}
