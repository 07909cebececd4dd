'use client';

import { Dialog, DialogPanel, DialogTitle, Radio, RadioGroup } from '@headlessui/react';
import { useEffect, useMemo, useState } from 'react';
import type { Project } from '@/core/document';
import type { Fate, Plan } from '@/core/plans';
import { listOverrides } from '@/core/plans';
import { commitOrReport, report } from '../editing/edits';
import { useSession } from '../state/store';
import { inBackground } from '../editing/background';
import { DANGER_BUTTON } from '../theme/controls';

const close = () => useSession.setState({ removing: undefined });

/** What becomes of the values under a breakpoint that goes. */
export function RemoveBreakpoint() {
  const id = useSession((session) => session.removing);
  const project = useSession((session) => session.project);
  const there = id !== undefined && project.breakpoints.some((one) => one.id === id);
  return (
    <Dialog open={there} onClose={close} className="relative z-50">
      <div className="fixed inset-0 bg-ink/30" aria-hidden />
      <div className="fixed inset-0 flex items-center justify-center p-6">
        <DialogPanel className="max-h-full w-[520px] overflow-auto rounded-[6px] border border-line-strong bg-sheet p-5">
          {there && <Choice key={id} project={project} id={id} />}
        </DialogPanel>
      </div>
    </Dialog>
  );
}

function Choice({ project, id }: { project: Project; id: string }) {
  const breakpoint = project.breakpoints.find((one) => one.id === id)!;
  const others = project.breakpoints.filter((one) => one.id !== id);
  // Its neighbour in the order is the likeliest to take its values.
  const at = project.breakpoints.indexOf(breakpoint);
  const [to, setTo] = useState((project.breakpoints[at + 1] ?? project.breakpoints[at - 1])?.id ?? 'base');
  const [kind, setKind] = useState<Fate['kind']>('fold');
  const written = useMemo(() => listOverrides(project, id), [project, id]);
  const [plan, setPlan] = useState<Plan>();
  useEffect(() => {
    setPlan(undefined);
    const background = inBackground({ kind: 'remove', project, id, fate: kind === 'move' ? { kind, to } : { kind } });
    background.result.then(setPlan, (error: Error) => report(error.message));
    return background.cancel;
  }, [project, id, kind, to]);
  const choices: readonly { kind: Fate['kind']; label: string }[] = [
    { kind: 'fold', label: 'Keep the look where that is possible' },
    { kind: 'move', label: 'Move them to another' },
    { kind: 'drop', label: 'Drop them' },
  ];
  return (
    <>
      <DialogTitle className="m-0 text-[16px] font-bold">Remove {breakpoint.name}: what becomes of its values?</DialogTitle>
      <ul
        aria-label="Written there"
        className="my-2 max-h-32 list-none overflow-auto border-y border-line p-0 py-1 font-mono text-[12px]"
      >
        {written.map((line) => (
          <li key={line} className="py-px">
            {line}
          </li>
        ))}
      </ul>
      <RadioGroup value={kind} onChange={setKind} aria-label="What becomes of them" className="flex flex-col gap-1">
        {choices.map((choice) => (
          <Radio
            key={choice.kind}
            value={choice.kind}
            className="cursor-pointer rounded-[4px] border border-line-strong px-3 py-1.5 data-checked:border-reed data-checked:bg-reed-tint data-checked:font-semibold"
          >
            {choice.label}
          </Radio>
        ))}
      </RadioGroup>
      {kind === 'move' && (
        <label className="flex items-center gap-2 pt-2">
          To
          <select
            className="rounded-[3px] border border-line-strong bg-well px-1 py-0.5"
            value={to}
            onChange={(event) => setTo(event.target.value)}
          >
            {others.map((other) => (
              <option key={other.id} value={other.id}>
                {other.name}
              </option>
            ))}
            <option value="base">Base</option>
          </select>
        </label>
      )}
      <div aria-live="polite" className="mt-2 border-l-2 border-amber pl-2" data-testid="removal">
        {plan ? (
          <>
            <p className="m-0">{plan.sentence}</p>
            {plan.details.map((line) => (
              <p key={line} className="m-0 text-muted">
                {line}
              </p>
            ))}
          </>
        ) : (
          <p className="m-0 text-muted">Working out what will happen …</p>
        )}
      </div>
      <div className="mt-3 flex justify-end gap-2">
        <button
          type="button"
          className="rounded-[4px] border border-line-strong bg-sheet px-3 py-1 hover:bg-paper"
          onClick={close}
        >
          Keep it
        </button>
        <button
          type="button"
          className={DANGER_BUTTON}
          disabled={!plan}
          onClick={() => {
            close();
            commitOrReport(plan!.edit);
          }}
        >
          Remove {breakpoint.name}
        </button>
      </div>
    </>
  );
}
