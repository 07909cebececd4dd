import { useSession } from '../state/store';
import type { Key, KeyHandling } from '../input/key-handling';
import { keeperOf, keysOf, useKeyChoices } from '../input/key-choices';
import { typedBefore } from '../stage/writing';
import { COMMANDS } from './commands';

export function nameOf({ key, ctrl, shift, alt }: Key): string {
  const plain = key.length === 1 ? key.toLowerCase() : key;
  return `${ctrl ? 'Ctrl+' : ''}${shift ? 'Shift+' : ''}${alt ? 'Alt+' : ''}${plain}`;
}

/** Runs the command of a key, wherever it was pressed. Returns whether there was one. */
export function runKey(key: Key): boolean {
  const name = nameOf(key);
  const choices = useKeyChoices.getState();
  const command = COMMANDS.find((one) => keysOf(one, choices).includes(name));
  command?.run();
  return command !== undefined;
}

/** A key that shows something while it's held is let go of. */
export function releaseKey(key: string): void {
  if (!useSession.getState().distancesShown) return;
  const held = COMMANDS.filter(({ id }) => id === 'distances').flatMap((one) => keysOf(one, useKeyChoices.getState()));
  // With what else a key was pressed may be let go of before it.
  if (held.some((one) => one.split('+').at(-1)!.toLowerCase() === key.toLowerCase()))
    useSession.setState({ distancesShown: false });
}

export const keyHandling: KeyHandling = { run: runKey, release: releaseKey };

const TYPING = 'input, textarea, select, [contenteditable]';
/** Keys without a modifier that controls use for themselves. */
const OWN =
  '[role=slider], [role=tree], [role=listbox], [role=menu], [role=tablist], [role=dialog]:not([data-aside]), [role=grid]';

/** What stands aside, as a dialog that shuts nothing off, has `data-aside`. */
export function handleKeyDown(event: KeyboardEvent): void {
  if (event.defaultPrevented || event.isComposing) return;
  const target = event.target instanceof Element ? event.target : undefined;
  const undoing = (event.ctrlKey || event.metaKey) && /^[zy]$/i.test(event.key);
  // A field that has been changed but not yet committed keeps its own undo.
  if (target?.closest(TYPING) && !(undoing && !target.closest('[data-dirty=true]'))) return;
  if (target?.closest('[role=dialog]:not([data-aside])')) return;
  // Words of the workbench that someone has marked are copied as words.
  if ((event.ctrlKey || event.metaKey) && /^[cx]$/i.test(event.key) && !(getSelection()?.isCollapsed ?? true)) return;
  const key = { key: event.key, ctrl: event.ctrlKey || event.metaKey, shift: event.shiftKey, alt: event.altKey };
  if (typedBefore(key)) return event.preventDefault();
  const bare = !key.ctrl && !key.alt;
  const onStage = target?.closest('[data-stage]') && !target.closest('[role=slider]');
  const keeper = keeperOf(nameOf(key));
  const isKept = keeper === 'controls' || (keeper === 'around the page' && !onStage);
  if (isKept && !(event.key === 'Escape' && target?.closest('[role=tree]'))) return;
  if (bare && target?.closest(OWN) && (event.key === 'Delete' || event.key === 'Backspace') && !target.closest('[role=tree]'))
    return;
  if (runKey(key)) event.preventDefault();
}
