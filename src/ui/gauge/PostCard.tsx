'use client';

import { useEffect, useRef, useState } from 'react';
import type { Breakpoint } from '@/core/breakpoints';
import { describeCondition, shownWidth } from '@/core/breakpoints';
import type { Edit } from '@/core/edits';
import { overridesUnder } from '@/core/edits';
import { commit } from '../session/edits';
import { useSession } from '../session/store';
import { edgeFor } from './edge';

/** Name, exact width and removal of one breakpoint. */
export function PostCard({ breakpoint, x, close }: { breakpoint: Breakpoint; x: number; close: () => void }) {
  const [name, setName] = useState(breakpoint.name);
  const [width, setWidth] = useState(String(shownWidth(breakpoint.condition)));
  const [problem, setProblem] = useState<string>();
  const card = useRef<HTMLFormElement>(null);
  const project = useSession((session) => session.project);
  const overrides = Object.values(overridesUnder(project, breakpoint.id)).reduce(
    (sum, declarations) => sum + Object.keys(declarations).length,
    0,
  );

  useEffect(() => {
    const outside = (event: PointerEvent) => {
      if (
        !card.current?.contains(event.target as Node) &&
        !(event.target as Element).closest(`[data-post="${breakpoint.id}"]`)
      )
        close();
    };
    document.addEventListener('pointerdown', outside);
    return () => document.removeEventListener('pointerdown', outside);
  }, [breakpoint.id, close]);

  const finish = () => {
    close();
    document.querySelector<HTMLElement>(`[data-post="${breakpoint.id}"]`)?.focus();
  };
  const save = () => {
    const edits: Edit[] = [];
    const wanted = Number(width);
    if (width.trim() === '' || !Number.isFinite(wanted)) return setProblem('The width is a number of px.');
    if (wanted !== shownWidth(breakpoint.condition)) {
      const edge = Number.isInteger(wanted) && wanted >= 240 && wanted < 10_000 ? edgeFor(breakpoint, wanted) : wanted;
      edits.push({ type: 'moveBreakpoint', id: breakpoint.id, edge });
    }
    if (name !== breakpoint.name) {
      if (name.trim() === '') return setProblem('A breakpoint needs a name.');
      edits.push({ type: 'renameBreakpoint', id: breakpoint.id, name: name.trim() });
    }
    const wrong =
      edits.length === 0
        ? undefined
        : commit(
            edits.length === 1 ? edits[0]! : { type: 'group', label: `Change breakpoint ${breakpoint.name}`, edits },
          );
    if (wrong) setProblem(wrong);
    else finish();
  };
  const field = 'h-[22px] rounded-[3px] border border-line-strong bg-well px-1.5 text-ink';
  return (
    <form
      ref={card}
      role="dialog"
      aria-label={`Breakpoint ${breakpoint.name}`}
      className="pointer-events-auto absolute bottom-7 z-30 w-[248px] -translate-x-1/2 rounded-[5px] border border-line-strong bg-sheet p-3"
      style={{ left: x }}
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}
      onKeyDown={(event) => {
        if (event.key === 'Escape') finish();
        event.stopPropagation();
      }}
    >
      <label className="flex items-center justify-between gap-2 pb-1.5">
        Name
        <input
          autoFocus
          className={`${field} w-40`}
          value={name}
          maxLength={60}
          onChange={(event) => setName(event.target.value)}
        />
      </label>
      <label className="flex items-center justify-between gap-2">
        {'below' in breakpoint.condition ? 'This and narrower' : 'This and wider'}
        <span>
          <input
            inputMode="decimal"
            className={`${field} w-16 text-right font-mono`}
            value={width}
            onChange={(event) => setWidth(event.target.value)}
          />{' '}
          px
        </span>
      </label>
      {problem && (
        <p role="alert" className="m-0 pt-1 text-xs text-rust">
          {problem}
        </p>
      )}
      <p className="m-0 py-2 text-xs text-muted">
        {overrides === 0
          ? `Nothing is written at ${describeCondition(breakpoint.condition)} yet.`
          : `${overrides} values are written here; removing takes them along (undo brings them back).`}
      </p>
      <div className="flex justify-between">
        <button
          type="button"
          className="rounded-[4px] border border-rust bg-transparent px-2 py-0.5 text-rust hover:bg-rust-tint"
          onClick={() => {
            const wrong = commit({ type: 'removeBreakpoint', id: breakpoint.id });
            if (wrong) setProblem(wrong);
            else close();
          }}
        >
          Remove
        </button>
        <button type="submit" className="rounded-[4px] border-0 bg-reed px-3 py-0.5 text-on-reed">
          Save
        </button>
      </div>
    </form>
  );
}
