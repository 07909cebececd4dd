const WORD = /\S+/g;

/** The line boxes of texts, four numbers a line, from the page's top left corner; px. */
export function linesOf(range: Range, texts: readonly Text[], scrollX: number, scrollY: number): Float64Array {
  const rects: DOMRect[] = [];
  for (const text of texts) {
    range.selectNodeContents(text);
    const list = range.getClientRects();
    for (let i = 0; i < list.length; i++) if (list[i]!.width > 0) rects.push(list[i]!);
  }
  const lines = new Float64Array(rects.length * 4);
  rects.forEach((rect, i) => {
    const at = i * 4;
    lines[at] = rect.left + scrollX;
    lines[at + 1] = rect.top + scrollY;
    lines[at + 2] = rect.right + scrollX;
    lines[at + 3] = rect.bottom + scrollY;
  });
  return lines;
}

/** Words that stand on more than one line, though nothing in them asks for it. */
export function brokenWords(range: Range, texts: readonly Text[]): number {
  let count = 0;
  for (const text of texts) {
    const element = text.parentElement!;
    const runsDown = element.ownerDocument.defaultView!.getComputedStyle(element).writingMode !== 'horizontal-tb';
    const isOnAnother = (first: DOMRect, last: DOMRect) =>
      runsDown ? Math.abs(last.left - first.left) > first.width / 2 : last.top > first.top + first.height / 2;
    for (const { 0: word, index } of text.nodeValue!.matchAll(WORD)) {
      if (/[-/\u00ad\u200b–—]/.test(word)) continue;
      range.setStart(text, index);
      range.setEnd(text, index + word.length);
      const rects = range.getClientRects();
      if (rects.length > 1 && isOnAnother(rects[0]!, rects[rects.length - 1]!)) count++;
    }
  }
  return count;
}
