import type { Check } from '../check';
import { exceedsBy, foundOn } from '../facts';
import { countLines, longestLine, textBlocks } from '../text';

/** Running text with too many characters on a line. */
export const longLines: Check = {
  id: 'long-lines',
  title: 'Lines are long',
  severity: 'note',
  why: 'At the end of a long line the eye loses the beginning of the next one.',
  rule: 'WCAG 2.2, 1.4.8 Visual presentation: no more than 80 characters',
  limits: { most: { label: 'Characters on a line', unit: 'characters', usual: 80, least: 30, most: 200 } },
  judge(facts, { most }) {
    return textBlocks(facts).flatMap((block) => {
      if (block.chars <= most!) return [];
      const longest = longestLine(facts, block);
      if (!exceedsBy(facts, longest, most!, 0.2)) return [];
      foundOn(facts, ...block.parts);
      const lines = block.parts.map((part) => facts.lines[part]!);
      if (countLines(facts, lines) < 2) return [];
      const { id } = facts.elements[block.element]!;
      return [{ element: id, amount: longest - most!, measured: { characters: Math.round(longest) }, others: [] }];
    });
  },
  sentence: ({ element, measured }, name) => `Lines of ${name(element)} hold up to ${measured.characters} characters.`,
};
