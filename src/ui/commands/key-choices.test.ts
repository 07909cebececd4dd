import { keyText } from '../input/key-text';
import { COMMANDS } from './commands';
import { runKey } from './keys';
import { useSession } from '../state/store';
import {
  chooseKeys,
  conflictsIn,
  isCharacter,
  keeperOf,
  keptIn,
  keySign,
  keysOf,
  readKeys,
  USUAL_KEYS,
} from '../input/key-choices';

const named = (id: string) => COMMANDS.find((one) => one.id === id)!;
const press = (key: string, ctrl = false) => runKey({ key, ctrl, shift: false, alt: false });

beforeAll(() => {
  const kept = new Map<string, string>();
  globalThis.localStorage = {
    getItem: (name: string) => kept.get(name) ?? null,
    setItem: (name: string, value: string) => kept.set(name, value),
  } as unknown as Storage;
});
afterEach(() => chooseKeys(USUAL_KEYS));

test('usually no key runs two commands', () => {
  expect(conflictsIn(COMMANDS, USUAL_KEYS).size).toBe(0);
});

test('characters are told from keys with Ctrl or Alt, and from keys that write nothing', () => {
  for (const key of ['b', 'Shift+b', '?', '+', 'Shift++', '1']) expect(isCharacter(key)).toBe(true);
  for (const key of ['Ctrl+z', 'Alt+ArrowLeft', 'Delete', 'Shift+Enter', 'Ctrl+Shift+z']) expect(isCharacter(key)).toBe(false);
});

test('without characters no letter runs anything, and Ctrl does as before', () => {
  chooseKeys({ ...USUAL_KEYS, characters: false });
  const before = useSession.getState().panel;
  expect(press('f')).toBe(false);
  expect(useSession.getState().panel).toBe(before);
  expect(press('z', true)).toBe(true);
});

test('another key runs a command, and the usual one no longer', () => {
  chooseKeys({ characters: true, own: { findings: ['Ctrl+j'], set: [] } });
  expect(press('f')).toBe(false);
  expect(press('g')).toBe(false);
  expect(press('j', true)).toBe(true);
  expect(useSession.getState().panel).toBe('findings');
});

test('a key that two commands want is told, and the first has it', () => {
  const choices = { characters: true, own: { findings: ['b'] } };
  expect([...conflictsIn(COMMANDS, choices)].map(([key, some]) => [key, some.map(({ id }) => id)])).toEqual([
    ['b', ['breakpoint-here', 'findings']],
  ]);
  expect(keysOf(named('findings'), choices)).toEqual(['b']);
});

test('keys that controls, the browser or nobody give away are told, with the command they would not run', () => {
  for (const key of ['Home', 'Shift+End', ' ', 'Shift+Tab', 'PageUp']) expect(keeperOf(key)).toBe('controls');
  for (const key of ['ArrowUp', 'Shift+Enter', 'Escape']) expect(keeperOf(key)).toBe('around the page');
  for (const key of ['Ctrl+w', 'Ctrl+Shift+n', 'Ctrl+Tab']) expect(keeperOf(key)).toBe('browser');
  expect(keeperOf('Shift+Dead')).toBe('no key');
  for (const key of ['Ctrl+Home', 'Alt+ArrowUp', 'Ctrl+Enter', 'F6', 'Ctrl++', 'w']) expect(keeperOf(key)).toBeUndefined();
  const choices = { characters: true, own: { findings: ['Home', 'F8'], set: ['ArrowUp'] } };
  expect(keptIn(COMMANDS, choices).map(({ key, command, keeper }) => [key, command.id, keeper])).toEqual([
    ['ArrowUp', 'set', 'around the page'],
    ['Home', 'findings', 'controls'],
  ]);
});

test('no usual key is kept by anybody else, but for those of the page', () => {
  const own = Object.fromEntries(COMMANDS.map(({ id, keys }) => [id, [...keys]]));
  const kept = keptIn(COMMANDS, { characters: true, own }).filter(({ keeper }) => keeper !== 'around the page');
  expect(kept.map(({ key }) => key)).toEqual([]);
});

test('the space bar has a name', () => {
  expect([keyText(' '), keyText('Shift+ ')]).toEqual(['Space', 'Shift Space']);
});

test('the key of a command is said as it is now', () => {
  expect(keySign('mark-columns')).toBe('C');
  chooseKeys({ characters: true, own: { 'mark-columns': ['Ctrl+j'] } });
  expect(keySign('mark-columns')).toBe('Ctrl J');
  chooseKeys({ characters: false, own: {} });
  expect(keySign('mark-columns')).toBe('');
});

test('what a file says is taken only if it is keys', () => {
  const choices = { characters: false, own: { undo: ['Ctrl+u'] } };
  expect(readKeys(JSON.stringify(choices))).toEqual(choices);
  for (const text of [
    '',
    '{',
    '[]',
    '{"characters":1,"own":{}}',
    '{"characters":true,"own":{"undo":"z"}}',
    '{"characters":true,"own":{},"more":1}',
  ])
    expect(readKeys(text)).toBeUndefined();
});
