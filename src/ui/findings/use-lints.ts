import { useEffect, useState } from 'react';
import type { Project } from '@/core/document';
import type { LintFinding } from '@/core/lints';
import { report } from '../editing/edits';
import { inBackground } from '../editing/background';

/** Ms without an edit before the values are looked through again. */
const CALM = 300;

interface Lints {
  readonly findings: readonly LintFinding[];
  /** Whether they are those of the document as it is now. */
  readonly fresh: boolean;
}

/** The findings in the values of a project, worked out beside the page. */
export function useLints(project: Project): Lints {
  const [known, setKnown] = useState<{ project: Project; findings: readonly LintFinding[] }>();
  useEffect(() => {
    let cancel = () => undefined as void;
    const timer = setTimeout(() => {
      const background = inBackground({ kind: 'lint', project });
      cancel = background.cancel;
      background.result.then(
        (findings) => setKnown({ project, findings }),
        (error: Error) => report(error.message),
      );
    }, CALM);
    return () => {
      clearTimeout(timer);
      cancel();
    };
  }, [project]);
  return { findings: known?.findings ?? [], fresh: known?.project === project };
}
