import { useEffect, useState } from 'react';
import type { Project } from '@/core/document';
import type { LintFinding } from '@/core/lints';

/** Ms without an edit before the values are looked through again. */
const CALM = 300;

interface Lints {
  readonly findings: readonly LintFinding[];
  /** Whether they are those of the document as it is now. */
  readonly fresh: boolean;
}

let worker: Worker | undefined;
let ticket = 0;

/** The findings in the values of a project, worked out beside the page. */
export function useLints(project: Project): Lints {
  const [known, setKnown] = useState<{ project: Project; findings: readonly LintFinding[] }>();
  useEffect(() => {
    worker ??= new Worker(new URL('./lint-worker.ts', import.meta.url));
    const mine = ++ticket;
    const take = (event: MessageEvent<{ ticket: number; findings: LintFinding[] }>) => {
      if (event.data.ticket === mine) setKnown({ project, findings: event.data.findings });
    };
    const timer = setTimeout(() => worker!.postMessage({ ticket: mine, project }), CALM);
    worker.addEventListener('message', take);
    return () => {
      clearTimeout(timer);
      worker?.removeEventListener('message', take);
    };
  }, [project]);
  return { findings: known?.findings ?? [], fresh: known?.project === project };
}
