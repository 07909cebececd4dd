'use client';

import { useEffect, useState } from 'react';
import { steadyProject, useSession } from '../state/store';
import { BUTTON } from '../theme/controls';
import type { Proven } from './rehearsal';
import { rehearse } from './rehearsal';

/** Has what is handed over tried, and says what was found as long as nothing is changed. */
export function Rehearsed() {
  const project = useSession(steadyProject);
  const [proven, setProven] = useState<Proven>();
  const [isTrying, setTrying] = useState(false);
  useEffect(() => setProven(undefined), [project]);
  const tryIt = async () => {
    setTrying(true);
    setProven(await rehearse());
    setTrying(false);
  };
  return (
    <div className="pb-1 text-xs">
      <button type="button" className={BUTTON} disabled={isTrying} onClick={() => void tryIt()}>
        {isTrying ? 'Trying …' : 'Try it as handed over'}
      </button>
      {proven && (
        <ul aria-label="Tried as handed over" className={`m-0 list-none p-0 pt-1 ${proven.isFine ? '' : 'text-rust'}`}>
          {proven.sentences.map((sentence) => (
            <li key={sentence}>{sentence}</li>
          ))}
        </ul>
      )}
    </div>
  );
}
