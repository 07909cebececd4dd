'use client';

import { useEffect, useRef, useState } from 'react';
import { describeInterval, fromIntegers, normalise } from '@/core/breakpoints';
import type { IntervalSet } from '@/core/breakpoints';
import type { WidthRange } from '@/core/document';
import { setWidth } from '../view/actions';
import { shownPage, useSession } from '../state/store';
import { BUTTON } from '../theme/controls';
import { streamComparison } from './api';
import { spokenAtEnd } from '../view/spoken';

interface State {
  readonly total: number;
  readonly compared: number;
  readonly identical: number;
  readonly moved: IntervalSet;
  readonly count: number;
  readonly elements: readonly string[];
  readonly running: boolean;
  readonly problem?: string;
}

const number = (value: number) => value.toLocaleString('en');

function inWords(state: State | undefined, { first, last }: WidthRange): string {
  if (!state) return `${first} to ${last}, wherever the edits since can have changed anything.`;
  const { total, compared, identical, count, running, problem } = state;
  if (problem) return problem;
  if (running) return `${compared} of ${total} widths compared`;
  if (compared < total) return `Stopped after ${compared} of ${total} widths.`;
  if (count === 0)
    return `Nothing moved at any of ${number(total + identical)} widths (${number(identical)} can’t have changed).`;
  const others = total + identical - count;
  const proven = others === identical ? '' : `, ${number(identical)} of them`;
  return `Something moved at ${number(count)} widths. The other ${number(others)} are identical${proven} by what the edits can reach.`;
}

/** The widths at which anything stands elsewhere than before, found by laying both out at each that may differ. */
export function MovedWidths({ before }: { readonly before: number }) {
  const page = useSession(shownPage);
  const range = useSession((session) => session.project.audit.range);
  const [state, setState] = useState<State>();
  const stop = useRef<AbortController | undefined>(undefined);
  useEffect(() => () => stop.current?.abort(), []);

  const compare = async () => {
    const mine = new AbortController();
    stop.current = mine;
    let now: State = { total: 0, compared: 0, identical: 0, moved: [], count: 0, elements: [], running: true };
    setState(now);
    try {
      for await (const line of streamComparison(before, mine.signal)) {
        if (mine.signal.aborted) return;
        if (line.type === 'begun') now = { ...now, total: line.total, identical: line.identical };
        if (line.type === 'failed') now = { ...now, running: false, problem: line.message };
        if (line.type === 'done') now = { ...now, running: false };
        if (line.type === 'compared')
          now = {
            ...now,
            compared: now.compared + line.count,
            count: now.count + line.moved.length,
            moved: normalise([...now.moved, ...fromIntegers(line.moved.map(({ width }) => width))]),
            elements: [...new Set([...now.elements, ...line.moved.flatMap(({ elements }) => elements)])].slice(0, 6),
          };
        setState(now);
      }
    } catch (error) {
      if (!mine.signal.aborted)
        setState({ ...now, running: false, problem: error instanceof Error ? error.message : String(error) });
    }
  };
  const halt = () => {
    stop.current?.abort();
    setState((now) => now && { ...now, running: false });
  };
  return (
    <div className="flex shrink-0 flex-wrap items-center gap-x-3 gap-y-1 px-4 pt-2" data-testid="moved-widths">
      <button type="button" className={BUTTON} onClick={() => (state?.running ? halt() : void compare())}>
        {state?.running ? 'Stop' : 'Compare every width'}
      </button>
      <span {...spokenAtEnd(state?.running ?? false)}>{inWords(state, range)}</span>
      {state?.moved.map((part) => (
        <button
          key={part.from}
          type="button"
          className="rounded-[3px] border border-amber-ink bg-amber-tint px-1.5 font-mono text-xs"
          onClick={() => setWidth(part.from)}
        >
          {describeInterval(part)}
        </button>
      ))}
      {state && state.elements.length > 0 && (
        <span className="truncate text-muted">
          {state.elements.map((id) => page.elements[id]?.name ?? 'a removed element').join(', ')}
        </span>
      )}
    </div>
  );
}
