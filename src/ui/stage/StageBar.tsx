'use client';

import { useKeyHint } from '../input/key-choices';
import { cutsAcross, POINTERS } from '@/core/breakpoints';
import type { Slice } from '@/core/breakpoints';
import { conditionsOf } from '@/core/cascade';
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import { memo, useState } from 'react';
import { BUTTON, PANEL } from '../theme/controls';
import { chooseSeveral, setSlice } from '../view/actions';
import { shownProject, useSession } from '../state/store';
import { UseToggle } from '../using/UseToggle';
import { WritesTo } from './WritesTo';
import { ZoomSelect } from './ZoomSelect';

const STEPS = [0.5, 0.75, 1, 1.5, 2] as const;

/** Where edits go, and how the page is shown. */
export const StageBar = memo(function StageBar({ zoom, content }: { zoom: number; content: number | undefined }) {
  const hint = useKeyHint('heights');
  const asksForHeights = useSession((session) => cutsAcross(conditionsOf(shownProject(session))));
  const width = useSession((session) => session.width);
  const choice = useSession((session) => session.zoom);
  const slice = useSession((session) => session.slice);
  const heights = useSession((session) => session.heightsShown);
  // That presses do something else than usual is in sight, however little room there is.
  const isOtherwise = useSession((session) => session.usePage || session.choosesSeveral);
  const controls = (
    <>
      {asksForHeights && <SliceFields slice={slice} height={!heights} />}
      <button
        type="button"
        aria-pressed={heights}
        title={`The axis of heights beside the page${hint}`}
        className={`${BUTTON} ${heights ? 'border-reed !bg-reed-tint' : ''}`}
        onClick={() => useSession.setState({ heightsShown: !heights })}
      >
        Heights
      </button>
      <ZoomSelect label="Zoom" zoom={choice} steps={STEPS} shown={zoom} onZoom={(next) => useSession.setState({ zoom: next })} />
    </>
  );
  return (
    <div className="@container shrink-0">
      <div className="flex min-h-11 flex-wrap items-center gap-x-3 gap-y-1 px-4 py-1">
        <WritesTo />
        <span className={`flex items-center gap-x-3 ${isOtherwise ? '' : '@max-[37em]:hidden'}`}>
          <UseToggle />
          <SeveralToggle />
        </span>
        <span className="ml-auto font-mono whitespace-nowrap" data-testid="stage-width">
          <span className="@max-[37em]:sr-only">
            <b>{width}</b> <span className="@max-[63em]:sr-only">wide</span>
          </span>
          {content !== undefined && content !== width && <span className="text-rust"> · content {content}</span>}
        </span>
        <span className="flex items-center gap-x-3 @max-[37em]:hidden">{controls}</span>
        <Popover className="hidden @max-[37em]:block">
          <PopoverButton className={BUTTON}>
            Shown <span aria-hidden>▾</span>
          </PopoverButton>
          <PopoverPanel anchor="bottom end" className={`${PANEL} flex flex-wrap items-center gap-2`}>
            <UseToggle />
            <SeveralToggle always />
            {controls}
          </PopoverPanel>
        </Popover>
      </div>
    </div>
  );
});

/**
 * Where there are fingers, which hold no keys; elsewhere it is among the commands, and seen while it is on.
 * @param always shown
 */
function SeveralToggle({ always = false }: { always?: boolean }) {
  const on = useSession((session) => session.choosesSeveral);
  return (
    <button
      type="button"
      aria-pressed={on}
      title="Each press adds to what is selected, or takes it out"
      className={`${BUTTON} ${on ? 'border-reed !bg-reed-tint' : always ? '' : 'hidden finger:inline-block'}`}
      onClick={() => chooseSeveral(!on)}
    >
      Several
    </button>
  );
}

/** The viewport's height and pointer, where some condition asks for them. */
function SliceFields({ slice, height: asksHeight }: { slice: Slice; height: boolean }) {
  const [typed, setTyped] = useState<string>();
  const finish = () => {
    const height = Number(typed);
    if (typed !== undefined && typed.trim() !== '' && Number.isFinite(height)) setSlice({ height });
    setTyped(undefined);
  };
  return (
    <span className="flex items-center gap-1.5">
      {asksHeight && (
        <label className="flex items-center gap-1 text-muted">
          <input
            aria-label="Viewport height"
            inputMode="numeric"
            className="h-[22px] w-[52px] rounded-[3px] border border-line-strong bg-sheet px-1 text-right font-mono text-ink"
            value={typed ?? String(slice.height)}
            onChange={(event) => setTyped(event.target.value)}
            onBlur={finish}
            onKeyDown={(event) => {
              if (event.key === 'Enter') finish();
              const by = event.key === 'ArrowUp' ? 1 : event.key === 'ArrowDown' ? -1 : 0;
              if (by === 0) return;
              event.preventDefault();
              setSlice({ height: slice.height + by * (event.shiftKey ? 10 : 1) });
            }}
          />
          high
        </label>
      )}
      <select
        aria-label="Pointer"
        className="rounded-[4px] border border-line-strong bg-sheet px-1 py-0.5 text-ink"
        value={slice.pointer}
        onChange={(event) => setSlice({ pointer: event.target.value as Slice['pointer'] })}
      >
        {POINTERS.map((pointer) => (
          <option key={pointer}>{pointer}</option>
        ))}
      </select>
    </span>
  );
}
