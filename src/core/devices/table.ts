import Papa from 'papaparse';
import type { Device, DeviceGroup } from './device';
import { deviceSchema } from './device';

/** The columns of a table of devices; those with a value here may be left out. */
const COLUMNS = {
  name: undefined,
  width: undefined,
  height: undefined,
  group: '',
  density: '1',
  pointer: '',
  scrollbar: 'overlay',
  bars: '0',
  turns: '',
  scheme: '',
  motion: '',
  text: '',
} as const;
type Column = keyof typeof COLUMNS;
const NAMES = Object.keys(COLUMNS) as Column[];
const NUMBERS: readonly Column[] = ['width', 'height', 'density', 'bars', 'text'];

/** Groups of which most are pointed at with a finger, and turned. */
const IN_HAND: readonly DeviceGroup[] = ['watch', 'phone', 'folding', 'tablet'];

/** Characters and rows that a table has at most. */
const TEXT_MOST = 400_000;
const ROWS_MOST = 500;

export interface ReadDevices {
  readonly devices: readonly Omit<Device, 'id'>[];
  /** What is wrong, with the row where it is; nothing is to be taken over then. */
  readonly problems: readonly string[];
}

const fail = (problem: string): ReadDevices => ({ devices: [], problems: [problem] });

/**
 * Devices from a table as CSV (RFC 4180; the first row names the columns; commas or semicolons) or as a JSON array of objects
 * with the same names. Needed are name, width and height; the rest has a usual value.
 */
export function readDeviceTable(text: string): ReadDevices {
  if (text.length > TEXT_MOST) return fail(`A table of devices has at most ${TEXT_MOST} characters.`);
  const start = text.trimStart();
  if (start === '') return fail('There is nothing in this table.');
  return start.startsWith('[') || start.startsWith('{') ? readJson(text) : readCsv(text.replace(/^\uFEFF/, ''));
}

function readJson(text: string): ReadDevices {
  let input: unknown;
  try {
    input = JSON.parse(text);
  } catch (error) {
    return fail(`This is not readable as JSON: ${error instanceof Error ? error.message : 'unknown reason'}.`);
  }
  const list = Array.isArray(input) ? input : (input as { devices?: unknown }).devices;
  if (!Array.isArray(list)) return fail('The JSON must be a list of devices, or an object with a list called "devices".');
  const rows = list.map((row): Record<string, unknown> => (typeof row === 'object' && row !== null ? row : {}));
  return collect(rows, (index) => `Device ${index + 1}`);
}

function readCsv(text: string): ReadDevices {
  const { data, errors, meta } = Papa.parse<Record<string, string>>(text, {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (name) => name.trim().toLowerCase(),
    delimitersToGuess: [',', ';', '\t'],
  });
  const fields = meta.fields ?? [];
  const missing = NAMES.filter((name) => COLUMNS[name] === undefined && !fields.includes(name));
  if (missing.length > 0)
    return fail(`The table has no column called ${missing.join(', ')}. Its columns are: ${fields.join(', ') || 'none'}.`);
  const broken = errors.find(({ type }) => type === 'Quotes' || type === 'FieldMismatch');
  // Rows that don't fit their head are counted from the first device, broken quotes from the head.
  if (broken) return fail(`Row ${(broken.row ?? 0) + (broken.type === 'Quotes' ? 1 : 2)}: ${broken.message}.`);
  const rows = data.map((row) =>
    Object.fromEntries(Object.entries(row).flatMap(([name, value]) => (value.trim() === '' ? [] : [[name, value.trim()]]))),
  );
  return collect(rows, (index) => `Row ${index + 2}`);
}

/** A group from its size, where none is given. */
function likelyGroup(width: number, height: number): Device['group'] {
  const least = Math.min(width, height);
  if (least < 280) return 'watch';
  if (least < 560) return 'phone';
  return width < 1100 && least < 1100 ? 'tablet' : width < 1750 ? 'notebook' : 'desktop';
}

function truth(value: unknown): unknown {
  if (typeof value !== 'string') return value;
  if (/^(yes|true|1)$/i.test(value)) return true;
  return /^(no|false|0)$/i.test(value) ? false : value;
}

function collect(rows: readonly Record<string, unknown>[], where: (index: number) => string): ReadDevices {
  if (rows.length === 0) return fail('There is no device in this table.');
  if (rows.length > ROWS_MOST) return fail(`A table has at most ${ROWS_MOST} devices; this one has ${rows.length}.`);
  const devices: Omit<Device, 'id'>[] = [];
  const problems: string[] = [];
  const names = new Map<string, number>();
  rows.forEach((row, index) => {
    const given: Record<string, unknown> = {};
    for (const name of NAMES) {
      const value = row[name];
      if (value === undefined || value === '') continue;
      given[name] = NUMBERS.includes(name) && typeof value === 'string' ? Number(value) : value;
    }
    const group = given.group ?? likelyGroup(Number(given.width), Number(given.height));
    const hand = IN_HAND.some((one) => one === group);
    const device = {
      id: 'dread',
      group,
      density: 1,
      pointer: group === 'television' ? 'remote' : hand ? 'finger' : 'mouse',
      scrollbar: 'overlay',
      bars: 0,
      ...given,
      turns: truth(given.turns ?? (hand && group !== 'watch')),
    };
    const result = deviceSchema.safeParse(device);
    const called = typeof given.name === 'string' ? `${where(index)} (${given.name.slice(0, 40)})` : where(index);
    if (!result.success) {
      const { path, message } = result.error.issues[0]!;
      return problems.push(`${called}${path.length ? `, ${path.join('.')}` : ''}: ${message}`);
    }
    const { id: _, ...rest } = result.data as Device;
    const same = names.get(rest.name);
    if (same !== undefined) return problems.push(`${called}: ${where(same)} has the same name.`);
    names.set(rest.name, index);
    return devices.push(rest);
  });
  return { devices: problems.length > 0 ? [] : devices, problems };
}

const record = (device: Device) =>
  Object.fromEntries(NAMES.flatMap((name) => (device[name] === undefined ? [] : [[name, device[name]]])));

/** Devices as CSV (RFC 4180) with all columns; `readDeviceTable` reads it back the same. */
export function writeDeviceCsv(devices: readonly Device[]): string {
  const rows = devices.map((device) =>
    NAMES.map((name) => (name === 'turns' ? (device.turns ? 'yes' : 'no') : (device[name] ?? ''))),
  );
  return `${Papa.unparse({ fields: NAMES, data: rows }, { newline: '\r\n', escapeFormulae: false })}\r\n`;
}

export function writeDeviceJson(devices: readonly Device[]): string {
  return `${JSON.stringify({ devices: devices.map(record) }, undefined, 2)}\n`;
}
