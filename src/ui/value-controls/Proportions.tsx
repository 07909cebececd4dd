'use client';

import { useState } from 'react';
import { planHeights, planWidths } from '@/core/plans';
import type { Make } from '../editing/proposal';
import { foretell, propose } from '../editing/proposal';
import { BUTTON } from '../theme/controls';
import type { Shaped } from './shape';

/** Makes what is selected equally wide or high, or as wide as a ratio says. */
export function Proportions({ shaped: { ids, target } }: { shaped: Shaped }) {
  const [ratio, setRatio] = useState('');
  const [problem, setProblem] = useState<string>();
  const even = ids.map(() => 1);
  const button = (label: string, make: Make) => (
    <button
      type="button"
      className={BUTTON}
      onClick={() => propose(make)}
      onFocus={() => foretell(make)}
      onPointerEnter={() => foretell(make)}
      onBlur={() => foretell(undefined)}
      onPointerLeave={() => foretell(undefined)}
    >
      {label}
    </button>
  );
  const setShares = () => {
    const shares = ratio
      .split(/[:\s,]+/)
      .filter(Boolean)
      .map(Number);
    if (shares.length !== ids.length || shares.some((share) => !(share > 0)))
      return setProblem(`Write ${ids.length} numbers above 0, such as ${ids.map((_, i) => i + 1).join(' : ')}.`);
    setProblem(undefined);
    propose((project, slice, page) => planWidths(project, slice, page, ids, target, shares));
  };
  return (
    <section aria-label="Equal and proportional" className="flex flex-wrap items-center gap-1 px-3.5 pb-2">
      {button('Equally wide', (project, slice, page) => planWidths(project, slice, page, ids, target, even))}
      {button('Equally high', (project, slice, page) => planHeights(project, slice, page, ids, target))}
      <input
        aria-label="Widths as a ratio"
        placeholder={ids.map((_, i) => (i === 0 ? 1 : 3)).join(' : ')}
        className={`h-[22px] w-20 rounded-[3px] border bg-well px-1.5 font-mono ${problem ? 'border-rust' : 'border-line-strong'}`}
        value={ratio}
        onChange={(event) => {
          setRatio(event.target.value);
          setProblem(undefined);
        }}
        onKeyDown={(event) => event.key === 'Enter' && setShares()}
      />
      <button type="button" className={BUTTON} onClick={setShares}>
        Ratio
      </button>
      {problem && (
        <p role="alert" className="m-0 w-full text-xs text-rust">
          {problem}
        </p>
      )}
    </section>
  );
}
