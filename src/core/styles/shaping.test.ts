import fc from 'fast-check';
import {
  checkValue,
  channelsOf,
  contrastNeeded,
  contrastRatio,
  familyProblem,
  fluidAt,
  fluidValue,
  inUnit,
  movedBy,
  over,
  pinDeclarations,
  reachesDouble,
  readColour,
  readFluid,
  readGradient,
  holdDeclarations,
  isHeldOrPinned,
  readHold,
  readPin,
  readLayers,
  readLength,
  readShadows,
  readTracks,
  splitOutside,
  trackCount,
  wholeOf,
  writeGradient,
  writeLayers,
  writeShadows,
  writeTracks,
} from './index';

const CONTEXT = { em: 20, rem: 16, viewport: { width: 800, height: 600 }, whole: 400 };

test.each([
  [100, 'px', '100px'],
  [100, '%', '25%'],
  [100, 'em', '5em'],
  [100, 'rem', '6.25rem'],
  [100, 'vw', '12.5vw'],
  [100, 'vh', '16.667vh'],
  [-10, '%', '-2.5%'],
  [1 / 3, 'px', '0.33px'],
] as const)('%d px in %s is %s', (px, unit, said) => {
  expect(inUnit(px, unit, CONTEXT)).toBe(said);
});

test('what can not be said in a unit is not said', () => {
  expect(inUnit(10, '%', { ...CONTEXT, whole: undefined })).toBeUndefined();
  expect(inUnit(10, '%', { ...CONTEXT, whole: 0 })).toBeUndefined();
  expect(inUnit(10, 'ch', CONTEXT)).toBeUndefined();
  expect([readLength('auto'), readLength('calc(1px + 2px)'), readLength('5'), readLength('0')]).toEqual([
    undefined,
    undefined,
    undefined,
    { number: 0, unit: 'px' },
  ]);
});

test('a moved length keeps its unit; what is no single length becomes px', () => {
  expect(movedBy('50%', 20, 200, CONTEXT)).toBe('55%');
  expect(movedBy('2em', -10, 40, CONTEXT)).toBe('1.5em');
  expect(movedBy('auto', 5, 117, CONTEXT)).toBe('122px');
  expect(movedBy('clamp(1rem, 2vw, 3rem)', 4, 16, CONTEXT)).toBe('20px');
});

test('percentages mean the width, the height, the type, or nothing', () => {
  expect(['width', 'padding-top', 'max-height', 'top', 'row-gap', 'font-size', 'border-top-width'].map(wholeOf)).toEqual([
    'width',
    'width',
    'height',
    'height',
    'height',
    'font',
    'none',
  ]);
});

test('fluid values are read back as they were written, and refuse what makes none', () => {
  const px = fc.integer({ min: 4, max: 120 });
  const width = fc.integer({ min: 200, max: 2400 });
  fc.assert(
    fc.property(px, px, width, width, (a, b, from, to) => {
      const result = fluidValue({ from: { width: from, px: a }, to: { width: to, px: b } });
      if (a === b || from === to) return expect(result.ok).toBe(false);
      if (!result.ok) throw new Error(result.message);
      expect(checkValue('font-size', result.value).ok).toBe(true);
      const read = readFluid(result.value)!;
      for (const at of [from, to, (from + to) / 2])
        expect(
          Math.abs(fluidAt(read, at) - fluidAt({ from: { width: from, px: a }, to: { width: to, px: b } }, at)),
        ).toBeLessThan(0.2);
    }),
  );
  expect(fluidValue({ from: { width: NaN, px: 1 }, to: { width: 2, px: 2 } })).toMatchObject({ ok: false });
  expect(readFluid('clamp(1rem, 2vw, 3rem)')).toBeUndefined();
});

test('type that grows too much can not be doubled by zooming', () => {
  const grows = (from: number, to: number) => ({ from: { width: 360, px: from }, to: { width: 1280, px: to } });
  expect(reachesDouble(grows(16, 24))).toBe(true);
  expect(reachesDouble(grows(16, 38))).toBe(true);
  expect(reachesDouble(grows(16, 160))).toBe(false);
});

test('tracks are written out and gathered again', () => {
  expect(readTracks('repeat(2, minmax(0, 1fr) 10px) auto')).toEqual(['minmax(0, 1fr)', '10px', 'minmax(0, 1fr)', '10px', 'auto']);
  expect(readTracks('none')).toEqual([]);
  expect(readTracks('[full-start] 1fr [full-end]')).toBeUndefined();
  expect(writeTracks(['1fr', '1fr', '1fr', 'auto'])).toBe('repeat(3, 1fr) auto');
  expect(writeTracks([])).toBe('none');
  expect(trackCount('repeat(auto-fill, minmax(10rem, 1fr))')).toBeUndefined();
  expect(trackCount('repeat(12, minmax(0, 1fr))')).toBe(12);
  const track = fc.constantFrom('1fr', 'auto', 'minmax(0, 1fr)', '10px', 'repeat(auto-fit, 9rem)');
  fc.assert(fc.property(fc.array(track, { maxLength: 8 }), (list) => expect(readTracks(writeTracks(list))).toEqual(list)));
});

test('background layers lead to values and back, in their order', () => {
  const layer = fc.record({
    image: fc.constantFrom('linear-gradient(90deg, red 0%, rgba(0, 0, 0, 0.5) 100%)', 'url(picture:pa)'),
    size: fc.constantFrom('auto', 'cover', '10px 20%'),
    position: fc.constantFrom('0% 0%', 'center top'),
    repeat: fc.constantFrom('repeat', 'no-repeat'),
  });
  fc.assert(
    fc.property(fc.array(layer, { maxLength: 5 }), (layers) => {
      const values = writeLayers(layers);
      expect(readLayers(values)).toEqual(layers);
      for (const [property, value] of Object.entries(values)) expect(checkValue(property, value).ok).toBe(true);
    }),
  );
  expect(readLayers({ 'background-image': 'none' })).toEqual([]);
});

test('gradients are taken apart where that loses nothing', () => {
  expect(readGradient('linear-gradient(to right, #fff, rgba(0, 0, 0, 0.5) 40%, red)')).toEqual({
    kind: 'linear',
    angle: 90,
    stops: [
      { colour: '#fff', at: 0 },
      { colour: 'rgba(0, 0, 0, 0.5)', at: 40 },
      { colour: 'red', at: 100 },
    ],
  });
  const radial = readGradient('radial-gradient(circle, red 10%, blue 90%)')!;
  expect(writeGradient(radial)).toBe('radial-gradient(circle, red 10%, blue 90%)');
  expect(readGradient('radial-gradient(circle at 20px 30px, red, blue)')).toBeUndefined();
  expect(readGradient('linear-gradient(red 10px, blue)')).toBeUndefined();
  expect(readGradient('url(picture:pa)')).toBeUndefined();
});

test('shadows, one by one', () => {
  const text = 'inset 0px 1px 2px 3px rgba(0, 0, 0, 0.2), 4px 5px 0px 0px red';
  expect(writeShadows(readShadows(text)!)).toBe(text);
  expect(readShadows('none')).toEqual([]);
  expect(writeShadows([])).toBe('none');
  expect(readShadows('1px 2px')![0]).toMatchObject({ blur: '0px', colour: 'currentcolor' });
  expect(readShadows('red')).toBeUndefined();
});

test('contrast by the numbers of WCAG', () => {
  const ratio = (a: string, b: string) => contrastRatio(channelsOf(readColour(a)!), channelsOf(readColour(b)!));
  expect(ratio('black', 'white')).toBeCloseTo(21);
  expect(ratio('#777', 'white')).toBeCloseTo(4.48, 2);
  expect(ratio('#767676', 'white')).toBeGreaterThanOrEqual(4.5);
  expect(over(readColour('rgba(0,0,0,0.5)')!, readColour('white')!)).toMatchObject({ r: 0.5, alpha: 1 });
  expect([
    contrastNeeded(24, false),
    contrastNeeded(23.9, false),
    contrastNeeded(18.66, true),
    contrastNeeded(18.66, false),
  ]).toEqual([3, 4.5, 3, 4.5]);
  expect(readColour('currentcolor')).toBeUndefined();
});

test('families that do not come with the page need one to fall back on', () => {
  expect(familyProblem('Fantasia', ['Schibsted Grotesk Variable'])).toMatch(/"Fantasia" doesn't come with the page/);
  expect(familyProblem('Fantasia, sans-serif', [])).toBeUndefined();
  expect(familyProblem('"Schibsted Grotesk Variable"', ['Schibsted Grotesk Variable'])).toBeUndefined();
  expect(familyProblem('var(--type)', [])).toBeUndefined();
});

test('a place is said by its control alone where that would write just these values', () => {
  const free = { top: 'auto', right: 'auto', bottom: 'auto', left: 'auto' };
  const auto = { width: true, height: true };
  for (const over of [true, false])
    for (const edge of ['top', 'bottom', 'none'] as const) {
      const values = pinDeclarations(edge, over);
      expect(readPin(values)).toEqual({ edge, over: over && edge !== 'none' });
      expect(isHeldOrPinned(values)).toBe(true);
      expect(isHeldOrPinned({ ...values, left: '4px' })).toBe(false);
    }
  expect(isHeldOrPinned({ ...free, position: 'sticky', top: '0' })).toBe(true);
  expect(isHeldOrPinned({ ...free, position: 'sticky', top: '20px' })).toBe(false);
  expect(isHeldOrPinned({ ...free, position: 'relative' })).toBe(false);
  const held = holdDeclarations({ across: 'centre', down: 'top', x: '8px', y: '0px' }, auto);
  expect(isHeldOrPinned(held)).toBe(true);
  expect(isHeldOrPinned({ ...held, right: '8px' })).toBe(false);
});

test('pins, and what is no hold', () => {
  expect(pinDeclarations('top', false)).toMatchObject({ position: 'sticky', top: '0px', left: 'auto' });
  expect(pinDeclarations('bottom', true)).toMatchObject({ position: 'fixed', bottom: '0px', left: '0px' });
  expect(pinDeclarations('none', true)).toMatchObject({ position: 'static', top: 'auto' });
  expect(readHold({ position: 'relative', left: '0px', top: '0px' })).toBeUndefined();
  expect(readHold({ position: 'absolute', left: '0px', right: '0px', top: '0px' })).toBeUndefined();
});

test('splitting heeds brackets and quotation marks', () => {
  expect(splitOutside('a(b, c), "d, e", f', ',')).toEqual(['a(b, c)', '"d, e"', 'f']);
  expect(splitOutside('  1px   calc(1px + 2px) ', ' ')).toEqual(['1px', 'calc(1px + 2px)']);
});
