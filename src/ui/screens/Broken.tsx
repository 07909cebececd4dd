'use client';

import { useState } from 'react';
import { useSession } from '../state/store';
import { BAR_BUTTON, YES_BUTTON } from '../theme/controls';
import { plural } from '@/core/text';
import { Screen } from './Screen';

interface Props {
  readonly error: Error & { readonly digest?: string };
  /** Draws the window once more, with all that it knows. */
  readonly again: () => void;
}

/** Drawing the window failed. What was edited is still known, and is still being sent. */
export function Broken({ error, again }: Props) {
  const waiting = useSession((session) => session.pending.length);
  const [copied, setCopied] = useState(false);
  const words = `${error.name}: ${error.message}${error.digest ? ` (${error.digest})` : ''}`;
  return (
    <Screen
      title="This window could not be drawn"
      ways={
        <>
          <button type="button" className={YES_BUTTON} onClick={again}>
            Draw it again
          </button>
          <button type="button" className={BAR_BUTTON} onClick={() => location.reload()}>
            Load the page anew
          </button>
          <a href="/">To all projects</a>
        </>
      }
    >
      <p role="alert">
        A fault of ours.{' '}
        {waiting === 0
          ? 'All your edits are saved.'
          : `${plural(waiting, 'edit')} ${waiting === 1 ? 'is' : 'are'} not saved yet and still being sent: draw it again rather than load it anew.`}
      </p>
      <p>If it fails again, the last edit may be the reason: after loading it anew it can be undone.</p>
      <details className="mt-3">
        <summary className="cursor-pointer text-muted">What happened</summary>
        <pre className="my-2 max-h-40 overflow-auto rounded-[4px] bg-well p-2 font-mono text-xs whitespace-pre-wrap">{words}</pre>
        <button
          type="button"
          className={BAR_BUTTON}
          onClick={() =>
            void navigator.clipboard.writeText(`${words}\n${error.stack ?? ''}`).then(
              () => setCopied(true),
              () => undefined,
            )
          }
        >
          {copied ? 'Copied' : 'Copy it to tell us'}
        </button>
      </details>
    </Screen>
  );
}
