import { useSession, useMarks } from '../state/store';

import { COMMANDS } from './commands';
import { keyText } from '../input/key-text';
import { releaseKey, runKey } from './keys';

const key = (name: string) => {
  const parts = name.split(/\+(?=.)/);
  const has = (one: string) => parts.slice(0, -1).includes(one);
  return { key: parts.at(-1)!, ctrl: has('Ctrl'), shift: has('Shift'), alt: has('Alt') };
};

test('every key runs one command only, and every command has a name of its own', () => {
  const keys = COMMANDS.flatMap((command) => command.keys);
  expect(keys.filter((one, i) => keys.indexOf(one) !== i)).toEqual([]);
  for (const what of ['id', 'title'] as const) {
    const names = COMMANDS.map((command) => command[what]);
    expect(names.filter((one, i) => names.indexOf(one) !== i)).toEqual([]);
  }
});

test('keys are written so that pressing them finds their command again', () => {
  for (const { keys } of COMMANDS)
    for (const name of keys) {
      const { key: plain, ctrl, shift, alt } = key(name);
      expect(`${ctrl ? 'Ctrl+' : ''}${shift ? 'Shift+' : ''}${alt ? 'Alt+' : ''}${plain}`).toBe(name);
      expect(keyText(name)).not.toMatch(/undefined/);
    }
});

test('what is shown while a key is held goes when it is let go of', () => {
  expect(runKey(key('d'))).toBe(true);
  expect(useSession.getState().distancesShown).toBe(true);
  releaseKey('x');
  expect(useSession.getState().distancesShown).toBe(true);
  releaseKey('D');
  expect(useSession.getState().distancesShown).toBe(false);
});

test('views are switched by keys and back', () => {
  globalThis.localStorage = { setItem: () => undefined } as unknown as Storage;
  useSession.setState({ gaugeView: 'lanes' });
  for (const [name, read] of [
    ['c', () => useMarks.getState().columns],
    ['i', () => useSession.getState().paletteOpen],
    ['t', () => useSession.getState().gaugeView],
    ['Shift+j', () => useSession.getState().gaugeView],
  ] as const) {
    const before = read();
    runKey(key(name));
    expect(read()).not.toBe(before);
    runKey(key(name));
    expect(read()).toBe(before);
  }
  expect(runKey(key('Ctrl+Alt+x'))).toBe(false);
});
