import { z } from 'zod';
import { create } from 'zustand';
import { keyText } from './key-text';

/* Which keys run which commands in this browser, where that isn't as usual. */

const KEYS_MOST = 4;

export const keyChoicesSchema = z.strictObject({
  /** Whether characters without Ctrl or Alt are keys (WCAG 2.2, 2.1.4). */
  characters: z.boolean(),
  /** By command. */
  own: z.record(z.string().max(60), z.array(z.string().min(1).max(40)).max(KEYS_MOST)),
});
export type KeyChoices = z.infer<typeof keyChoicesSchema>;

export const USUAL_KEYS: KeyChoices = { characters: true, own: {} };

export const useKeyChoices = create<KeyChoices>(() => USUAL_KEYS);

const STORED = 'mill-pond-keys';

export function chooseKeys(next: KeyChoices): void {
  useKeyChoices.setState(next, true);
  localStorage.setItem(STORED, JSON.stringify(next));
}

/** Takes up what was chosen in this browser; what can't be read counts as nothing. */
export function recallKeys(): void {
  const kept = readKeys(localStorage.getItem(STORED) ?? '');
  if (kept) useKeyChoices.setState(kept, true);
}

/** Choices that were written to a file. @returns undefined where the text says none */
export function readKeys(text: string): KeyChoices | undefined {
  try {
    return keyChoicesSchema.parse(JSON.parse(text));
  } catch {
    return undefined;
  }
}

/** Whether a key only writes a character: such keys are pressed by mistake, and said by those who dictate. */
export function isCharacter(key: string): boolean {
  const parts = key.split(/\+(?=.)/);
  return parts[parts.length - 1]!.length === 1 && !parts.includes('Ctrl') && !parts.includes('Alt');
}

/** Who has a key before any command: controls everywhere, controls around the page, the browser, or nobody can press it. */
export type Keeper = 'controls' | 'around the page' | 'browser' | 'no key';

const NO_KEY = /^(Shift|Control|Alt|AltGraph|Meta|OS|CapsLock|NumLock|ScrollLock|Fn|FnLock|Dead|Process|Unidentified|Compose)$/;
/** What browsers don't give away: other windows and tabs, and closing them. */
const BROWSERS = /^Ctrl\+(Shift\+)?[nwt]$|^Ctrl\+(Shift\+)?(Tab|PageUp|PageDown)$|^Alt\+(F4|Tab)$/;

/** Who keeps a key, so that a command that it is given to isn't run by it, or not everywhere; undefined where nobody does. */
export function keeperOf(name: string): Keeper | undefined {
  const parts = name.split(/\+(?=.)/);
  const key = parts[parts.length - 1]!;
  if (NO_KEY.test(key)) return 'no key';
  if (BROWSERS.test(name)) return 'browser';
  if (parts.includes('Ctrl') || parts.includes('Alt')) return undefined;
  if (/^(Home|End|PageUp|PageDown| |Tab)$/.test(key)) return 'controls';
  return /^(Arrow.*|Enter|Escape)$/.test(key) ? 'around the page' : undefined;
}

export interface Keyed {
  readonly id: string;
  readonly keys: readonly string[];
}

/** The keys that run a command now. */
export function keysOf({ id, keys }: Keyed, { characters, own }: KeyChoices): readonly string[] {
  const mine = own[id] ?? keys;
  return characters ? mine : mine.filter((key) => !isCharacter(key));
}

/** For each key that would run more than one command, the commands; the first of them has it. */
export function conflictsIn<T extends Keyed>(commands: readonly T[], choices: KeyChoices): ReadonlyMap<string, readonly T[]> {
  const users = new Map<string, T[]>();
  for (const command of commands)
    for (const key of keysOf(command, choices)) users.set(key, [...(users.get(key) ?? []), command]);
  return new Map([...users].filter(([, some]) => some.length > 1));
}

/** Keys that were given to commands and don't run them, or not everywhere, with who keeps them. */
export function keptIn<T extends Keyed>(
  commands: readonly T[],
  choices: KeyChoices,
): { key: string; command: T; keeper: Keeper }[] {
  return commands.flatMap((command) =>
    (choices.own[command.id] ?? []).flatMap((key) => {
      const keeper = keeperOf(key);
      return keeper ? [{ key, command, keeper }] : [];
    }),
  );
}

const known = new Map<string, Keyed>();

/** Makes commands known by their keys to whoever stands before them. */
export function knowKeys(commands: readonly Keyed[]): void {
  for (const one of commands) known.set(one.id, one);
}

/** The key that runs a command now, as it is written; empty where there is none. */
export function keySign(id: string, choices: KeyChoices = useKeyChoices.getState()): string {
  const command = known.get(id);
  const [key] = command ? keysOf(command, choices) : [];
  return key ? keyText(key) : '';
}

export const useKeySign = (id: string): string => keySign(id, useKeyChoices());

/** " (B)": the same, behind the words of a command. */
export function useKeyHint(id: string): string {
  const sign = useKeySign(id);
  return sign && ` (${sign})`;
}
