'use client';

import Link from 'next/link';
import { useEffect } from 'react';
import { NoAnswer, Refused } from '../requests/requests';
import { BAR_BUTTON, YES_BUTTON } from '../theme/controls';
import { Screen } from './Screen';

/** How soon a server that doesn't answer is asked again, ms. */
const AGAIN_MS = 3_000;

interface Props {
  readonly projectId: string;
  readonly failure: Error;
  readonly again: () => void;
}

/** A project that can't be opened: why, and what can be done. A server that doesn't answer is asked again by itself. */
export function WontOpen({ projectId, failure, again }: Props) {
  const silent = failure instanceof NoAnswer;
  const gone = failure instanceof Refused && (failure.status === 404 || failure.status === 400);
  useEffect(() => {
    if (!silent) return undefined;
    const timer = setInterval(again, AGAIN_MS);
    return () => clearInterval(timer);
  }, [silent, again]);
  const toAll = (
    <Link href="/" className={gone ? `${YES_BUTTON} no-underline` : undefined}>
      To all projects
    </Link>
  );
  if (silent)
    return (
      <Screen
        title="The server doesn’t answer"
        ways={
          <button type="button" className={YES_BUTTON} onClick={again}>
            Try now
          </button>
        }
      >
        <p role="alert">The project can’t be loaded. What is saved of it lies on the server and isn’t touched by this.</p>
        <p>
          It is asked again every {AGAIN_MS / 1000} seconds, and the project opens as soon as there is an answer. Where you run it
          yourself, see that <code className="font-mono">npm start</code> is still running.
        </p>
      </Screen>
    );
  if (gone)
    return (
      <Screen title="There is nothing at this address" ways={toAll}>
        <p role="alert">{failure.message}</p>
        <p>The address may be cut off, or the project was deleted.</p>
      </Screen>
    );
  return (
    <Screen
      title="This project can’t be opened"
      ways={
        <>
          <button type="button" className={BAR_BUTTON} onClick={again}>
            Try again
          </button>
          {toAll}
          <a href={`/api/projects/${projectId}/everything`} download>
            Download everything that is stored of it
          </a>
        </>
      }
    >
      <p role="alert">{failure.message}</p>
      <p>
        What is stored of it isn’t changed by this, and can be downloaded, every revision with it, where the server can read it.
      </p>
    </Screen>
  );
}
