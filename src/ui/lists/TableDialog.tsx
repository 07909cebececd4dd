'use client';

import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { useState } from 'react';
import type { SampleSet, Table } from '@/core/document';
import { sampleOf } from '@/core/document';
import { listed } from '@/core/text';
import { dismissProblem } from '../editing/edits';
import { shownProject, useSession } from '../state/store';
import { useFileDrop } from '../input/file-drop';
import { BUTTON, SELECT } from '../theme/controls';
import { listsFrom } from './lists';
import type { TakenRows } from './table-edits';
import { addTable, copySet, handOut, removeSet, removeTable, rename, renameSet, takeFile } from './table-edits';
import { NameField, TableGrid } from './TableGrid';

const close = () => useSession.setState({ table: undefined });
const FILES = '.csv,.tsv,.txt,.json';

/** The project's tables: typed, pasted, or taken in from files. */
export function TableDialog() {
  const open = useSession((session) => session.table);
  return (
    <Dialog open={open !== undefined} onClose={close} className="relative z-50">
      <div className="fixed inset-0 bg-ink/30" aria-hidden />
      <div className="fixed inset-0 flex items-center justify-center p-6">
        <DialogPanel className="flex h-[640px] max-h-full w-[980px] max-w-full flex-col rounded-[6px] border border-line-strong bg-sheet p-4">
          {open && <Tables id={open.id} setId={open.set} />}
        </DialogPanel>
      </div>
    </Dialog>
  );
}

function Tables({ id, setId }: { id: string; setId: string | undefined }) {
  const project = useSession(shownProject);
  const [taken, setTaken] = useState<TakenRows>();
  // What can't be is said where it was tried: the bar of problems lies behind.
  const [before] = useState(() => useSession.getState().problems);
  const problem = useSession(({ problems }) => problems.filter((one) => !before.includes(one)).at(-1));
  const table = project.tables.find((one) => one.id === id) ?? project.tables[0];
  const set = table && sampleOf(table, setId);
  const take = async (file: File | undefined, into?: Parameters<typeof takeFile>[1]) => {
    if (file) setTaken(await takeFile(file, into));
  };
  const drop = useFileDrop((transfer) => void take(transfer.files[0], table && { table, set: 'new' }));
  return (
    <div
      className={`flex min-h-0 flex-1 flex-col rounded-[4px] ${drop.over ? 'outline-2 outline-reed outline-dashed' : ''}`}
      data-testid="table-drop"
      {...drop.handlers}
    >
      <div className="flex items-center gap-2 pb-3">
        <DialogTitle className="m-0 text-[15px] font-bold">Tables</DialogTitle>
        {table && (
          <select
            aria-label="Table"
            className={SELECT}
            value={table.id}
            onChange={({ target }) => useSession.setState({ table: { id: target.value } })}
          >
            {project.tables.map((one) => (
              <option key={one.id} value={one.id}>
                {one.name}
              </option>
            ))}
          </select>
        )}
        <button type="button" className={BUTTON} onClick={addTable}>
          New table
        </button>
        <FileButton take={(file) => void take(file)}>New from a file …</FileButton>
        <button type="button" className={`${BUTTON} ml-auto`} onClick={close}>
          Close
        </button>
      </div>
      {problem !== undefined && (
        <p role="alert" className="m-0 flex items-baseline gap-2 pb-2 text-rust">
          {problem}
          <button type="button" className={BUTTON} onClick={() => dismissProblem(problem)}>
            Dismiss
          </button>
        </p>
      )}
      {taken && (
        <p role={taken.isFine ? 'status' : 'alert'} className={`m-0 pb-2 ${taken.isFine ? 'text-muted' : 'text-rust'}`}>
          {taken.words}
        </p>
      )}
      {table && set ? (
        <OneTable table={table} set={set} take={(file, into) => void take(file, { table, set: into })} />
      ) : (
        <p className="m-0 py-6 text-muted">
          There is no table yet. Make one here, drop a CSV or JSON file, or select what holds items that are alike and choose{' '}
          <b>Make a list …</b>
        </p>
      )}
    </div>
  );
}

interface OneProps {
  readonly table: Table;
  readonly set: SampleSet;
  readonly take: (file: File | undefined, into: SampleSet | 'new') => void;
}

function OneTable({ table, set, take }: OneProps) {
  const project = useSession(shownProject);
  const lists = listsFrom(project, table.id);
  return (
    <>
      <div className="flex flex-wrap items-center gap-2 pb-2">
        <span className="flex rounded-[4px] border border-edge bg-well">
          <NameField label="Name of the table" name={table.name} rename={(name) => rename(table, name)} />
        </span>
        <span className="text-muted">{lists.length > 0 ? `feeds ${listed(lists)}` : 'feeds no list yet'}</span>
        <button type="button" className={`${BUTTON} ml-auto`} onClick={() => removeTable(table)} title="Undo brings it back">
          Remove the table
        </button>
      </div>
      <div role="group" aria-label="Sets of rows" className="flex flex-wrap items-center gap-1 pb-2">
        {table.sets.map((one) => (
          <button
            key={one.id}
            type="button"
            aria-pressed={one === set}
            className={`${BUTTON} ${one === set ? 'border-reed bg-reed-tint' : ''}`}
            onClick={() => useSession.setState({ table: { id: table.id, set: one.id } })}
          >
            {one.name} <span className="text-muted">{one.rows.length}</span>
          </button>
        ))}
      </div>
      <div className="flex flex-wrap items-center gap-2 pb-2">
        <span className="flex rounded-[4px] border border-edge bg-well">
          <NameField label="Name of the set" name={set.name} rename={(name) => renameSet(table, set, name)} />
        </span>
        <button type="button" className={BUTTON} onClick={() => copySet(table, set)}>
          Copy this set
        </button>
        <button type="button" className={BUTTON} disabled={table.sets.length === 1} onClick={() => removeSet(table, set)}>
          Remove this set
        </button>
        <FileButton take={(file) => take(file, 'new')}>New set from a file …</FileButton>
        <FileButton take={(file) => take(file, set)}>Replace by a file …</FileButton>
        <button type="button" className={BUTTON} onClick={() => handOut(table, set)}>
          As CSV
        </button>
      </div>
      <TableGrid key={`${table.id} ${set.id}`} table={table} set={set} />
    </>
  );
}

function FileButton({ take, children }: { take: (file: File | undefined) => void; children: string }) {
  return (
    <label className={`${BUTTON} cursor-pointer focus-within:outline`}>
      {children}
      <input
        type="file"
        accept={FILES}
        className="sr-only"
        onChange={({ target }) => {
          take(target.files?.[0]);
          target.value = '';
        }}
      />
    </label>
  );
}
