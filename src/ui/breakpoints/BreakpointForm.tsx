'use client';

import { useState } from 'react';
import type { Breakpoint } from '@/core/breakpoints';
import { conditionQuery, describeCondition, sameCondition } from '@/core/breakpoints';
import type { Edit } from '@/core/edits';
import { commit } from '../editing/edits';
import { useSession } from '../state/store';
import { removeBreakpoint } from './removing';
import type { ConditionFields } from './condition-fields';
import { conditionFrom, fieldsOf } from './condition-fields';

const field = 'h-[22px] rounded-[3px] border border-line-strong bg-well px-1 text-ink';

/** Name, condition and what it takes over, of one breakpoint. */
export function BreakpointForm({ breakpoint, finish }: { breakpoint: Breakpoint; finish: () => void }) {
  const others = useSession((session) => session.project.breakpoints).filter(({ id }) => id !== breakpoint.id);
  const [name, setName] = useState(breakpoint.name);
  const [fields, setFields] = useState(() => fieldsOf(breakpoint.condition));
  const [also, setAlso] = useState<readonly string[]>(breakpoint.also ?? []);
  const [problem, setProblem] = useState<string>();
  const put = (change: Partial<ConditionFields>) => {
    setFields({ ...fields, ...change });
    setProblem(undefined);
  };
  const read = conditionFrom(fields, breakpoint);

  const save = () => {
    if (name.trim() === '') return setProblem('A breakpoint needs a name.');
    if ('problem' in read) return setProblem(read.problem);
    const edits: Edit[] = [];
    const { condition } = read;
    const sameTaken = also.join() === (breakpoint.also ?? []).join();
    const changed = !sameCondition(condition, breakpoint.condition) || condition.unit !== breakpoint.condition.unit;
    if (changed || !sameTaken)
      edits.push({
        type: 'changeBreakpoint',
        id: breakpoint.id,
        ...(changed && { condition }),
        ...(!sameTaken && { also: [...also] }),
      });
    if (name.trim() !== breakpoint.name) edits.push({ type: 'renameBreakpoint', id: breakpoint.id, name: name.trim() });
    const wrong =
      edits.length === 0
        ? undefined
        : commit(edits.length === 1 ? edits[0]! : { type: 'group', label: `Change breakpoint ${breakpoint.name}`, edits });
    if (wrong) setProblem(wrong);
    else finish();
  };

  const number = (key: 'from' | 'to' | 'heightFrom' | 'heightTo', label: string) => (
    <input
      aria-label={label}
      className={`${field} w-[62px] text-right font-mono`}
      placeholder="any"
      value={fields[key]}
      onChange={(event) => put({ [key]: event.target.value })}
    />
  );
  const row = 'flex items-center justify-between gap-2 py-[3px]';
  return (
    <form
      className="text-sm"
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}
      onKeyDown={(event) => {
        if (event.key === 'Escape') finish();
        event.stopPropagation();
      }}
    >
      <label className={row}>
        Name
        <input
          autoFocus
          className={`${field} w-[150px] px-1.5`}
          value={name}
          maxLength={60}
          onChange={(event) => setName(event.target.value)}
        />
      </label>
      <div className={row}>
        Width
        <span>
          {number('from', 'Width from')} to {number('to', 'Width to')}
        </span>
      </div>
      <div className={row}>
        Height
        <span>
          {number('heightFrom', 'Height from')} to {number('heightTo', 'Height to')}
        </span>
      </div>
      <label className={row}>
        Orientation
        <select
          className={`${field} w-[150px]`}
          value={fields.orientation}
          onChange={(event) => put({ orientation: event.target.value as ConditionFields['orientation'] })}
        >
          <option value="">any</option>
          <option value="portrait">portrait</option>
          <option value="landscape">landscape</option>
        </select>
      </label>
      <label className={row}>
        Pointer
        <select
          className={`${field} w-[150px]`}
          value={fields.pointer}
          onChange={(event) => put({ pointer: event.target.value as ConditionFields['pointer'] })}
        >
          <option value="">any</option>
          <option value="finger">finger</option>
          <option value="mouse">mouse</option>
          <option value="remote">remote</option>
        </select>
      </label>
      <label className="flex items-center gap-1.5 py-[3px]">
        <input
          type="checkbox"
          className="accent-reed"
          checked={fields.em}
          onChange={(event) => put({ em: event.target.checked })}
        />
        written in em, 16 px each
      </label>
      {others.length > 0 && (
        <fieldset className="m-0 border-0 p-0">
          <legend className="p-0 py-[3px]">Also takes over from</legend>
          <div className="flex flex-wrap gap-x-3">
            {others.map((other) => (
              <label key={other.id} className="flex items-center gap-1 text-muted">
                <input
                  type="checkbox"
                  className="accent-reed"
                  checked={also.includes(other.id)}
                  onChange={(event) => {
                    setAlso(event.target.checked ? [...also, other.id] : also.filter((id) => id !== other.id));
                    setProblem(undefined);
                  }}
                />
                {other.name}
              </label>
            ))}
          </div>
        </fieldset>
      )}
      {problem ? (
        <p role="alert" className="m-0 pt-1 text-xs text-rust">
          {problem}
        </p>
      ) : (
        <p className="m-0 pt-1 text-xs text-muted" data-testid="condition-in-words">
          {'condition' in read ? (
            <>
              {describeCondition(read.condition)} <code className="block font-mono">{conditionQuery(read.condition)}</code>
            </>
          ) : (
            read.problem
          )}
        </p>
      )}
      <div className="flex justify-between pt-2">
        <button
          type="button"
          className="rounded-[4px] border border-rust bg-transparent px-2 py-0.5 text-rust hover:bg-rust-tint"
          onClick={() => {
            finish();
            removeBreakpoint(breakpoint.id);
          }}
        >
          Remove
        </button>
        <span className="flex gap-1.5">
          <button
            type="button"
            className="rounded-[4px] border border-line-strong bg-sheet px-2 py-0.5 hover:bg-paper"
            onClick={finish}
          >
            Cancel
          </button>
          <button type="submit" className="rounded-[4px] border-0 bg-reed px-3 py-0.5 text-on-reed">
            Save
          </button>
        </span>
      </div>
    </form>
  );
}
