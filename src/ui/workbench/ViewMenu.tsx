'use client';

import type { ReactNode } from 'react';
import { memo } from 'react';
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { dialog, keysDialog } from '../commands/dialogs';
import { useKeyHint } from '../input/key-choices';
import type { PanelName } from '../state/panels-slice';
import { usePanels } from '../state/store';
import { BAR_BUTTON, MENU_ITEM } from '../theme/controls';
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
          <Entry key={name} run={() => setPanel(name, { open: !panels[name].open })}>
            {panels[name].open ? 'Fold away' : 'Show'}: {label}
          </Entry>
        ))}
        {/* After the menu has given the focus back. */}
        <Entry run={() => setTimeout(() => dialog.toggle(), 0)}>Commands and keys{hint}</Entry>
        <Entry run={() => setTimeout(() => keysDialog.open(), 0)}>Change keys …</Entry>
      </MenuItems>
    </Menu>
  );
});

function Entry({ run, children }: { run: () => void; children: ReactNode }) {
  return (
    <MenuItem>
      <button type="button" className={MENU_ITEM} onClick={run}>
        {children}
      </button>
    </MenuItem>
  );
}
