'use client';

import { useEffect, useRef } from 'react';
import { createPortal } from 'react-dom';
import type { At } from '@/core/breakpoints';
import { describeTarget } from '@/core/edits';
import { clearValues } from '../session/actions';
import { shownPage, shownProject, useSession } from '../session/store';
import { describeCandidate, describeOrigin } from './field-value';
import type { FieldValue } from './field-value';

const WIDTH = 288;
const ROOM = 220;

interface Props {
  readonly label: string;
  readonly properties: readonly string[];
  readonly field: FieldValue;
  readonly target: At;
  readonly anchor: HTMLElement;
  readonly close: () => void;
}

/** The whole story of one value: what holds, who set it, who was beaten, in order. */
export function StoryPanel({ label, properties, field, target, anchor, close }: Props) {
  const project = useSession(shownProject);
  const page = useSession(shownPage);
  const panel = useRef<HTMLDivElement>(null);
  const { resolution, carriage } = field;
  const at = anchor.getBoundingClientRect();

  useEffect(() => {
    panel.current?.focus();
    const outside = (event: Event) => {
      const target = event.target as Node;
      if (!panel.current?.contains(target) && !anchor.contains(target)) close();
    };
    document.addEventListener('pointerdown', outside);
    // The panel stands still while what it belongs to would scroll away.
    document.addEventListener('wheel', outside, { passive: true });
    return () => {
      document.removeEventListener('pointerdown', outside);
      document.removeEventListener('wheel', outside);
    };
  }, [anchor, close]);

  const leave = () => {
    close();
    anchor.focus();
  };
  return createPortal(
    <div
      ref={panel}
      role="dialog"
      aria-label={`${label}: the whole story`}
      tabIndex={-1}
      className="fixed z-40 rounded-[4px] border border-line-strong bg-sheet p-3 text-sm outline-none"
      style={{
        width: WIDTH,
        left: Math.max(8, at.right - WIDTH),
        ...(at.bottom + ROOM < innerHeight ? { top: at.bottom + 2 } : { bottom: innerHeight - at.top + 2 }),
      }}
      onKeyDown={(event) => {
        if (event.key !== 'Escape') return;
        event.stopPropagation();
        leave();
      }}
      onBlur={(event) => {
        if (event.relatedTarget && !event.currentTarget.contains(event.relatedTarget)) close();
      }}
    >
      <h3 className="m-0 pb-1 font-semibold text-muted">{label}: the whole story</h3>
      <ul className="m-0 list-none p-0">
        <li className="flex gap-2 py-0.5">
          <span className={`mt-0.5 block size-3 shrink-0 border pattern-${carriage}`} />
          <span>
            <b className="font-mono">{resolution.value}</b> {describeOrigin(project, page, resolution)}
          </span>
        </li>
        {resolution.beaten.map((candidate, i) => (
          <li key={i} className="flex gap-2 py-0.5">
            <span className="mt-0.5 block size-3 shrink-0 bg-line-strong" />
            <span>
              <s className="font-mono">{candidate.value}</s> {describeCandidate(project, candidate)}
            </span>
          </li>
        ))}
      </ul>
      {field.ownHere && (
        <button
          type="button"
          className="mt-2 rounded-[4px] border border-line-strong px-2 py-1 hover:bg-paper"
          onClick={() => {
            clearValues(properties, target);
            leave();
          }}
        >
          Clear at {describeTarget(project, target)}
        </button>
      )}
    </div>,
    document.body,
  );
}
