'use client';

import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { memo } from 'react';
import { COMMANDS } from '../commands/commands';
import { keysOf, useKeyChoices } from '../input/key-choices';
import { keyText } from '../input/key-text';
import { useSession } from '../state/store';
import { BUTTON, MENU } from '../theme/controls';

const SHOWN = [
  'siblings',
  'alike',
  'outer',
  'group',
  'ungroup',
  'earlier',
  'later',
  'earlier-here',
  'later-here',
  'out',
  'in',
  'copy',
  'cut',
  'paste',
  'duplicate',
  'block',
  'alternates',
  'panel',
  'make-part',
  'part-apart',
  'lock',
  'remove',
];

/** What can be done with what is selected, by mouse, each with its key. */
export const ArrangeMenu = memo(function ArrangeMenu() {
  const choices = useKeyChoices();
  const shown = SHOWN.flatMap((wanted) => COMMANDS.filter(({ id }) => id === wanted)).map((command) => ({
    ...command,
    keys: keysOf(command, choices),
  }));
  const none = useSession((session) => session.selection.length === 0);
  return (
    <Menu as="div" className="ml-auto">
      <MenuButton className={`${BUTTON} ml-auto !px-1 text-xs`}>Arrange</MenuButton>
      <MenuItems anchor="bottom start" className={`${MENU} w-80`}>
        {shown.map(({ id, title, keys, run }) => (
          <MenuItem key={id} disabled={none && id !== 'paste'}>
            <button
              type="button"
              className="flex w-full justify-between gap-4 rounded-[3px] border-0 bg-transparent px-2 py-1 text-left data-disabled:opacity-50 data-focus:bg-reed-tint"
              // After the menu has given the focus back.
              onClick={() => setTimeout(run, 0)}
            >
              {title} <span className="shrink-0 font-mono text-muted">{keys[0] && keyText(keys[0])}</span>
            </button>
          </MenuItem>
        ))}
      </MenuItems>
    </Menu>
  );
});
