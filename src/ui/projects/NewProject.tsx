'use client';

import { useState } from 'react';
import { describeCondition, READY_SETS } from '@/core/breakpoints';
import { BAR_BUTTON, SELECT, YES_BUTTON } from '../theme/controls';
import { useAlive } from '../theme/use-alive';

/** What a new project is made from: breakpoints alone, or the demo. */
export type Beginning = { readonly from: 'empty'; readonly set?: string | undefined } | { readonly from: 'demo' };

interface Props {
  readonly create: (name: string, beginning: Beginning) => void;
  readonly bringIn: () => void;
}

/** Three ways to begin: from breakpoints, from pages that are there, from the demo. */
export function NewProject({ create, bringIn }: Props) {
  const [name, setName] = useState('');
  const [set, setSet] = useState('');
  const isAlive = useAlive();
  const ready = READY_SETS.find(({ id }) => id === set);
  return (
    <section aria-label="New project" className="mt-8 rounded-[6px] border border-line-strong bg-sheet p-4">
      <h2 className="m-0 text-[15px] font-bold">New project</h2>
      <form
        className="mt-3"
        onSubmit={(event) => {
          event.preventDefault();
          create(name, { from: 'empty', ...(ready && { set: ready.id }) });
        }}
      >
        <fieldset disabled={!isAlive} className="m-0 min-w-0 border-0 p-0">
          <label>
            <span className="block pb-1 text-muted">Name</span>
            <input
              className="h-8 w-full rounded-[4px] border border-edge bg-well px-2"
              value={name}
              maxLength={80}
              onChange={(event) => setName(event.target.value)}
            />
          </label>
          <div className="mt-4 flex flex-wrap gap-x-6 gap-y-5">
            <Way title="From breakpoints">
              <label className="block w-full">
                <span className="sr-only">Breakpoints to begin with</span>
                <select className={`${SELECT} h-7 w-full`} value={set} onChange={(event) => setSet(event.target.value)}>
                  <option value="">No breakpoints yet</option>
                  {READY_SETS.map((one) => (
                    <option key={one.id} value={one.id}>
                      {one.name}
                    </option>
                  ))}
                </select>
              </label>
              <p className="m-0 flex-1 text-muted" aria-live="polite">
                {ready
                  ? `${ready.use} ${ready.breakpoints.map((one) => `${one.name}: ${describeCondition(one.condition)}`).join('; ')}.`
                  : 'One page with a heading and a text. Breakpoints come where the page needs them.'}
              </p>
              <button type="submit" className={YES_BUTTON}>
                {ready ? 'Create with this set' : 'Create empty'}
              </button>
            </Way>
            <Way title="From pages that are there">
              <p className="m-0 flex-1 text-muted">
                HTML and CSS that somebody wrote: files, a folder, a ZIP, or pasted. You see what comes in before it does.
              </p>
              <button type="button" className={BAR_BUTTON} onClick={bringIn}>
                Bring in pages …
              </button>
            </Way>
            <Way title="From the demo">
              <p className="m-0 flex-1 text-muted">
                The pages of a tool library, half done, with honest mistakes to find and to mend. To look around and to try
                things.
              </p>
              <button type="button" className={BAR_BUTTON} onClick={() => create(name, { from: 'demo' })}>
                Create from the demo
              </button>
            </Way>
          </div>
        </fieldset>
      </form>
    </section>
  );
}

function Way({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <section aria-label={title} className="flex min-w-[200px] flex-1 flex-col items-start gap-2">
      <h3 className="m-0 w-full border-b border-line pb-1 font-semibold">{title}</h3>
      {children}
    </section>
  );
}
