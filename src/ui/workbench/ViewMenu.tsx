'use client';

import { memo } from 'react';
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { dialog, keysDialog } from '../commands/commands';
import { useKeyHint } from '../input/key-choices';
import type { PanelName } from '../state/panels-slice';
import { usePanels } from '../state/store';
import { BAR_BUTTON } from '../theme/controls';
import { setPanel } from './panels';

const PANELS: readonly (readonly [PanelName, string])[] = [
  ['outline', 'Elements'],
  ['inspector', 'Values and findings'],
  ['gauge', 'Gauge'],
];

/** What of the workbench is to be seen. */
export const ViewMenu = memo(function ViewMenu() {
  const panels = usePanels();
  const hint = useKeyHint('commands');
  return (
    <Menu>
      <MenuButton className={BAR_BUTTON}>View</MenuButton>
      <MenuItems
        anchor="bottom end"
        className="z-40 min-w-44 rounded-[4px] border border-line-strong bg-sheet p-1 text-sm focus:outline-none"
      >
        {PANELS.map(([name, label]) => (
          <MenuItem key={name}>
            <button
              type="button"
              className="block w-full rounded-[3px] border-0 bg-transparent px-2 py-1 text-left data-focus:bg-reed-tint"
              onClick={() => setPanel(name, { open: !panels[name].open })}
            >
              {panels[name].open ? 'Fold away' : 'Show'}: {label}
            </button>
          </MenuItem>
        ))}
        <MenuItem>
          <button
            type="button"
            className="block w-full rounded-[3px] border-0 bg-transparent px-2 py-1 text-left data-focus:bg-reed-tint"
            onClick={() => setTimeout(() => dialog.toggle(), 0)}
          >
            Commands and keys{hint}
          </button>
        </MenuItem>
        <MenuItem>
          <button
            type="button"
            className="block w-full rounded-[3px] border-0 bg-transparent px-2 py-1 text-left data-focus:bg-reed-tint"
            onClick={() => setTimeout(() => keysDialog.open(), 0)}
          >
            Change keys …
          </button>
        </MenuItem>
      </MenuItems>
    </Menu>
  );
});
