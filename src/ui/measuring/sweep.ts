import type { Looking } from '@/core/audit';
import { allWidthsAt, countOfWidths, Ledger, planOf, unpacked } from '@/core/audit';
import type { IntervalSet } from '@/core/breakpoints';
import { ALL_WIDTHS, fromIntegers } from '@/core/breakpoints';
import type { Profile } from '@/core/document';
import type { Footprint } from '@/core/edits';
import { Refused, streamSweep } from '../requests/requests';
import type { SweepState } from '../state/store';
import { useSession } from '../state/store';

const SHOWN_EVERY_MS = 250;

/** What is known of each page, for as long as the project is open. */
const ledgers = new Map<string, Ledger>();
let running: { pageId: string; stop: AbortController } | undefined;

function ledgerOf(pageId: string): Ledger {
  let ledger = ledgers.get(pageId);
  if (!ledger) ledgers.set(pageId, (ledger = new Ledger()));
  return ledger;
}

/** Everything that is looked at of a page of the project as it is. */
function plan(): readonly Looking[] {
  const { project, slice } = useSession.getState();
  return planOf(project, slice);
}

/** What every page is measured for; the rest only while somebody asks for it. */
function everyWidth(): readonly Looking[] {
  const { project, slice } = useSession.getState();
  return [allWidthsAt(project, slice)];
}

let further = false;

/**
 * Whether pages are looked at in all further ways too: at the heights of devices, with larger text and so on.
 * Whoever opens an audit asks for it, also where pages are measured only when asked.
 */
export function lookFurther(on: boolean): void {
  further = on;
  if (on) continueSweep();
}

/** What is still to be measured of a page, in order. */
const missingOf = (pageId: string): Looking[] => ledgerOf(pageId).missing(further ? plan() : everyWidth());

function show(pageId: string, change: Partial<SweepState>, measured = false): void {
  const decided = ledgerOf(pageId).decided(everyWidth());
  const total = countOfWidths(useSession.getState().project.audit.range);
  const { sweeps } = useSession.getState();
  const next: SweepState = { running: false, stopped: false, ...sweeps[pageId], ...change, total, decided };
  if (!isAlike(sweeps[pageId], next)) useSession.setState({ sweeps: { ...sweeps, [pageId]: next } });
  if (measured) showFindings(pageId);
}

/** What shows it isn't drawn anew for nothing. */
function isAlike(before: SweepState | undefined, next: SweepState): boolean {
  if (!before) return false;
  const names = [...new Set([...Object.keys(before), ...Object.keys(next)])] as (keyof SweepState)[];
  return names.every((name) => before[name] === next[name]);
}

function showFindings(pageId: string): void {
  const all = ledgerOf(pageId).findings(useSession.getState().project.audit, plan());
  useSession.setState(({ findings, accepted }) => ({
    findings: { ...findings, [pageId]: all.filter((finding) => finding.accepted === undefined) },
    accepted: { ...accepted, [pageId]: all.filter((finding) => finding.accepted !== undefined) },
  }));
}

let profile: Profile | undefined;

/** Another profile: what is accepted is sorted anew; with other checks or widths every page is judged anew. */
function followProfile(audit: Profile): void {
  const before = profile;
  profile = audit;
  if (!before || before === audit) return;
  // What is found in the widest band is held against its widest width.
  if (before.checks !== audit.checks || before.range !== audit.range) allWidthsChanged();
  for (const pageId of ledgers.keys()) showFindings(pageId);
}
useSession.subscribe(({ project, slice }, before) => {
  if (!project) return;
  if (project.audit !== profile) followProfile(project.audit);
  // Other devices and another height are another plan: what is no longer looked at says nothing any more.
  const same =
    project.devices === before.project?.devices &&
    project.deviceSets === before.project?.deviceSets &&
    slice.height === before.slice.height;
  if (!same) for (const pageId of ledgers.keys()) show(pageId, { complete: false }, true);
});

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
  noteBefore(pageId);
  ledgerOf(pageId).invalidate(widths);
  if (running?.pageId === pageId) running.stop.abort();
  show(pageId, { stopped: false, complete: false, reached: true });
}

/** What was found on a page before it changed, to be told what the change did; only where all of it was known. */
function noteBefore(pageId: string): void {
  const { sweeps, findings } = useSession.getState();
  const known = sweeps[pageId] && ledgerOf(pageId).missing(everyWidth()).length === 0;
  if (known) show(pageId, { before: findings[pageId]?.length ?? 0 });
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
  const { pageId, pending, sweeps, damage } = useSession.getState();
  // The server measures what it has; what can't be read can't be measured.
  if (pending.length > 0 || damage) return;
  if (running?.pageId === pageId && !running.stop.signal.aborted) return;
  if (!again && (sweeps[pageId]?.stopped || (onlyWhenAsked() && !further))) return;
  if (missingOf(pageId).length > 0) {
    running?.stop.abort();
    return void measure(pageId);
  }
  if (sweeps[pageId]) show(pageId, { running: false, further: undefined, complete: further });
  measureOthers();
}

/** Pages that aren't on screen and were reached by an edit, of a part or of a shared style: one after the other. */
function measureOthers(): void {
  const { project, pageId, pending, sweeps, damage } = useSession.getState();
  if ((running && !running.stop.signal.aborted) || pending.length > 0 || damage || onlyWhenAsked()) return;
  const next = project.pages.find(
    ({ id }) =>
      id !== pageId &&
      sweeps[id]?.reached &&
      !sweeps[id]?.stopped &&
      !sweeps[id]?.error &&
      ledgerOf(id).missing(everyWidth()).length > 0,
  );
  if (next) void measure(next.id);
}

/** All that is missing, one view after the other. */
async function measure(pageId: string): Promise<void> {
  const stop = new AbortController();
  const mine = { pageId, stop };
  let isBehind = false;
  running = mine;
  try {
    for (let before: Looking | undefined; ;) {
      const isShown = pageId === useSession.getState().pageId;
      const [next] = isShown ? missingOf(pageId) : ledgerOf(pageId).missing(everyWidth());
      if (!next) break;
      if (before && sameLooking(before, next)) throw new Error('The server measured less than it was asked for.');
      before = next;
      await measureView(pageId, next, stop.signal);
      if (stop.signal.aborted) return;
    }
    show(pageId, { running: false, further: undefined, complete: further }, true);
  } catch (error) {
    if (stop.signal.aborted) return;
    // 409: an edit has come in between. The save that brings it starts the sweep again.
    isBehind = error instanceof Refused && error.status === 409;
    show(pageId, { running: false, ...(!isBehind && { error: error instanceof Error ? error.message : String(error) }) });
  } finally {
    if (running === mine) {
      running = undefined;
      if (!stop.signal.aborted && !isBehind) measureOthers();
    }
  }
}

const sameLooking = (a: Looking, b: Looking) =>
  a.view === b.view && a.heights.join() === b.heights.join() && a.widths.join() === b.widths.join();

async function measureView(pageId: string, { view, heights, widths }: Looking, signal: AbortSignal): Promise<void> {
  const { projectId, revision, width, slice, sweeps } = useSession.getState();
  const ledger = ledgerOf(pageId);
  const isFurther = view !== 'widths';
  let layouts = isFurther ? (sweeps[pageId]?.layouts ?? 0) : 0;
  show(pageId, {
    layouts,
    running: true,
    stopped: false,
    further: isFurther ? view : undefined,
    complete: false,
    error: undefined,
  });
  let shownAt = -Infinity;
  const body = {
    page: pageId,
    revision,
    view,
    heights,
    widths: fromIntegers(widths).map(({ from, below }) => ({ first: from, last: below - 1 })),
    near: Math.round(width),
    height: slice.height,
    pointer: slice.pointer,
  };
  for await (const line of streamSweep(projectId, body, signal)) {
    if (signal.aborted) return;
    if (line.type === 'failed') throw new Error(line.message);
    if (line.type !== 'results') continue;
    ledger.record(unpacked(line.results), line.view, line.height);
    layouts += line.layouts;
    if (line.wrong) show(pageId, { wrong: line.wrong });
    // Working findings out takes a while once many heights are known, so it's done a few times a second.
    const due = performance.now() - shownAt > SHOWN_EVERY_MS;
    if (due) shownAt = performance.now();
    show(pageId, { running: true, layouts, ...(!isFurther && { everyWidth: layouts >= widths.length }) }, due);
  }
  if (!signal.aborted) showFindings(pageId);
}
