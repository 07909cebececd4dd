'use client';

import { useKeyHint } from '../input/key-choices';
import { memo } from 'react';
import { Listbox, ListboxButton, ListboxOption, ListboxOptions } from '@headlessui/react';
import { BASE, bandAt, bandsOf, conditionAt, contains, describeCondition, describeInterval } from '@/core/breakpoints';
import type { Band, BreakpointSet, Slice } from '@/core/breakpoints';
import { targetWidths } from '@/core/cascade';
import { pseudoWords } from '@/core/document';
import { describeTarget } from '@/core/edits';
import { addBreakpointHere, chooseBandOnly, chooseTarget, lockTarget } from '../view/actions';
import { shownSet } from '../state/shown-set';
import { shownPseudo, useSession, writeTarget } from '../state/store';

const NEW = { narrower: 'new narrower', wider: 'new wider' } as const;
const BAND_ONLY = 'band only';

/** Where edits go: the base, a breakpoint that holds here, or a new one at this width. Pressed, another is chosen. */
export const TargetPicker = memo(function TargetPicker() {
  const hint = useKeyHint('target-lock');
  const set = useSession(shownSet);
  const target = useSession(writeTarget);
  const pseudo = useSession(shownPseudo);
  const slice = useSession((session) => session.slice);
  const locked = useSession((session) => session.targetLocked);
  const choose = (value: string) => {
    if (value === NEW.narrower) addBreakpointHere('narrower');
    else if (value === NEW.wider) addBreakpointHere('wider');
    else if (value === BAND_ONLY) chooseBandOnly();
    else chooseTarget(value);
  };
  return (
    <div data-tour="target" className="flex min-w-0 shrink-0 items-stretch rounded-[4px] bg-reed text-on-reed">
      <Listbox value={target} onChange={choose}>
        <ListboxButton
          className="flex items-center gap-2 rounded-l-[4px] border-0 bg-transparent px-2.5 py-1 font-semibold"
          aria-label={`Writes to ${describeTarget(set, target)}. Change`}
          title={reachOf(set, target, slice)}
        >
          <span data-testid="writes-to">
            Writes to {describeTarget(set, target)}
            {pseudo && `, ${pseudoWords(pseudo)}`}
          </span>
          <span aria-hidden>▾</span>
        </ListboxButton>
        <ListboxOptions
          anchor="bottom start"
          className="z-40 w-80 rounded-[4px] border border-line-strong bg-sheet p-1 text-sm focus:outline-none"
        >
          <Options />
        </ListboxOptions>
      </Listbox>
      <button
        type="button"
        aria-pressed={locked}
        aria-label="Keep this target while the width moves"
        title={`Keep this target while the width moves${hint}`}
        className={`w-7 shrink-0 rounded-r-[4px] border-0 border-l border-on-reed/40 ${locked ? 'bg-ink text-paper' : 'bg-transparent'}`}
        onClick={() => lockTarget(!locked)}
      >
        <svg
          width="12"
          height="14"
          viewBox="0 0 12 14"
          aria-hidden
          className="mx-auto"
          fill="none"
          stroke="currentColor"
          strokeWidth="1.5"
        >
          <rect x="1.5" y="6" width="9" height="7" rx="1" />
          <path d={locked ? 'M3.5 6V4a2.5 2.5 0 0 1 5 0v2' : 'M3.5 6V3.5a2.5 2.5 0 0 1 4.6-1.3'} />
        </svg>
      </button>
    </div>
  );
});

/** "may change Narrow, Middle · leaves Wide". */
function reachOf(set: BreakpointSet, target: string, slice: Slice): string {
  const bands = bandsOf(set, slice);
  const reached = bands.filter((one) => contains(targetWidths(set, target, slice), one.from));
  const left = bands.filter((one) => !reached.includes(one));
  const names = (some: readonly Band[]) => some.map((one) => one.name).join(', ');
  return `May change ${names(reached)}${left.length > 0 ? ` · leaves ${names(left)}` : ''}`;
}

/** Only there while the list is open, since it follows the cursor. */
function Options() {
  const set = useSession(shownSet);
  const width = useSession((session) => session.width);
  const slice = useSession((session) => session.slice);
  const band = bandAt(set, width, slice);
  const options = [
    { value: BASE, text: 'Base', note: 'every band without a value of its own' },
    ...band.holds.map((id) => ({
      value: id,
      text: describeTarget(set, id),
      note: set.breakpoints.find((one) => one.id === id)!.name,
    })),
    { value: BAND_ONLY, text: `This band only: ${describeInterval(band)}`, note: band.name },
    { value: NEW.narrower, text: `New: ${describeCondition(conditionAt(width, 'narrower'))}`, note: 'adds a breakpoint' },
    { value: NEW.wider, text: `New: ${describeCondition(conditionAt(width, 'wider'))}`, note: 'adds a breakpoint' },
  ];
  return (
    <>
      {options.map(({ value, text, note }) => (
        <ListboxOption
          key={value}
          value={value}
          className="flex cursor-pointer justify-between gap-3 rounded-[3px] px-2 py-1 data-focus:bg-reed-tint data-selected:font-bold"
        >
          <span className="whitespace-nowrap">{text}</span> <span className="truncate font-normal text-muted">{note}</span>
        </ListboxOption>
      ))}
    </>
  );
}
