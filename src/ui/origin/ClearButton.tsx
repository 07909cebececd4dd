'use client';

import type { At } from '@/core/breakpoints';
import { planClear } from '@/core/plans';
import { foretell } from '../editing/proposal';
import { useSession, writtenOn } from '../state/store';
import { clearValues } from '../view/actions';

interface Props {
  readonly label: string;
  readonly properties: readonly string[];
  readonly target: At;
  /** Whether there is something to clear. */
  readonly shown: boolean;
}

/** Takes a value away at the write target, and foretells what shows then. */
export function ClearButton({ label, properties, target, shown }: Props) {
  const foretellClear = () =>
    foretell((project, slice) => planClear(project, slice, { ids: writtenOn(useSession.getState()), at: target, properties }));
  return (
    <button
      type="button"
      aria-label={`Clear ${label}`}
      title="Clear here, so that a weaker value shows"
      className={`size-[22px] shrink-0 rounded-[3px] border-0 bg-transparent text-muted hover:bg-paper hover:text-ink ${shown ? '' : 'invisible'}`}
      onClick={() => clearValues(properties, target)}
      onFocus={foretellClear}
      onPointerEnter={foretellClear}
      onBlur={() => foretell(undefined)}
      onPointerLeave={() => foretell(undefined)}
    >
      ×
    </button>
  );
}
