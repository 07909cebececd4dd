'use client';

import { useEffect, useId, useRef, useState } from 'react';
import { BUTTON, YES_BUTTON } from '../theme/controls';
import { beginTour, goTo, leaveTour, STOPS, useTour } from './tour';

const CARD_WIDTH = 340;
/** Between the card and what it is about, and the window's edges, px. */
const APART = 10;

interface Place {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

function placeOf(about: readonly string[]): Place | undefined {
  for (const selector of about) {
    const box = document.querySelector(selector)?.getBoundingClientRect();
    if (box && box.width > 0) return box;
  }
  return undefined;
}

/** A few stops along the gauge, each beside what it speaks of. Nothing behind it is shut off: one can try at once. */
export function GaugeTour() {
  const at = useTour((tour) => tour.at);
  return at === undefined ? null : <StopCard key={at} at={at} />;
}

function StopCard({ at }: { at: number }) {
  const { title, text, about } = STOPS[at]!;
  const [place, setPlace] = useState<Place>();
  const next = useRef<HTMLButtonElement>(null);
  const [titleId, textId] = [useId(), useId()];
  useEffect(() => {
    const look = () => setPlace(placeOf(about));
    look();
    next.current?.focus();
    addEventListener('resize', look);
    return () => removeEventListener('resize', look);
  }, [about]);
  const isLast = at === STOPS.length - 1;
  const left = place ? Math.min(Math.max(APART, place.left), Math.max(APART, innerWidth - CARD_WIDTH - APART)) : APART;
  const isLow = !place || place.top > innerHeight / 2;
  const vertical = !place
    ? { bottom: APART }
    : isLow
      ? { bottom: innerHeight - place.top + APART }
      : { top: place.top + place.height + APART };
  return (
    <>
      {place && (
        <div
          aria-hidden
          className="pointer-events-none fixed z-40 rounded-[4px] outline-2 outline-offset-2 outline-reed"
          style={{ left: place.left, top: place.top, width: place.width, height: place.height }}
        />
      )}
      <div
        role="dialog"
        data-aside
        aria-labelledby={titleId}
        aria-describedby={textId}
        className="fixed z-50 max-w-[calc(100vw-20px)] rounded-[6px] border border-line-strong bg-sheet p-3.5"
        style={{ left, width: CARD_WIDTH, ...vertical }}
        onKeyDown={(event) => {
          // With others they are keys of the workbench, to be tried at once.
          if (event.altKey || event.ctrlKey || event.metaKey || event.shiftKey) return;
          if (event.key === 'Escape') leaveTour();
          else if (event.key === 'ArrowRight') goTo(at + 1);
          else if (event.key === 'ArrowLeft') goTo(at - 1);
          else return;
          event.preventDefault();
          event.stopPropagation();
        }}
      >
        <h2 id={titleId} className="m-0 flex justify-between gap-3 text-[15px] font-bold">
          {title}
          <span className="font-mono text-xs font-normal text-muted">
            {at + 1} of {STOPS.length}
          </span>
        </h2>
        <p id={textId} className="mt-1 mb-3">
          {text}
        </p>
        <div className="flex gap-2">
          <button ref={next} type="button" className={YES_BUTTON} onClick={() => goTo(at + 1)}>
            {isLast ? 'Done' : 'Next'}
          </button>
          <button type="button" className={BUTTON} disabled={at === 0} onClick={() => goTo(at - 1)}>
            Back
          </button>
          {!isLast && (
            <button type="button" className={`${BUTTON} ml-auto`} onClick={leaveTour}>
              Leave the tour
            </button>
          )}
        </div>
      </div>
    </>
  );
}

/** Offered in passing to whoever hasn't been asked before. */
export function TourOffer() {
  const isOffered = useTour((tour) => !tour.seen && tour.at === undefined);
  if (!isOffered) return null;
  return (
    <p className="m-0 mt-4 flex flex-wrap items-center gap-2 border-t border-line pt-3">
      New here?
      <button type="button" className={`${BUTTON} min-h-6`} onClick={beginTour}>
        A short tour of the gauge
      </button>
      <button
        type="button"
        className="min-h-6 rounded-[3px] border-0 bg-transparent px-1.5 text-muted hover:text-ink"
        onClick={leaveTour}
      >
        Not now
      </button>
    </p>
  );
}
