'use client';

import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { useState } from 'react';
import { droppable } from '@/core/plans';
import { steadyPage, steadyProject, useSession } from '../state/store';
import { BAR_BUTTON, SIGN_BUTTON, YES_BUTTON } from '../theme/controls';
import { letDrop } from './drops';

const close = () => useSession.setState({ dropping: undefined });

/** What is asked before items of a row drop away: which, in which order, and whether into a menu. */
export function DropDialog() {
  const page = useSession(steadyPage);
  const id = useSession((session) => session.dropping);
  const row = id === undefined ? undefined : page.elements[id];
  return (
    <Dialog open={row !== undefined} onClose={close} className="relative z-50">
      <div className="fixed inset-0 bg-ink/30" aria-hidden />
      <div className="fixed inset-0 flex items-center justify-center p-6">
        <DialogPanel className="flex max-h-full w-[440px] flex-col rounded-[6px] border border-line-strong bg-sheet p-5">
          {row && <DropForm key={row.id} id={row.id} name={row.name} />}
        </DialogPanel>
      </div>
    </Dialog>
  );
}

interface Item {
  readonly id: string;
  readonly drops: boolean;
}

function DropForm({ id, name }: { id: string; name: string }) {
  const project = useSession(steadyProject);
  const page = useSession(steadyPage);
  // The last are the least important as a rule; the first stays.
  const [items, setItems] = useState<readonly Item[]>(() =>
    droppable(project, page, id)
      .toReversed()
      .map((one, i, all) => ({ id: one, drops: i < all.length - 1 })),
  );
  const [menu, setMenu] = useState(true);
  const [words, setWords] = useState('');
  const [busy, setBusy] = useState(false);
  const move = (at: number, by: number) => {
    const to = at + by;
    if (to < 0 || to >= items.length) return;
    setItems(items.toSpliced(at, 1).toSpliced(to, 0, items[at]!));
  };
  const apply = async () => {
    setBusy(true);
    setWords('Measuring where they no longer fit …');
    const wrong = await letDrop(id, { items: items.filter(({ drops }) => drops).map((one) => one.id), menu });
    setBusy(false);
    if (wrong) setWords(wrong);
    else close();
  };
  return (
    <form
      className="flex min-h-0 flex-col"
      onSubmit={(event) => {
        event.preventDefault();
        if (!busy) void apply();
      }}
    >
      <DialogTitle className="m-0 text-[16px] font-bold">Let items of {name} drop away</DialogTitle>
      <p className="my-2 text-muted">
        Each drops just where it no longer fits, the topmost first. Where that is gets measured, now and whenever something
        changes here.
      </p>
      <ol aria-label="Order in which items drop" className="m-0 min-h-0 flex-1 list-none overflow-auto p-0">
        {items.map((item, i) => (
          <li key={item.id} className="flex items-center gap-1.5 border-b border-line py-0.5">
            <label className="flex min-w-0 flex-1 items-center gap-1.5">
              <input
                type="checkbox"
                className="accent-reed"
                checked={item.drops}
                onChange={({ target }) => setItems(items.with(i, { ...item, drops: target.checked }))}
              />
              <span className="truncate">{page.elements[item.id]?.name}</span>
            </label>
            <span className="text-xs text-muted">{item.drops ? '' : 'stays'}</span>
            {([-1, 1] as const).map((by) => (
              <button
                key={by}
                type="button"
                className={SIGN_BUTTON}
                disabled={i + by < 0 || i + by >= items.length}
                aria-label={`${page.elements[item.id]?.name} drops ${by < 0 ? 'earlier' : 'later'}`}
                onClick={() => move(i, by)}
              >
                {by < 0 ? '↑' : '↓'}
              </button>
            ))}
          </li>
        ))}
      </ol>
      <fieldset className="m-0 border-0 p-0 pt-3">
        <legend className="p-0 text-muted">What has dropped</legend>
        <label className="flex items-center gap-1.5">
          <input type="radio" name="menu" className="accent-reed" checked={menu} onChange={() => setMenu(true)} />
          shows in a menu that a button at the end opens
        </label>
        <label className="flex items-center gap-1.5">
          <input type="radio" name="menu" className="accent-reed" checked={!menu} onChange={() => setMenu(false)} />
          is hidden
        </label>
      </fieldset>
      <p role="status" className="m-0 min-h-5 pt-2 text-muted">
        {words}
      </p>
      <div className="flex justify-end gap-2 pt-2">
        <button type="button" className={BAR_BUTTON} onClick={close}>
          Cancel
        </button>
        <button type="submit" className={YES_BUTTON} disabled={busy}>
          Measure and let drop
        </button>
      </div>
    </form>
  );
}
