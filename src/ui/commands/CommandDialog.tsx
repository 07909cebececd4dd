'use client';

import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions, Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { useEffect, useState } from 'react';
import { BUTTON } from '../theme/controls';
import { COMMANDS } from './commands';
import { dialog, keysDialog } from './dialogs';
import { keysOf, useKeyChoices } from '../input/key-choices';
import { keyText } from '../input/key-text';
import type { Command } from './command';

/** Every command with its keys; typing narrows the list, Enter runs. */
export function CommandDialog() {
  const [open, setOpen] = useState(false);
  const [query, setQuery] = useState('');
  const choices = useKeyChoices();
  useEffect(() => {
    dialog.toggle = () => setOpen((before) => !before);
  }, []);
  const close = () => {
    setOpen(false);
    setQuery('');
  };
  const words = query.toLowerCase().split(/\s+/).filter(Boolean);
  const found = COMMANDS.filter(({ title, group }) => words.every((word) => `${title} ${group}`.toLowerCase().includes(word)));
  return (
    <Dialog open={open} onClose={close} className="fixed inset-0 z-50">
      <div className="absolute inset-0 bg-ink/30" aria-hidden />
      <div className="absolute inset-0 flex justify-center p-8 pt-[10vh]">
        <DialogPanel className="flex max-h-[70vh] w-[520px] flex-col self-start rounded-[6px] border border-line-strong bg-sheet">
          <div className="flex items-baseline justify-between px-4 pt-3">
            <DialogTitle className="text-[15px] font-bold">Commands and keys</DialogTitle>
            <button
              type="button"
              className={BUTTON}
              onClick={() => {
                close();
                setTimeout(() => keysDialog.open(), 0);
              }}
            >
              Change keys …
            </button>
          </div>
          <Combobox<Command>
            onChange={(command) => {
              close();
              // After the dialog has given the focus back.
              if (command) setTimeout(command.run, 0);
            }}
          >
            <ComboboxInput
              autoFocus
              aria-label="Find a command"
              placeholder="Find a command"
              className="m-3 rounded-[4px] border border-edge bg-well px-2 py-1.5 text-ink"
              onChange={(event) => setQuery(event.target.value)}
            />
            <ComboboxOptions static className="min-h-0 overflow-auto px-2 pb-2">
              {found.map((command) => (
                <ComboboxOption
                  key={command.id}
                  value={command}
                  className="flex cursor-pointer items-center justify-between rounded-[4px] px-2 py-1 data-focus:bg-reed-tint"
                >
                  <span>
                    {command.title} <span className="text-muted">· {command.group}</span>
                  </span>
                  <span className="font-mono text-muted">{keysOf(command, choices).map(keyText).join(' or ')}</span>
                </ComboboxOption>
              ))}
              {found.length === 0 && <p className="px-2 py-3 text-muted">No command is called that.</p>}
            </ComboboxOptions>
          </Combobox>
        </DialogPanel>
      </div>
    </Dialog>
  );
}
