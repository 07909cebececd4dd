import fc from 'fast-check';
import { breakEitherWay, breakLines, isRoomy, stylesOnLines } from './break-lines';
import { placeTexts } from './place-texts';
import { isBrokenSteadily } from './text-ends';
import { paragraphOf, SPACE } from './paragraph-for-tests';

const UNIT = 1 / 64;
const startsOf = (...[texts, room]: [Parameters<typeof paragraphOf>[0], number]) => {
  const starts = breakLines(paragraphOf(texts), room);
  return starts && [...starts];
};

test('as many words stand on a line as have room, and at least one', () => {
  expect(startsOf([[30, 30, 30]], 64.5)).toEqual([0, 2]);
  expect(startsOf([[30, 30, 30]], 500)).toEqual([0]);
  expect(startsOf([[30, 300, 30]], 64.5)).toEqual([0, 1, 2]);
});

test('a line ends where it does by hand, whatever room there is', () => {
  expect(startsOf([[30, { width: 30, hard: true }, 30]], 500)).toEqual([0, 2]);
});

test('what sticks out by one unit of layout fits; so near that it is not known, nothing is said', () => {
  expect(startsOf([[30, 30]], 64)).toEqual([0]);
  expect(startsOf([[30, 30]], 64 - UNIT + 0.003)).toEqual([0]);
  expect(startsOf([[30, 30]], 64 - UNIT - 0.003)).toEqual([0, 1]);
  expect(startsOf([[30, 30]], 64 - UNIT)).toBeUndefined();
  expect(breakLines(paragraphOf([[30, 30]]), 64, 1 / 32)).toBeUndefined();
  const near = (as: 'fits' | 'breaks') => [...breakLines(paragraphOf([[30, 30]]), 64 - UNIT, 0, { near: as })!];
  expect([near('fits'), near('breaks')]).toEqual([[0], [0, 1]]);
});

test('far from the begin of its text it is known less exactly where a letter stands', () => {
  const words = (count: number) => Array.from({ length: count }, () => 44);
  const room = 10 * 48 - SPACE - UNIT + 0.005;
  expect(startsOf([words(40)], room)).toEqual([0, 10, 20, 30]);
  expect(startsOf([words(200)], room)).toBeUndefined();
});

test('what is kept on one line needs room for a space behind it as it is by itself, if the next letter draws it nearer', () => {
  const { texts, segments, ...all } = paragraphOf([[30, 30], [90]], { align: 0.5 });
  const kept = {
    ...all,
    segments: { ...segments, drawn: Uint8Array.from([0, 0, 1]) },
    texts: {
      ...texts,
      // The space between them is the second one's.
      left: Float64Array.from([0, 64]),
      right: Float64Array.from([64, 158]),
      kept: Uint8Array.from([1, 0]),
    },
  };
  expect(breakLines(kept, 64.5)).toEqual(Int32Array.from([0, 2]));
  expect([68.1, 70, 71.9].map((room) => breakLines(kept, room))).toEqual([undefined, undefined, undefined]);
  expect(breakLines(kept, 72.1)).toEqual(Int32Array.from([0, 2]));
  expect(isBrokenSteadily(kept)).toBe(false);
  const loose = { ...kept, texts: { ...kept.texts, kept: Uint8Array.from([0, 0]) } };
  expect(breakLines(loose, 70)).toEqual(Int32Array.from([0, 2]));
  expect(isBrokenSteadily(loose)).toBe(true);
});

test('where one word comes too near to the room it is told both ways, and of several nothing', () => {
  const ways = (own: readonly number[], room: number) => breakEitherWay(paragraphOf([own]), room)?.map((one) => [...one]);
  expect(ways([30, 30], 64 - UNIT)).toEqual([[0], [0, 1]]);
  expect(ways([30, 30], 100)).toBeUndefined();
  expect(ways([30, 30, 30, 30], 64 - UNIT)).toBeUndefined();
});

test('of both ways one is what any room says that it may be', () => {
  const words = fc.array(fc.integer({ min: 10, max: 90 }), { minLength: 2, maxLength: 40 });
  let told = 0;
  fc.assert(
    fc.property(words, fc.integer({ min: 90, max: 400 }), fc.double({ min: -0.95, max: 0.95, noNaN: true }), (own, room, by) => {
      const paragraph = paragraphOf([own]);
      const ways = breakEitherWay(paragraph, room, 1);
      const one = ways && breakLines(paragraph, room + by);
      if (!one) return;
      told++;
      expect(ways.map((way) => [...way])).toContainEqual([...one]);
    }),
    { numRuns: 2_000, seed: 5 },
  );
  expect(told).toBeGreaterThan(80);
});

test('texts are added up rounded to units of layout, so that many reach further than one', () => {
  const wide = 30 + UNIT / 4;
  const [one, many] = [[[wide, wide, wide]], [[wide], [wide], [wide]]];
  const room = 3 * wide + 2 * SPACE;
  expect(startsOf(one, room)).toEqual([0]);
  expect(startsOf(many, room - UNIT / 2)).toEqual([0, 2]);
});

test('lines hold what a search from the left would put on them, for any words and rooms', () => {
  const words = fc.array(fc.integer({ min: 1, max: 90 }), { minLength: 1, maxLength: 40 });
  fc.assert(
    fc.property(words, fc.integer({ min: 20, max: 400 }), (widths, room) => {
      const wanted: number[] = [0];
      let used = widths[0]!;
      widths.slice(1).forEach((width, i) => {
        if (used + SPACE + width <= room) used += SPACE + width;
        else {
          wanted.push(i + 1);
          used = width;
        }
      });
      expect(startsOf([widths], room + 0.3)).toEqual(wanted);
    }),
  );
});

test('words have room where none is wider than a line', () => {
  expect(isRoomy(paragraphOf([[30, 80]]), 80)).toBe(true);
  // One unit of layout may stick out, as far as that is known.
  expect(isRoomy(paragraphOf([[30, 80]]), 80 - 1 / 64)).toBe(false);
});

test('a line whose first letter comes nearer to the space before it may be taken to be one unit wider, in the same text', () => {
  const drawn = (texts: number[][], lost = NaN) => {
    const { segments, ...rest } = paragraphOf(texts);
    return { ...rest, exact: 0, segments: { ...segments, drawn: Uint8Array.of(0, 1, 0), lost: Float64Array.of(0, lost, 0) } };
  };
  const room = 30 + SPACE + 40;
  const one = drawn([[70, 30, 40]]);
  expect(breakLines(one, room + 0.1 / 64)).toEqual(Int32Array.of(0, 1));
  for (const off of [0.1, 0.9]) expect(breakLines(one, room - off / 64)).toBeUndefined();
  expect(breakLines(one, room - 1.1 / 64)).toEqual(Int32Array.of(0, 1, 2));
  expect(breakLines(drawn([[70, 30], [40]]), room - 0.5 / 64)).toEqual(Int32Array.of(0, 1));
  // What it loses may be known.
  for (const [off, starts] of [
    [0.4, [0, 1]],
    [0.6, [0, 1, 2]],
  ] as const)
    expect(breakLines(drawn([[70, 30, 40]], 0.5 / 64), room - off / 64)).toEqual(Int32Array.from(starts));
});

test('texts lie where their words do: spaces at a line’s ends take no room, those within belong to their text', () => {
  const paragraph = paragraphOf([[30, 30], [40], [20, 20]]);
  const told: unknown[] = [];
  placeTexts(paragraph, breakLines(paragraph, 110)!, 110, (...one) => told.push(one));
  expect(told).toEqual([
    [0, 0, 0, 30 + SPACE + 30 + SPACE],
    [1, 0, 68, 108],
    [2, 1, 0, 44],
  ]);
});

test('on a line count the styles that stand on it, and the block’s own unless a browser is in quirks mode', () => {
  const paragraph = paragraphOf([[30], [40], [20]], { styles: [0, 2, 1] });
  const starts = breakLines(paragraph, 70)!;
  expect([...starts]).toEqual([0, 1]);
  expect([...stylesOnLines(paragraph, starts, true)]).toEqual([0b001, 0b111]);
  expect([...stylesOnLines(paragraph, starts, false)]).toEqual([0b001, 0b110]);
});

test('a part of a word is as wide as it is at the end of a line, not among its letters', () => {
  const { segments, pieces, texts, ...rest } = paragraphOf([[20, 40, 30]]);
  // The last two follow each other without a space, and come nearer to each other.
  const near = (list: Float64Array) => list.map((x) => (x > 64 ? x - SPACE : x));
  const joined = {
    ...rest,
    segments: { ...segments, left: near(segments.left), right: near(segments.right), apart: Float64Array.of(0, 2, 0) },
    pieces: { ...pieces, left: near(pieces.left), right: near(pieces.right) },
    texts: { ...texts, right: near(texts.right) },
  };
  expect([...breakLines(joined, 65)!]).toEqual([0, 1, 2]);
  expect([...breakLines(joined, 67)!]).toEqual([0, 2]);
  const told: number[][] = [];
  placeTexts(joined, Int32Array.of(0, 2), 110, (...one) => told.push(one));
  expect(told).toEqual([
    [0, 0, 0, 66],
    [0, 1, 0, 30],
  ]);
});

test('the first part of a text that may end a line is tried as it stands there, where no space is before it', () => {
  const starts = (lead: number, room: number, breaks?: readonly number[]) => {
    const one = paragraphOf([[20], [30, 40]]);
    // The parts of the second text follow each other without a space, and the first is 3 px narrower by itself.
    const near = (list: Float64Array) => list.map((x) => (x > 56 ? x - SPACE : x));
    const left = near(one.texts.left);
    left[1] = left[1]! - lead;
    const segments = { ...one.segments, left: near(one.segments.left), right: near(one.segments.right) };
    const pieces = { ...one.pieces, left: near(one.pieces.left), right: near(one.pieces.right) };
    const texts = { ...one.texts, left, right: near(one.texts.right) };
    const paragraph = { ...one, segments: { ...segments, apart: Float64Array.of(0, -3, 0) }, pieces, texts };
    return breakLines(paragraph, room, 0, breaks && { breaks })?.join();
  };
  const whole = 20 + SPACE + 30;
  expect([starts(0, whole), starts(0, whole - 2), starts(0, whole - 4)]).toEqual(['0,2', '0,2', '0,1,2']);
  expect([starts(SPACE, whole + 1), starts(SPACE, whole - 2)]).toEqual(['0,2', '0,1,2']);
  // Where words are broken that have no room it isn't.
  expect([starts(0, whole - 2, [0]), starts(0, whole - 2, [1])]).toEqual(['0,2', '0,1,2']);
});

test('letters near to a space stay so at the end of a line, but where the space is taken away', () => {
  const near = (spaceless: 0 | 1, texts: number[][]) => {
    const { segments, texts: all, ...rest } = paragraphOf(texts);
    // The second word is 2 px wider without the space behind it.
    const one = { ...rest, exact: 0, segments: { ...segments, apart: Float64Array.of(0, 2, 0) } };
    return { ...one, texts: { ...all, spaceless: all.spaceless.map(() => spaceless) } };
  };
  const [inside, behind] = [[[30, 30, 30]], [[30, 30], [30]]];
  const line = 30 + SPACE + 30;
  const starts = (spaceless: 0 | 1, texts: number[][], room: number) => breakLines(near(spaceless, texts), room)?.join();
  expect([starts(0, inside, line), starts(1, inside, line), starts(1, inside, line + 2 + UNIT)]).toEqual(['0,2', '0,1', '0,2']);
  // With what is set anew browsers round once more.
  expect(starts(1, inside, line + 2)).toBeUndefined();
  // The last of a text is left as it is where what follows is broken off.
  expect(starts(1, behind, line)).toBe('0,2');
  const widest = (spaceless: 0 | 1, texts: number[][], room: number) => {
    const ends: number[] = [];
    placeTexts(near(spaceless, texts), Int32Array.of(0, 2), room, (_, on, __, right) => on === 0 && ends.push(right));
    return Math.max(...ends);
  };
  expect([widest(0, inside, 90), widest(1, inside, 90)]).toEqual([line, line + 2]);
  expect([widest(1, behind, line + SPACE), widest(1, behind, line + SPACE - 1)]).toEqual([line + 2, line]);
});
