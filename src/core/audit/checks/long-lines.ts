import type { Check } from '../check';
import { oncePerGiven } from '../once';
import { exceedsBy, foundOn, slackOf } from '../readers';
import { characterOf, countLines, lineRoom, longestLine, piecesOf, textBlocks } from '../text';

const withMoreThan = oncePerGiven(
  (facts) => [textBlocks(facts)],
  (facts, most) => textBlocks(facts).filter(({ chars }) => chars > most),
);

/** Running text with too many characters on a line. */
export const longLines: Check = {
  id: 'long-lines',
  title: 'Lines are long',
  severity: 'note',
  why: 'At the end of a long line the eye loses the beginning of the next one.',
  rule: 'WCAG 2.2, 1.4.8 Visual presentation: no more than 80 characters',
  limits: { most: { label: 'Characters on a line', unit: 'characters', usual: 80, least: 30, most: 200 } },
  judge(facts, { most }) {
    return withMoreThan(facts, most).flatMap((block) => {
      if (piecesOf(facts, block) < 2) return [];
      const character = characterOf(facts, block);
      const slack = slackOf(facts) + (facts.doubt?.sized ? most! * 0.01 : 0);
      const isLong = (length: number, off: number) => exceedsBy(facts, length, most! * character, off);
      const room = lineRoom(facts, block);
      if (room !== undefined && !isLong(room, facts.doubt?.rooms?.[block.element] || slack)) return [];
      // Where words go to the next line for lack of room, the lines before are as long as the room lets them be.
      const byHand = (facts.elements[block.element]!.breaks ?? 0) + 1;
      // Mostly the text that is longest tells.
      let longest = facts.lines[block.parts[0]!]!;
      for (const part of block.parts) if (facts.lines[part]!.length > longest.length) longest = facts.lines[part]!;
      const some = countLines(facts, [longest], byHand + 1);
      const all = () => block.parts.map((part) => facts.lines[part]!);
      const lines = some > byHand ? some : countLines(facts, all(), byHand + 1);
      if (lines < 2) return [];
      const isFull = room !== undefined && lines > byHand;
      const length = isFull ? room : longestLine(facts, block);
      if (!isFull && !isLong(length, slack)) return [];
      if (!isFull) foundOn(facts, ...block.parts);
      const { id } = facts.elements[block.element]!;
      const characters = length / character;
      return [{ element: id, amount: characters - most!, measured: { characters: Math.round(characters) }, others: [] }];
    });
  },
  sentence: ({ element, measured }, name) => `Lines of ${name(element)} hold up to ${measured.characters} characters.`,
};
