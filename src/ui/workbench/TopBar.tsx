'use client';

import { useEntries } from '../findings/entries';
import Link from 'next/link';
import { redo, undo } from '../editing/edits';
import { useSession, MODES } from '../state/store';
import type { Mode } from '../state/store';
import { showMode } from '../devices/line-up';
import { LooksMenu } from '../theme/LooksMenu';
import { Mark } from '../theme/Mark';
import { BAR_BUTTON } from '../theme/controls';
import { PageMenu } from './PageMenu';
import { ViewMenu } from './ViewMenu';

const SAVING = {
  saved: 'All saved',
  saving: 'Saving …',
  waiting: 'The server does not answer; your edits are kept and sent again',
} as const;
const ALONE = "No connection; others' edits will come in when it is back";
const MODE_NAMES: Readonly<Record<Mode, string>> = { pages: 'Pages', shape: 'Shape', lineup: 'Line up', audit: 'Audit' };

/** Where one is, whether all is saved, and what concerns the whole project. */
export function TopBar() {
  const id = useSession((session) => session.project.id);
  const name = useSession((session) => session.project.name);
  const view = useSession((session) => session.mode);
  const faults = useEntries().length;
  return (
    <header className="flex min-h-10 shrink-0 flex-wrap items-center gap-x-3 border-b border-line bg-sheet px-3.5 min-[900px]:flex-nowrap">
      <Link
        href="/"
        aria-label="Mill Pond: all projects"
        className="flex shrink-0 items-center gap-2.5 font-bold text-ink no-underline"
      >
        <Mark /> <span className="hidden whitespace-nowrap min-[1100px]:inline">Mill Pond</span>
      </Link>
      <span className="hidden min-w-0 truncate text-muted min-[1000px]:inline" title={name}>
        {name} /
      </span>
      <PageMenu />
      <nav aria-label="Views" className="ml-auto flex h-10 shrink-0 gap-2 min-[1100px]:gap-4">
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
      <Saved />
      <Steps />
      <ViewMenu />
      <LooksMenu className={BAR_BUTTON} />
      <a
        href={`/api/projects/${id}/export`}
        download
        aria-label="Download HTML and CSS"
        className="shrink-0 rounded-[4px] bg-reed px-3 py-1 font-semibold whitespace-nowrap text-on-reed no-underline"
      >
        Download<span className="hidden min-[1100px]:inline"> HTML and CSS</span>
      </a>
    </header>
  );
}

/** By itself, since it changes with every edit. */
function Saved() {
  const saving = useSession((session) => session.saving);
  const alone = useSession((session) => !session.connected) && saving === 'saved';
  return (
    <span
      className={`ml-auto min-w-0 truncate ${saving === 'waiting' || alone ? 'text-rust' : 'text-muted'}`}
      role="status"
      data-testid="saving"
    >
      {alone ? ALONE : SAVING[saving]}
    </span>
  );
}

function Steps() {
  const canUndo = useSession((session) => session.history.undo.length > 0);
  const canRedo = useSession((session) => session.history.redo.length > 0);
  return (
    <>
      <button type="button" className={BAR_BUTTON} disabled={!canUndo} onClick={undo}>
        Undo
      </button>
      <button type="button" className={BAR_BUTTON} disabled={!canRedo} onClick={redo}>
        Redo
      </button>
    </>
  );
}
