'use client';

import type { PanelName } from '../state/panels-slice';
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import Link from 'next/link';
import { showPage } from '../view/actions';
import { redo, undo } from '../editing/edits';
import { shownPage, useSession, usePanels, MODES } from '../state/store';
import { dialog } from '../commands/commands';
import type { Mode } from '../state/store';
import { showMode } from '../devices/line-up';
import { Mark } from '../theme/Mark';

import { setPanel } from './panels';

const SAVING = {
  saved: 'All saved',
  saving: 'Saving …',
  waiting: 'The server does not answer; your edits are kept and sent again',
} as const;
const ALONE = "No connection; others' edits will come in when it is back";
const PANELS: readonly (readonly [PanelName, string])[] = [
  ['outline', 'Elements'],
  ['inspector', 'Values and findings'],
  ['gauge', 'Gauge'],
];

const MODE_NAMES: Readonly<Record<Mode, string>> = { shape: 'Shape', lineup: 'Line up', audit: 'Audit' };

const button =
  'rounded-[4px] border border-line-strong bg-sheet px-2.5 py-1 font-semibold hover:bg-paper disabled:text-muted disabled:opacity-60';

/** Where one is, whether all is saved, and what concerns the whole project. */
export function TopBar() {
  const project = useSession((session) => session.project);
  const page = useSession(shownPage);
  const saving = useSession((session) => session.saving);
  const alone = useSession((session) => !session.connected) && saving === 'saved';
  const canUndo = useSession((session) => session.history.undo.length > 0);
  const canRedo = useSession((session) => session.history.redo.length > 0);
  const panels = usePanels();
  const view = useSession((session) => session.mode);
  const faults = useSession((session) => session.findings[session.pageId]?.length ?? 0);
  return (
    <header className="flex h-10 shrink-0 items-center gap-3 border-b border-line bg-sheet px-3.5">
      <Link href="/" className="flex items-center gap-2.5 font-bold text-ink no-underline">
        <Mark /> Mill Pond
      </Link>
      <span className="truncate text-muted">{project.name} /</span>
      <Menu>
        <MenuButton
          className="flex items-center gap-1 rounded-[4px] border-0 bg-transparent px-1 py-0.5 font-bold hover:bg-paper"
          aria-label={`Page: ${page.name}. Change`}
        >
          {page.name} <span aria-hidden>▾</span>
        </MenuButton>
        <MenuItems
          anchor="bottom start"
          className="z-40 min-w-44 rounded-[4px] border border-line-strong bg-sheet p-1 text-sm focus:outline-none"
        >
          {project.pages.map((one) => (
            <MenuItem key={one.id}>
              <button
                type="button"
                className={`flex w-full justify-between gap-6 rounded-[3px] border-0 bg-transparent px-2 py-1 text-left data-focus:bg-reed-tint ${one.id === page.id ? 'font-bold' : ''}`}
                onClick={() => showPage(one.id)}
              >
                {one.name} <span className="font-mono font-normal text-muted">{one.slug}.html</span>
              </button>
            </MenuItem>
          ))}
        </MenuItems>
      </Menu>
      <nav aria-label="Views" className="ml-auto flex h-full gap-4">
        {MODES.map((one) => (
          <button
            key={one}
            type="button"
            aria-current={view === one ? 'page' : undefined}
            className={`h-full border-0 border-b-2 bg-transparent px-1 pt-0.5 whitespace-nowrap ${view === one ? 'border-reed font-semibold' : 'border-transparent text-muted hover:text-ink'}`}
            onClick={() => showMode(one)}
          >
            {MODE_NAMES[one]}
            {one === 'audit' && faults > 0 && <span className="pl-1 font-mono text-rust">{faults}</span>}
          </button>
        ))}
      </nav>
      <span
        className={`ml-auto truncate ${saving === 'waiting' || alone ? 'text-rust' : 'text-muted'}`}
        role="status"
        data-testid="saving"
      >
        {alone ? ALONE : SAVING[saving]}
      </span>
      <button type="button" className={button} disabled={!canUndo} onClick={undo}>
        Undo
      </button>
      <button type="button" className={button} disabled={!canRedo} onClick={redo}>
        Redo
      </button>
      <Menu>
        <MenuButton className={button}>View</MenuButton>
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
              Commands and keys (?)
            </button>
          </MenuItem>
        </MenuItems>
      </Menu>
      <a
        href={`/api/projects/${project.id}/export`}
        download
        className="rounded-[4px] bg-reed px-3 py-1 font-semibold text-on-reed no-underline"
      >
        Download HTML and CSS
      </a>
    </header>
  );
}
