import type { Finding } from '@/core/audit';
import type { Edit } from '@/core/edits';
import type { Entry, TriedFix } from '@/core/remedy';
import { byWorth } from '@/core/remedy';
import { announce, commitOrReport } from '../editing/edits';
import type { FixesOf, Mending, Proof } from '../state/audit-slice';
import { useAudit, useSession } from '../state/store';
import { settled } from '../editing/sync';
import type { CompareLine } from '../lineup/api';
import { streamComparison } from '../lineup/api';
import { streamFixes, streamMend } from './api';

const words = (error: unknown) => (error instanceof Error ? error.message : String(error));
let trying: AbortController | undefined;
let proving: AbortController | undefined;
let mending: AbortController | undefined;

/** A fix that is told once more, with more that is known of it, stands in the place of the first. */
const withFix = (tried: readonly TriedFix[], fix: TriedFix): readonly TriedFix[] =>
  [...tried.filter(({ title }) => title !== fix.title), fix].sort(byWorth);

/** Has fixes for an entry tried; what was tried for another one is let go. */
export async function findFixes(entry: Entry): Promise<void> {
  trying?.abort();
  const stop = (trying = new AbortController());
  await settled();
  if (stop.signal.aborted) return;
  const { revision } = useSession.getState();
  const change = (part: Partial<FixesOf>) =>
    !stop.signal.aborted && useAudit.setState(({ fixes }) => ({ fixes: fixes && { ...fixes, ...part } }));
  useAudit.setState({ fixes: { entry: entry.key, revision, running: true, total: 0, looked: 0, tried: [] } });
  try {
    for await (const line of streamFixes(entry.findings, stop.signal)) {
      const fixes = useAudit.getState().fixes!;
      if (line.type === 'begun') change({ total: line.total });
      if (line.type === 'looked') change({ looked: fixes.looked + 1 });
      if (line.type === 'tried')
        change({ looked: fixes.looked + (line.fix.verdict.everyView ? 0 : 1), tried: withFix(fixes.tried, line.fix) });
      if (line.type === 'failed') change({ problem: line.message });
    }
  } catch (error) {
    change({ problem: words(error) });
  }
  change({ running: false });
}

export function stopFixes(): void {
  trying?.abort();
  useAudit.setState(({ fixes }) => ({ fixes: fixes && { ...fixes, running: false } }));
}

/** Makes an edit and then shows what it did at every width. */
export async function applyAndProve(edit: Edit, title: string): Promise<void> {
  await settled();
  const before = useSession.getState().revision;
  if (!commitOrReport(edit, 'here')) return;
  announce(`${title}: done.`);
  await prove(before, title);
}

/** Compares the page with what it was at a revision, at every width. */
export async function prove(before: number, title: string): Promise<void> {
  proving?.abort();
  const stop = (proving = new AbortController());
  const change = (part: Partial<Proof>) =>
    !stop.signal.aborted && useAudit.setState(({ proof }) => ({ proof: proof && { ...proof, ...part } }));
  useAudit.setState({ proof: { words: title, running: true, total: 0, compared: 0, moved: [] } });
  try {
    for await (const line of streamComparison(before, stop.signal, true)) takeIn(line, change);
  } catch (error) {
    change({ problem: words(error) });
  }
  change({ running: false });
}

function takeIn(line: CompareLine, change: (part: Partial<Proof>) => unknown): void {
  const proof = useAudit.getState().proof!;
  if (line.type === 'begun') change({ total: line.total });
  if (line.type === 'compared')
    change({ compared: proof.compared + line.count, moved: [...proof.moved, ...line.moved.map(({ width }) => width)] });
  if (line.type === 'failed') change({ problem: line.message });
}

export function dropProof(): void {
  proving?.abort();
  useAudit.setState({ proof: undefined });
}

/** Looks for the fewest edits that mend what can be mended safely among the findings; they are made when somebody has seen them. */
export async function mendSafely(findings: readonly Finding[]): Promise<void> {
  mending?.abort();
  const stop = (mending = new AbortController());
  await settled();
  const change = (part: Partial<Mending>) =>
    !stop.signal.aborted && useAudit.setState(({ mending: now }) => ({ mending: now && { ...now, ...part } }));
  const { revision } = useSession.getState();
  useAudit.setState({ mending: { running: true, total: 0, looked: 0, titles: [] } });
  try {
    for await (const line of streamMend(findings, stop.signal)) {
      if (line.type === 'begun') change({ total: line.total });
      if (line.type === 'looked') change({ looked: line.done });
      if (line.type === 'mended') change({ titles: [...useAudit.getState().mending!.titles, line.title] });
      if (line.type === 'failed') change({ problem: line.message });
      if (line.type === 'needless') change({ titles: useAudit.getState().mending!.titles.filter((one) => one !== line.title) });
      if (line.type === 'edit') {
        const { edit, steps, widths } = line;
        if (edit) change({ offer: { edit, steps, widths, revision } });
        else announce('None of these findings has a fix that clears it everywhere, adds nothing and makes no new breakpoint.');
      }
    }
  } catch (error) {
    change({ problem: words(error) });
  }
  change({ running: false });
}

/** Makes the edits of a mend that was looked at. */
export async function takeMend(): Promise<void> {
  const offer = useAudit.getState().mending?.offer;
  stopMending();
  if (offer) await applyAndProve(offer.edit, 'Mend what is safe');
}

export function stopMending(): void {
  mending?.abort();
  useAudit.setState({ mending: undefined });
}

export function chooseFinding(finding: string | undefined): void {
  if (useSession.getState().selectedFinding === finding) return;
  trying?.abort();
  useSession.setState({ selectedFinding: finding });
  useAudit.setState({ fixes: undefined });
}
