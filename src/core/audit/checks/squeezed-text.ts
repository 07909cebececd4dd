import type { Check } from '../check';
import { oncePerGiven } from '../once';
import { countLines, linesAtMost, piecesOf, textBlocks } from '../text';

const withWords = oncePerGiven(
  (facts) => [textBlocks(facts)],
  (facts, from) => textBlocks(facts).filter((block) => block.words >= from),
);

/** Running text with too few words on each line. */
export const squeezedText: Check = {
  id: 'squeezed-text',
  title: 'Text is squeezed',
  severity: 'poor',
  why: 'With a word or two on a line the eye jumps more than it reads, and the column grows long.',
  rule: 'Words on a line (project profile)',
  limits: {
    words: { label: 'Fewest words on a line', unit: 'words', usual: 2, least: 1, most: 8 },
    from: { label: 'Only texts of so many words', unit: 'words', usual: 8, least: 2, most: 200 },
  },
  judge(facts, { words, from }) {
    return withWords(facts, from).flatMap((block) => {
      if (block.words / piecesOf(facts, block) >= words! || linesAtMost(facts, block, block.words / words!)) return [];
      const lines = countLines(
        facts,
        block.parts.map((part) => facts.lines[part]!),
      );
      const each = block.words / lines;
      if (each >= words!) return [];
      const { id } = facts.elements[block.element]!;
      return [{ element: id, amount: words! / each, measured: { words: block.words, lines }, others: [] }];
    });
  },
  sentence: ({ element, measured }, name) =>
    `${name(element)} sets ${measured.words} words on ${measured.lines} lines, ${(measured.words! / measured.lines!).toFixed(1)} a line.`,
};
