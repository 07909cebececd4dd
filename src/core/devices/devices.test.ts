import fc from 'fast-check';
import { MOTIONS, POINTERS, SCHEMES } from '../breakpoints';
import { CATALOGUE, DEVICE_SETS } from './catalogue';
import type { Device } from './device';
import { DEVICE_GROUPS, deviceSchema, PARTS, SCROLLBARS, viewportOn } from './device';
import { devicesOf, deviceSetSchema } from './device-set';
import { readDeviceTable, writeDeviceCsv, writeDeviceJson } from './table';

const phone = CATALOGUE.find(({ id }) => id === 'dphone')!;
const tablet = CATALOGUE.find(({ id }) => id === 'dtablet')!;

test('the catalogue is sound: about 25 devices of every group, each of its own name, and its sets name no others', () => {
  expect(CATALOGUE.length).toBeGreaterThanOrEqual(25);
  for (const device of CATALOGUE) expect(deviceSchema.safeParse(device).error).toBeUndefined();
  expect(new Set(CATALOGUE.map(({ name }) => name)).size).toBe(CATALOGUE.length);
  expect(new Set(CATALOGUE.map(({ group }) => group))).toEqual(new Set(DEVICE_GROUPS));
  for (const set of DEVICE_SETS) {
    expect(deviceSetSchema.safeParse(set).error).toBeUndefined();
    expect(devicesOf(CATALOGUE, set)).toHaveLength(set.devices.length);
  }
  expect(new Set(devicesOf(CATALOGUE, DEVICE_SETS[0]!).map(({ device }) => device.group)).size).toBe(DEVICE_GROUPS.length);
});

test.each([
  [phone, {}, 400, 748],
  [phone, { turned: true }, 860, 288],
  [phone, { part: 'half' }, 400, 318],
  [phone, { turned: true, part: 'half' }, 430, 288],
  [tablet, { part: 'third' }, 266, 1044],
  [tablet, { turned: true, part: 'third' }, 373, 724],
  [{ ...phone, turns: false }, { turned: true }, 400, 748],
] as const)('%#: the viewport on a device, held in its way', (device, hold, width, height) => {
  expect(viewportOn(device, hold)).toMatchObject({ width, height, pointer: 'finger', density: device.density });
});

test('however it is held, there is always something of the viewport', () => {
  for (const device of CATALOGUE)
    for (const part of PARTS)
      for (const turned of [false, true]) {
        const { width, height } = viewportOn(device, { turned, part });
        expect(Math.min(width, height)).toBeGreaterThan(0);
      }
});

const device: fc.Arbitrary<Device> = fc
  .record({
    id: fc.constant('dx'),
    name: fc.string({ minLength: 1, maxLength: 20 }).filter((name) => name.trim() === name && name !== ''),
    group: fc.constantFrom(...DEVICE_GROUPS),
    width: fc.integer({ min: 120, max: 6000 }),
    height: fc.integer({ min: 120, max: 6000 }),
    density: fc.constantFrom(0.5, 1, 2.625, 6),
    pointer: fc.constantFrom(...POINTERS),
    scrollbar: fc.constantFrom(...SCROLLBARS),
    bars: fc.constantFrom(0, 20),
    turns: fc.boolean(),
    scheme: fc.option(fc.constantFrom(...SCHEMES), { nil: undefined }),
    motion: fc.option(fc.constantFrom(...MOTIONS), { nil: undefined }),
    text: fc.option(fc.constantFrom(1, 1.3, 2), { nil: undefined }),
  })
  .map((one) => JSON.parse(JSON.stringify(one)) as Device);
const devices = fc.uniqueArray(device, { minLength: 1, maxLength: 6, selector: ({ name }) => name });

test('a table that is written is read back the same, as CSV and as JSON', () => {
  fc.assert(
    fc.property(devices, (list) => {
      const plain = list.map(({ id: _, ...rest }) => rest);
      for (const text of [writeDeviceCsv(list), writeDeviceJson(list)])
        expect(readDeviceTable(text)).toEqual({ devices: plain, problems: [] });
    }),
  );
});

test('a short table is enough, with semicolons and capitals; the rest is what is usual', () => {
  const {
    devices: [one, other],
    problems,
  } = readDeviceTable('\uFEFFName;Width;HEIGHT\r\nKiosk;1080;1920\r\n\r\n"A ""thin"" one";320;600\r\n');
  expect(problems).toEqual([]);
  expect(one).toMatchObject({ name: 'Kiosk', group: 'tablet', pointer: 'finger', density: 1, bars: 0, turns: true });
  expect(other).toMatchObject({ name: 'A "thin" one', group: 'phone' });
});

test.each([
  ['', /nothing in this table/],
  ['name,width\nA,300', /no column called height\. Its columns are: name, width/],
  ['name,width,height', /no device in this table/],
  ['name,width,height\nA,0,600', /Row 2 \(A\), width: The width of a device is at least 120 px/],
  ['name,width,height\nA,300,600\nB,50000,600', /Row 3 \(B\), width: .* at most 6000 px/],
  ['name,width,height\nA,wide,600', /Row 2 \(A\), width: A device needs a width in px/],
  ['name,width,height\nA,300.5,600', /whole px/],
  ['name,width,height\nA,300,600\nA,400,700', /Row 3 \(A\): Row 2 has the same name/],
  ['name,width,height,pointer\nA,300,600,paw', /pointer: A pointer is mouse, finger or remote/],
  ['name,width,height,bars\nA,300,600,550', /bars would leave/],
  ['name,width,height\n"A,300,600', /Row 2/],
  ['[{"name": "A"}]', /Device 1 \(A\), width/],
  ['[1, 2', /not readable as JSON/],
  ['{"things": []}', /list of devices/],
  [`name,width,height\n${Array.from({ length: 501 }, (_, i) => `D${i},300,600`).join('\n')}`, /at most 500/],
])('what is wrong with a table is said with its place, and nothing is taken over: %#', (text, words) => {
  const { devices: none, problems } = readDeviceTable(text);
  expect(none).toEqual([]);
  expect(problems.join('\n')).toMatch(words);
});
