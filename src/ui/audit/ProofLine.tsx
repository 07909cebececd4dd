'use client';

import { fromIntegers, subtract } from '@/core/breakpoints';
import { BUTTON, SIGN_BUTTON } from '../theme/controls';
import { dropProof, prove } from './audit';
import { useSession, useAudit } from '../state/store';
import { askRevisions } from '../lineup/api';
import { report } from '../editing/edits';
import { inWords } from './widths';
import { spokenAtEnd } from '../view/spoken';

const COUNT = new Intl.NumberFormat('en');

async function proveLast(): Promise<void> {
  try {
    const [last] = (await askRevisions()).revisions;
    if (last) await prove(last.revision, last.words);
  } catch (error) {
    report(error instanceof Error ? error.message : String(error));
  }
}

/** What the last edit changed, and that it changed nothing else: every width of both versions compared. */
export function ProofLine() {
  const proof = useAudit((audit) => audit.proof);
  const canProve = useSession((session) => session.history.undo.length > 0);
  const { first, last } = useSession((session) => session.project.audit.range);
  const all = [{ from: first, below: last + 1 }];
  const changed = fromIntegers([...(proof?.moved ?? [])].sort((a, b) => a - b));
  const identical = subtract(all, changed);
  return (
    <footer className="flex min-h-9 shrink-0 items-center gap-3 border-t border-line bg-sheet px-4 py-1">
      {!proof ? (
        <>
          <span className="text-muted">What did the last edit change?</span>
          <button type="button" className={BUTTON} disabled={!canProve} onClick={() => void proveLast()}>
            Prove it
          </button>
        </>
      ) : (
        <>
          <span className="min-w-0 flex-1" {...spokenAtEnd(proof.running)} data-testid="proof" data-done={!proof.running}>
            <b className="font-semibold">{proof.words}.</b>{' '}
            {proof.problem ? (
              <span className="text-rust">{proof.problem}</span>
            ) : proof.running ? (
              <span className="text-muted">
                Comparing both versions: {COUNT.format(proof.compared)} of {COUNT.format(proof.total)} widths
              </span>
            ) : (
              <>
                Changed: {changed.length > 0 ? inWords(changed, 6) : 'nothing'}. Identical:{' '}
                {identical.length > 0 ? inWords(identical, 6) : 'no width'} ({COUNT.format(proof.compared)} widths compared).
              </>
            )}
          </span>
          {proof.running && (
            <progress aria-label="Widths compared" className="h-1.5 w-24 accent-amber" max={proof.total} value={proof.compared} />
          )}
          <button type="button" className={SIGN_BUTTON} aria-label="Close the proof" onClick={dropProof}>
            ×
          </button>
        </>
      )}
    </footer>
  );
}
