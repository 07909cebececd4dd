import type { View } from '@/core/audit';
import { Ledger, SWEEP_RANGE, unpacked, VIEWS } from '@/core/audit';
import type { IntervalSet } from '@/core/breakpoints';
import { ALL_WIDTHS, fromIntegers } from '@/core/breakpoints';
import type { Footprint } from '@/core/edits';
import { Refused, streamSweep } from './api';
import type { SweepState } from './store';
import { useSession } from './store';
import type { Profile } from '@/core/document';

const TOTAL = SWEEP_RANGE.last - SWEEP_RANGE.first + 1;

/** What is known of each page, for as long as the project is open. */
const ledgers = new Map<string, Ledger>();
let running: { pageId: string; stop: AbortController } | undefined;

function ledgerOf(pageId: string): Ledger {
  let ledger = ledgers.get(pageId);
  if (!ledger) ledgers.set(pageId, (ledger = new Ledger()));
  return ledger;
}

function show(pageId: string, change: Partial<SweepState>, measured = false): void {
  const ledger = ledgerOf(pageId);
  useSession.setState(({ sweeps }) => ({
    sweeps: {
      ...sweeps,
      [pageId]: { total: TOTAL, running: false, stopped: false, ...sweeps[pageId], ...change, decided: ledger.decided },
    },
  }));
  if (measured) showFindings(pageId);
}

function showFindings(pageId: string): void {
  const all = ledgerOf(pageId).findings(useSession.getState().project.audit);
  useSession.setState(({ findings, accepted }) => ({
    findings: { ...findings, [pageId]: all.filter((finding) => finding.accepted === undefined) },
    accepted: { ...accepted, [pageId]: all.filter((finding) => finding.accepted !== undefined) },
  }));
}

let profile: Profile | undefined;

/** Another profile: what is accepted is sorted anew; with other checks every page is judged anew. */
function followProfile(audit: Profile): void {
  const before = profile;
  profile = audit;
  if (!before || before === audit) return;
  if (before.checks !== audit.checks) allWidthsChanged();
  for (const pageId of ledgers.keys()) showFindings(pageId);
}
useSession.subscribe(({ project }) => {
  if (project && project.audit !== profile) followProfile(project.audit);
});

let further = false;

/**
 * Whether pages are looked at in all further ways too: at the heights of devices, with larger text and so on.
 * Whoever opens an audit asks for it, also where pages are measured only when asked.
 */
export function lookFurther(on: boolean): void {
  further = on;
  if (on) continueSweep();
}

/** The views of a page that aren't known yet, in order. */
function unknownViews(pageId: string): View[] {
  const ledger = ledgerOf(pageId);
  return VIEWS.filter((view) => {
    if (view === 'widths') return ledger.missing().length > 0;
    return further && !ledger.knows(view);
  });
}
const SHOWN_EVERY_MS = 250;
/** Views of a few viewports, that are looked at as a whole. */
const SMALL: ReadonlySet<View> = new Set(['reflow', 'turned']);

export function forgetSweeps(): void {
  running?.stop.abort();
  running = undefined;
  ledgers.clear();
}

/** Marks the widths that an edit can have changed; they are measured again once it is saved. */
export function invalidateSweeps(footprint: Footprint): void {
  for (const [pageId, { widths }] of Object.entries(footprint)) invalidate(pageId, widths);
}

export function allWidthsChanged(): void {
  for (const pageId of ledgers.keys()) invalidate(pageId, ALL_WIDTHS);
}

function invalidate(pageId: string, widths: IntervalSet): void {
  if (widths.length === 0) return;
  ledgerOf(pageId).invalidate(widths);
  if (running?.pageId === pageId) running.stop.abort();
  show(pageId, { stopped: false });
}

export function stopSweep(): void {
  const pageId = running?.pageId;
  running?.stop.abort();
  running = undefined;
  if (pageId) show(pageId, { running: false, stopped: true });
}

const WHEN_ASKED = 'mill-pond-measuring';

/** Whether pages are measured only when asked for; remembered in this browser. */
export const onlyWhenAsked = (): boolean => globalThis.localStorage?.getItem(WHEN_ASKED) === 'asked';

/** Lets pages be measured by themselves, or only when asked for. */
export function setOnlyWhenAsked(asked: boolean): void {
  localStorage.setItem(WHEN_ASKED, asked ? 'asked' : 'always');
  if (asked) stopSweep();
  else continueSweep(true);
}

/** Measures what is missing of the page on screen, unless that is going on or was stopped. */
export function continueSweep(again = false): void {
  const { pageId, pending, sweeps } = useSession.getState();
  if (pending.length > 0) return;
  if (running?.pageId === pageId && !running.stop.signal.aborted) return;
  if (!again && (sweeps[pageId]?.stopped || (onlyWhenAsked() && !further))) return;
  running?.stop.abort();
  const [next] = unknownViews(pageId);
  if (next) void measure(pageId, next);
}

async function measure(pageId: string, view: View): Promise<void> {
  const stop = new AbortController();
  const mine = { pageId, stop };
  running = mine;
  const { projectId, revision, width, slice } = useSession.getState();
  const ledger = ledgerOf(pageId);
  let shownAt = -Infinity;
  const {
    error: _,
    layouts: spent = 0,
    ...before
  } = useSession.getState().sweeps[pageId] ?? ({} as Partial<SweepState>);
  useSession.setState(({ sweeps }) => ({
    sweeps: {
      ...sweeps,
      [pageId]: {
        total: TOTAL,
        decided: ledger.decided,
        ...before,
        layouts: view === 'widths' ? 0 : spent,
        running: true,
        stopped: false,
        further: view === 'widths' ? undefined : view,
        complete: false,
      },
    },
  }));
  const wanted = SMALL.has(view) ? [SWEEP_RANGE.first] : ledger.missing(view);
  const widths = fromIntegers(wanted).map(({ from, below }) => ({ first: from, last: below - 1 }));
  try {
    for await (const line of streamSweep(
      projectId,
      { page: pageId, revision, widths, near: Math.round(width), view, ...slice },
      stop.signal,
    )) {
      if (stop.signal.aborted) return;
      if (line.type === 'failed') throw new Error(line.message);
      if (line.type === 'results') {
        ledger.record(unpacked(line.results), line.view);
        const { layouts = 0 } = useSession.getState().sweeps[pageId] ?? {};
        // Working findings out takes a while once many heights are known, so it's done a few times a second.
        const due = performance.now() - shownAt > SHOWN_EVERY_MS;
        if (due) shownAt = performance.now();
        show(pageId, { running: true, layouts: layouts + line.layouts }, due);
      }
    }
    if (stop.signal.aborted) return;
    showFindings(pageId);
    if (view !== 'widths') ledger.settle(view);
    const [next] = unknownViews(pageId);
    if (next) await measure(pageId, next);
    else show(pageId, { running: false, further: undefined, complete: further });
  } catch (error) {
    if (stop.signal.aborted) return;
    // 409: an edit has come in between. The save that brings it starts the sweep again.
    const behind = error instanceof Refused && error.status === 409;
    show(pageId, { running: false, ...(!behind && { error: error instanceof Error ? error.message : String(error) }) });
  } finally {
    if (running === mine) running = undefined;
  }
}
