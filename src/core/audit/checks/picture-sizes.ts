import type { Check, Violation } from '../check';
import { exceedsBy } from '../readers';
import { bytesInWords } from '../../text';
import { drawnNow } from '../pictures';

/** How far off a worked-out width can be, px. */
const SLACK = 0.5;

/** Pictures that have too few px for the screens they are shown on. */
export const blurredPicture: Check = {
  id: 'blurred-picture',
  title: 'A picture is blurred',
  severity: 'poor',
  why: 'Where a picture has fewer px than the screen, every px of it is smeared over several.',
  rule: 'Share of a screen’s px that a picture must have, at the density of the project’s nearest device (project profile)',
  limits: { least: { label: 'Least share of the screen’s px', unit: '%', usual: 75, least: 20, most: 100 } },
  judge(facts, { least }) {
    return [...(facts.pictures ?? [])].flatMap(([element, picture]): Violation[] => {
      const drawn = drawnNow(facts, element, picture);
      if (!drawn) return [];
      const { width, density, file } = drawn;
      const needed = (width * density * least!) / 100;
      if (!exceedsBy(facts, needed, file[0], SLACK * density)) return [];
      return [
        {
          element: facts.elements[element]!.id,
          amount: (width * density) / file[0],
          measured: { drawn: width, density, file: file[0] },
          others: [],
        },
      ];
    });
  },
  sentence: ({ element, measured: { drawn, density, file } }, name) =>
    `${name(element)} is drawn ${Math.round(drawn!)} px wide, ${Math.round(drawn! * density!)} at density ${density}, and its widest file that fits has ${file}.`,
};

/** Pictures that have more px than screens can show. */
export const oversizedPicture: Check = {
  id: 'oversized-picture',
  title: 'A picture larger than is of use',
  severity: 'note',
  why: 'What no screen can show still has to be fetched and unpacked: on a slow connection people wait for it.',
  rule: 'How many times wider than needed a picture’s file may be, at the density of the project’s nearest device (project profile)',
  limits: {
    most: { label: 'Most times as wide as needed', unit: '×', usual: 2, least: 1, most: 10 },
    bytes: { label: 'Only of files above', unit: 'kB', usual: 10, least: 0, most: 1_000 },
  },
  judge(facts, { most, bytes }) {
    return [...(facts.pictures ?? [])].flatMap(([element, picture]): Violation[] => {
      const drawn = drawnNow(facts, element, picture);
      if (!drawn || drawn.file[1] <= bytes! * 1_000) return [];
      const { width, density, file } = drawn;
      if (!exceedsBy(facts, file[0], width * density * most!, SLACK * density * most!)) return [];
      return [
        {
          element: facts.elements[element]!.id,
          amount: file[1] * (1 - (width * density) / file[0]),
          measured: { drawn: width, density, file: file[0], bytes: file[1] },
          others: [],
        },
      ];
    });
  },
  sentence: ({ element, measured: { drawn, density, file, bytes } }, name) =>
    `${name(element)} is drawn ${Math.round(drawn!)} px wide at density ${density}, from a file of ${file} px and ${bytesInWords(bytes!)}.`,
};

/** Files that are fetched for images that aren't shown. */
export const hiddenWeight: Check = {
  id: 'hidden-weight',
  title: 'Fetched but not shown',
  severity: 'poor',
  why: 'An image that is hidden is fetched all the same: people wait and pay for what they never see.',
  rule: 'Most that may be fetched for one image that isn’t shown (project profile)',
  limits: { most: { label: 'Most for one image', unit: 'kB', usual: 20, least: 0, most: 1_000 } },
  judge(facts, { most }) {
    return [...(facts.pictures ?? [])].flatMap(([element, { hidden, waits, files, asked }]): Violation[] => {
      if (!hidden || waits || files.length === 0) return [];
      // By what is written for it, the narrowest is fetched of what isn't shown; a given width is asked for anyhow.
      const [, bytes] = asked === undefined ? files[0]! : files[files.length - 1]!;
      if (bytes <= most! * 1_000) return [];
      return [{ element: facts.elements[element]!.id, amount: bytes, measured: { bytes }, others: [] }];
    });
  },
  sentence: ({ element, measured }, name) =>
    `${name(element)} isn’t shown, and its ${bytesInWords(measured.bytes!)} are fetched.`,
};
