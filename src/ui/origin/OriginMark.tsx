'use client';

import { useState } from 'react';
import type { At } from '@/core/breakpoints';
import type { Carriage } from '@/core/cascade';
import type { FieldValue } from './field-value';
import { StoryPanel } from './StoryPanel';

export const CARRIAGE_WORDS: Readonly<Record<Carriage, string>> = {
  hidden: 'hidden by its alternates, or as a closed panel',
  set: 'set in this band',
  carried: 'carried on from another band',
  part: 'from a part, or from one use of it',
  shared: 'from a shared style',
  kind: 'from its kind',
  imported: 'from an imported sheet',
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
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  return (
    <>
      <button
        type="button"
        aria-label={`${label}: ${CARRIAGE_WORDS[field.carriage]}. Where it comes from`}
        aria-haspopup="dialog"
        aria-expanded={anchor !== null}
        title={CARRIAGE_WORDS[field.carriage]}
        className="flex size-[22px] shrink-0 items-center justify-center rounded-[3px] border-0 bg-transparent"
        onClick={(event) => setAnchor(anchor ? null : event.currentTarget)}
      >
        <span className={`block size-3 border pattern-${field.carriage}`} />
      </button>
      {anchor && (
        <StoryPanel
          label={label}
          properties={properties}
          field={field}
          target={target}
          anchor={anchor}
          close={() => setAnchor(null)}
        />
      )}
    </>
  );
}
