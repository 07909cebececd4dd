import fc from 'fast-check';
import { clampChroma, converter, formatHex, rgb } from 'culori';
import type { Channels } from './luminance';
import { contrastRatio } from './luminance';
import { passingColours } from './passing-colours';

const oklch = converter('oklch');
const channel = fc.integer({ min: 0, max: 255 }).map((byte) => byte / 255);
const channels: fc.Arbitrary<Channels> = fc.tuple(channel, channel, channel);
const of = (hex: string): Channels => {
  const { r, g, b } = rgb(hex)!;
  return [r, g, b];
};

test('what is proposed can be read, in the same hue, and nothing nearer could', () => {
  fc.assert(
    fc.property(channels, channels, fc.constantFrom(3, 4.5, 7), (colour, against, least) => {
      const [nearest] = passingColours(colour, against, least);
      const [black, white] = [of('#000000'), of('#ffffff')].map((end) => contrastRatio(end, against));
      if (!nearest) return Math.max(black!, white!) < least;
      const [r, g, b] = colour;
      const [was, is] = [oklch({ mode: 'rgb', r, g, b }), oklch(nearest)!];
      const off = Math.abs((((was.h ?? 0) - (is.h ?? 0) + 540) % 360) - 180);
      // Of greys, and of what is nearly black or white, a hue of 8 bits says nothing.
      const isHueless = was.c < 0.03 || is.c < 0.03;
      // Halfway there it can't be read yet, unless it is a step or two.
      const halfway = formatHex(clampChroma({ ...was, l: (was.l + is.l) / 2 }, 'oklch'));
      const isNearest = Math.abs(was.l - is.l) < 0.02 || contrastRatio(of(halfway), against) < least;
      return contrastRatio(of(nearest), against) >= least && isNearest && (isHueless || off < 12);
    }),
  );
  // Already enough: it stays.
  expect(passingColours(of('#123456'), of('#ffffff'), 4.5)[0]).toBe('#123456');
  expect(passingColours(of('#777777'), of('#777777'), 21)).toEqual([]);
});
