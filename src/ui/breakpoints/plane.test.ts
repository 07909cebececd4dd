import { edgeBeyond, labelsOf, PLANE, patchesOf } from './plane';

const set = {
  baseName: 'Wide',
  breakpoints: [
    { id: 'bnar', name: 'Narrow', condition: { below: 600 } },
    { id: 'bland', name: 'Landscape', condition: { orientation: 'landscape' as const } },
    { id: 'bshort', name: 'Short', condition: { heightBelow: 500 } },
  ],
};

test('the patches cover the map without gap or overlap, and each says who wins', () => {
  const patches = patchesOf(set, 'mouse');
  const rows = new Map<number, { from: number; below: number }[]>();
  for (const { widths, heights } of patches) rows.set(heights.from, [...(rows.get(heights.from) ?? []), widths]);
  for (const row of rows.values()) {
    expect(row[0]!.from).toBe(PLANE.width.from);
    expect(row.at(-1)!.below).toBe(PLANE.width.below);
    row.slice(1).forEach((widths, i) => expect(widths.from).toBe(row[i]!.below));
  }
  const winnerAt = (width: number, height: number) =>
    patches.find(
      ({ widths, heights }) => widths.from <= width && width < widths.below && heights.from <= height && height < heights.below,
    )!.winner;
  expect([winnerAt(1000, 400), winnerAt(1000, 800), winnerAt(400, 800), winnerAt(700, 1200)]).toEqual([
    'bshort',
    'bland',
    'bnar',
    'base',
  ]);
});

test('each part has one number', () => {
  const parts = labelsOf(patchesOf(set, 'mouse')).map(({ band }) => band.holds.join());
  expect(new Set(parts).size).toBe(parts.length);
  expect(parts).toContain('bland,bshort');
});

test('edges are gone to from both sides, and at the ends of the map it stays', () => {
  const patches = patchesOf({ ...set, breakpoints: [set.breakpoints[0]!, set.breakpoints[2]!] }, 'mouse');
  const [right, left] = [1, -1].map((sign) => (now: number) => edgeBeyond(patches, 'widths', now, sign));
  expect([right!(300), right!(600), right!(2559)]).toEqual([600, 2559, 2559]);
  expect([left!(900), left!(599), left!(240)]).toEqual([599, 240, 240]);
  expect([edgeBeyond(patches, 'heights', 300, 1), edgeBeyond(patches, 'heights', 800, -1)]).toEqual([500, 499]);
});
