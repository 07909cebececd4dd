'use client';

import { useState } from 'react';
import type { PageElement, SharedStyle } from '@/core/document';
import { carriersOf, ownerOf } from '@/core/edits';
import { planCarry, planDeleteShared, planDetach } from '@/core/plans';
import { commitOrReport } from '../editing/edits';
import type { Make } from '../editing/proposal';
import { propose } from '../editing/proposal';
import { steadyProject, useSession, writtenTo } from '../state/store';
import { BUTTON, SIGN_BUTTON } from '../theme/controls';
import { Carriers } from './Carriers';
import { OwnerValues } from './OwnerValues';

interface Props {
  readonly style: SharedStyle;
  readonly index: number;
  readonly last: boolean;
  /** What is selected. */
  readonly chosen: readonly PageElement[];
  readonly open: boolean;
  readonly toggle: () => void;
}

/** One shared style: its place in the order, what can be done with it, its values, who carries it. */
export function SharedEntry({ style, index, last, chosen, open, toggle }: Props) {
  const project = useSession(steadyProject);
  const { id, name } = style;
  const count = carriersOf(project, id).length;
  const written = useSession(writtenTo);
  const ids = [...new Set(chosen.map((element) => ownerOf(element, written)))];
  const itself = (element: PageElement) => (written === 'here' ? (element.kept ?? element) : element);
  const carried = chosen.filter((element) => itself(element).shared.includes(id)).length;
  const actions: readonly { label: string; possible: boolean; make: Make }[] = [
    { label: 'Apply to the selection', possible: carried < chosen.length, make: (now, slice) => planCarry(now, slice, ids, id) },
    { label: 'Detach, keep the look', possible: carried > 0, make: (now, slice) => planDetach(now, slice, ids, id, true) },
    { label: 'Detach', possible: carried > 0, make: (now, slice) => planDetach(now, slice, ids, id, false) },
    { label: 'Delete, keep the looks', possible: true, make: (now, slice) => planDeleteShared(now, slice, id, true) },
    { label: 'Delete', possible: true, make: (now, slice) => planDeleteShared(now, slice, id, false) },
  ];
  const shift = (by: 1 | -1) => commitOrReport({ type: 'changeShared', id, index: index + by });
  return (
    <li className="border-b border-line" data-shared={id}>
      <div className="flex min-h-7 items-center gap-1 px-3.5">
        <button
          type="button"
          aria-expanded={open}
          className="min-w-0 flex-1 truncate rounded-[3px] border-0 bg-transparent px-1 text-left hover:bg-paper"
          onClick={toggle}
        >
          <b className={carried > 0 ? 'text-reed' : ''}>{name}</b>{' '}
          <span className="text-muted">{count === 1 ? '1 carries it' : `${count} carry it`}</span>
        </button>
        <button
          type="button"
          className={SIGN_BUTTON}
          aria-label={`${name}: weaker`}
          disabled={index === 0}
          onClick={() => shift(-1)}
        >
          ↑
        </button>
        <button type="button" className={SIGN_BUTTON} aria-label={`${name}: stronger`} disabled={last} onClick={() => shift(1)}>
          ↓
        </button>
      </div>
      {open && (
        <div className="bg-paper px-3.5 py-2">
          <div className="flex flex-wrap gap-1.5 pb-2">
            {actions.map(({ label, possible, make }) => (
              <button key={label} type="button" className={BUTTON} disabled={!possible} onClick={() => propose(make)}>
                {label}
              </button>
            ))}
          </div>
          <Rename id={id} name={name} />
          <OwnerValues owner={id} label={name} />
          <Carriers project={project} owner={id} />
        </div>
      )}
    </li>
  );
}

function Rename({ id, name }: { id: string; name: string }) {
  const [text, setText] = useState(name);
  const finish = () => {
    if (text.trim() === name) return;
    if (text.trim() === '' || !commitOrReport({ type: 'changeShared', id, name: text.trim() })) setText(name);
  };
  return (
    <label className="flex items-center gap-2 pb-1.5">
      Name
      <input
        className="h-[22px] min-w-0 flex-1 rounded-[3px] border border-line-strong bg-well px-1.5"
        value={text}
        maxLength={80}
        onChange={(event) => setText(event.target.value)}
        onBlur={finish}
        onKeyDown={(event) => event.key === 'Enter' && finish()}
      />
    </label>
  );
}
