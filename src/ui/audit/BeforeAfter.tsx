'use client';

import { useEffect, useState } from 'react';
import type { Edit } from '@/core/edits';
import { askEditPicture } from './api';

interface Props {
  readonly edit: Edit;
  /** Px. */
  readonly widths: readonly number[];
  /** Around which the pictures are cut. */
  readonly element: string;
  readonly sample?: string | undefined;
}

/** The page at a few widths as it is, and as an edit that isn't made yet would make it. */
export function BeforeAfter({ edit, widths, element, sample }: Props) {
  if (widths.length === 0) return <p className="m-0 text-muted">It changes nothing that can be seen at these widths.</p>;
  return (
    <div className="flex flex-wrap gap-4 pb-1" data-testid="before-after">
      {widths.map((width) => (
        <div key={width} className="flex shrink-0 flex-col gap-1">
          <span className="font-mono text-xs text-muted">{width} px</span>
          <div className="flex items-start gap-2">
            <Picture label="Before" wish={{ width, element, sample }} />
            <Picture label="After" wish={{ width, element, sample, edit }} />
          </div>
        </div>
      ))}
    </div>
  );
}

function Picture({ label, wish }: { label: string; wish: Parameters<typeof askEditPicture>[0] }) {
  const [address, setAddress] = useState<string>();
  const [problem, setProblem] = useState<string>();
  const key = JSON.stringify(wish);
  useEffect(() => {
    const stop = new AbortController();
    let made: string | undefined;
    askEditPicture(JSON.parse(key) as typeof wish, stop.signal).then(
      (one) => {
        made = one;
        if (stop.signal.aborted) URL.revokeObjectURL(one);
        else setAddress(one);
      },
      (error: unknown) => !stop.signal.aborted && setProblem(error instanceof Error ? error.message : String(error)),
    );
    return () => {
      stop.abort();
      if (made) URL.revokeObjectURL(made);
    };
  }, [key]);
  return (
    <figure className="m-0">
      <div className="flex min-h-24 min-w-20 items-center justify-center border border-line-strong bg-bed">
        {address ? (
          <img
            src={address}
            alt={`${label}, at ${wish.width} px`}
            className="block max-h-[200px] max-w-[min(240px,40vw)]"
            data-testid="edit-picture"
          />
        ) : (
          <span className={`px-2 text-xs ${problem ? 'text-rust' : 'text-muted'}`}>{problem ?? '…'}</span>
        )}
      </div>
      <figcaption className="text-xs text-muted">{label}</figcaption>
    </figure>
  );
}
