'use client';

import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { useEffect, useRef, useState } from 'react';
import type { Keeper } from '../input/key-choices';
import { chooseKeys, conflictsIn, keeperOf, keptIn, keysOf, readKeys, USUAL_KEYS, useKeyChoices } from '../input/key-choices';
import { keyText } from '../input/key-text';
import { BUTTON } from '../theme/controls';
import { saveFile } from '../devices/save-file';
import type { Command } from './command';
import { COMMANDS } from './commands';
import { keysDialog } from './dialogs';
import { nameOf } from './keys';

const KEEPERS: Readonly<Record<Keeper, string>> = {
  controls: 'stays with fields, lists and buttons',
  'around the page': 'stays with lists and buttons, and runs it only while the page has the focus',
  browser: 'stays with the browser',
  'no key': 'can’t be told from others',
};

/** Every command with the keys that run it: changed, taken away, kept in a file. They are kept in this browser. */
export function KeysDialog() {
  const [open, setOpen] = useState(false);
  const [query, setQuery] = useState('');
  useEffect(() => {
    keysDialog.open = () => setOpen(true);
  }, []);
  const choices = useKeyChoices();
  const conflicts = conflictsIn(COMMANDS, choices);
  const kept = keptIn(COMMANDS, choices);
  const words = query.toLowerCase().split(/\s+/).filter(Boolean);
  const found = COMMANDS.filter(({ title, group }) => words.every((word) => `${title} ${group}`.toLowerCase().includes(word)));
  return (
    <Dialog open={open} onClose={() => setOpen(false)} className="fixed inset-0 z-50">
      <div className="absolute inset-0 bg-ink/30" aria-hidden />
      <div className="absolute inset-0 flex justify-center p-8">
        <DialogPanel className="flex max-h-full w-[620px] flex-col self-start rounded-[6px] border border-line-strong bg-sheet p-4">
          <DialogTitle className="m-0 text-[15px] font-bold">Keys</DialogTitle>
          <label className="flex min-h-6 items-center gap-2 pt-2">
            <input
              type="checkbox"
              className="accent-reed"
              checked={choices.characters}
              onChange={(event) => chooseKeys({ ...choices, characters: event.target.checked })}
            />
            Letters, digits and signs by themselves are keys
          </label>
          <p className="m-0 pb-2 text-muted">
            Without it only keys with Ctrl or Alt run commands; all commands stay in the list under View.
          </p>
          {conflicts.size > 0 && (
            <p role="alert" className="m-0 mb-2 rounded-[4px] border border-rust bg-rust-tint px-2 py-1">
              {[...conflicts]
                .map(([key, some]) => `${keyText(key)}: ${some.map(({ title }) => title).join(', and ')}`)
                .join('. ')}
              . The first has it.
            </p>
          )}
          {kept.length > 0 && (
            <p role="alert" className="m-0 mb-2 rounded-[4px] border border-amber bg-amber-tint px-2 py-1">
              {kept.map(({ key, command, keeper }) => `${keyText(key)} for “${command.title}” ${KEEPERS[keeper]}`).join('. ')}.
            </p>
          )}
          <input
            aria-label="Find a command"
            placeholder="Find a command"
            className="mb-2 rounded-[4px] border border-edge bg-well px-2 py-1"
            value={query}
            onChange={(event) => setQuery(event.target.value)}
          />
          <ul aria-label="Commands" className="m-0 min-h-0 flex-1 list-none overflow-auto border-y border-line p-0">
            {found.map((command) => (
              <KeyRow
                key={command.id}
                command={command}
                inConflict={keysOf(command, choices).some((key) => conflicts.has(key) || kept.some((one) => one.key === key))}
              />
            ))}
          </ul>
          <Files close={() => setOpen(false)} />
        </DialogPanel>
      </div>
    </Dialog>
  );
}

function KeyRow({ command, inConflict }: { command: Command; inConflict: boolean }) {
  const choices = useKeyChoices();
  const [asking, setAsking] = useState(false);
  const [refused, setRefused] = useState<string>();
  const isOwn = command.id in choices.own;
  const set = (keys: readonly string[] | undefined) => {
    const { [command.id]: _, ...others } = choices.own;
    chooseKeys({ ...choices, own: keys ? { ...others, [command.id]: [...keys] } : others });
  };
  const keys = keysOf(command, choices);
  return (
    <li className="flex min-h-7 flex-wrap items-center gap-2 py-0.5" data-command={command.id}>
      <span className="min-w-0 flex-1">
        {command.title} <span className="text-muted">· {command.group}</span>
      </span>
      <span className={`font-mono ${inConflict ? 'text-rust' : 'text-muted'}`}>{keys.map(keyText).join(' or ') || 'none'}</span>
      <button
        type="button"
        className={BUTTON}
        aria-label={`New key for ${command.title}`}
        onClick={() => {
          setRefused(undefined);
          setAsking(!asking);
        }}
        onBlur={() => setAsking(false)}
        onKeyDown={(event) => {
          if (!asking || event.key === 'Tab') return;
          const { key, shiftKey: shift, altKey: alt } = event;
          const name = nameOf({ key, ctrl: event.ctrlKey || event.metaKey, shift, alt });
          const keeper = keeperOf(name);
          if (keeper === 'no key') return;
          event.preventDefault();
          event.stopPropagation();
          setAsking(false);
          if (event.key === 'Escape') return;
          const isRefused = keeper === 'controls' || keeper === 'browser';
          setRefused(isRefused ? `${keyText(name)} ${KEEPERS[keeper]}. Nothing was changed.` : undefined);
          if (!isRefused) set([name]);
        }}
      >
        {asking ? 'Press a key …' : 'Change'}
      </button>
      <button
        type="button"
        className={BUTTON}
        aria-label={`No key for ${command.title}`}
        disabled={keys.length === 0}
        onClick={() => set([])}
      >
        None
      </button>
      <button
        type="button"
        className={BUTTON}
        aria-label={`Usual key for ${command.title}`}
        disabled={!isOwn}
        onClick={() => set(undefined)}
      >
        Usual
      </button>
      {refused && (
        <p role="alert" className="m-0 w-full pb-0.5 text-rust">
          {refused}
        </p>
      )}
    </li>
  );
}

function Files({ close }: { close: () => void }) {
  const choices = useKeyChoices();
  const [problem, setProblem] = useState<string>();
  const file = useRef<HTMLInputElement>(null);
  const take = async (chosen: File | undefined) => {
    if (!chosen) return;
    const read = readKeys(await chosen.text());
    setProblem(read ? undefined : `“${chosen.name}” holds no keys of Mill Pond’s. Nothing was changed.`);
    if (read) chooseKeys(read);
  };
  return (
    <div className="flex flex-wrap items-center gap-2 pt-3">
      <button
        type="button"
        className={BUTTON}
        onClick={() => saveFile('mill-pond-keys.json', 'application/json', JSON.stringify(choices, null, 2))}
      >
        Save as a file
      </button>
      <button type="button" className={BUTTON} onClick={() => file.current?.click()}>
        Take from a file …
      </button>
      <input
        ref={file}
        type="file"
        accept="application/json,.json"
        aria-label="File of keys"
        className="hidden"
        onChange={(event) => void take(event.target.files?.[0])}
      />
      <button type="button" className={BUTTON} onClick={() => chooseKeys(USUAL_KEYS)}>
        All as usual
      </button>
      <button type="button" className={`${BUTTON} ml-auto`} onClick={close}>
        Close
      </button>
      {problem && (
        <p role="alert" className="m-0 w-full text-rust">
          {problem}
        </p>
      )}
    </div>
  );
}
