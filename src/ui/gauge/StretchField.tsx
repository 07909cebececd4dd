'use client';

import { useRef, useState } from 'react';
import { describeInterval } from '@/core/breakpoints';
import type { Stretch } from '@/core/cascade';
import { splitPseudo } from '@/core/document';
import { select } from '../view/actions';
import { commit } from '../editing/edits';
import { shownPage, useSession } from '../state/store';
import { placeOf } from './stretch';

interface Props {
  readonly owner: string;
  readonly property: string;
  readonly stretch: Stretch;
  readonly finish: () => void;
}

/** A value typed where it lies. */
export function StretchField({ owner, property, stretch, finish }: Props) {
  const [text, setText] = useState(stretch.value);
  const [problem, setProblem] = useState<string>();
  const done = useRef(false);
  const end = () => {
    if (done.current) return;
    done.current = true;
    finish();
  };
  const write = () => {
    if (text.trim() === stretch.value) return end();
    const { project, width } = useSession.getState();
    const { id, pseudo } = splitPseudo(owner);
    const isShown = id in shownPage(useSession.getState()).elements;
    // Of a part it is written to the part, whichever use of it is looked at.
    if (isShown) select([id]);
    const wrong = commit({
      type: 'setStyle',
      owner,
      at: placeOf(project, stretch, width, pseudo, isShown ? undefined : id),
      property,
      value: text.trim(),
    });
    if (wrong) setProblem(wrong);
    else end();
  };
  return (
    <input
      autoFocus
      aria-label={`${property}, ${describeInterval(stretch)}`}
      aria-invalid={problem !== undefined}
      title={problem}
      spellCheck={false}
      className={`absolute inset-0 w-full bg-well px-1 text-center font-mono text-[11.5px] text-ink outline-none ${problem ? 'bg-rust-tint' : ''}`}
      value={text}
      onFocus={(event) => event.target.select()}
      onChange={(event) => {
        setText(event.target.value);
        setProblem(undefined);
      }}
      onPointerDown={(event) => event.stopPropagation()}
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key === 'Enter') write();
        if (event.key === 'Escape') end();
      }}
      onBlur={end}
    />
  );
}
