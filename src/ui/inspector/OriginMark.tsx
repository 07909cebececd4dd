'use client';

import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import type { At } from '@/core/breakpoints';
import type { Carriage } from '@/core/cascade';
import { describeTarget } from '@/core/edits';
import { clearValues } from '../session/actions';
import { shownPage, shownProject, useSession } from '../session/store';
import { describeCandidate, describeOrigin } from './field-value';
import type { FieldValue } from './field-value';

export const CARRIAGE_WORDS: Readonly<Record<Carriage, string>> = {
  set: 'set in this band',
  carried: 'carried on from another band',
  shared: 'from a shared style',
  inherited: 'inherited',
  default: 'not set',
};

interface Props {
  readonly label: string;
  /** The properties that clearing takes away: one longhand, or all of a shorthand. */
  readonly properties: readonly string[];
  readonly field: FieldValue;
  readonly target: At;
}

/** A small square that tells by its pattern where the value comes from; pressed, it tells the whole story. */
export function OriginMark({ label, properties, field, target }: Props) {
  const project = useSession(shownProject);
  const page = useSession(shownPage);
  const { resolution, carriage } = field;
  return (
    <Popover className="flex shrink-0">
      <PopoverButton
        aria-label={`${label}: ${CARRIAGE_WORDS[carriage]}. Where it comes from`}
        title={CARRIAGE_WORDS[carriage]}
        className="flex size-[22px] items-center justify-center rounded-[3px] border-0 bg-transparent"
      >
        <span className={`block size-3 border pattern-${carriage}`} />
      </PopoverButton>
      <PopoverPanel
        anchor="bottom end"
        className="z-40 w-72 rounded-[4px] border border-line-strong bg-sheet p-3 text-sm"
      >
        <h3 className="pb-1 font-semibold text-muted">{label}: the whole story</h3>
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
            onClick={() => clearValues(properties, target)}
          >
            Clear at {describeTarget(project, target)}
          </button>
        )}
      </PopoverPanel>
    </Popover>
  );
}
