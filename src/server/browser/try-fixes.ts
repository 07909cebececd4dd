import type { Finding, Ledger, View } from '@/core/audit';
import { checkNamed } from '@/core/audit';
import type { IntervalSet } from '@/core/breakpoints';
import { contains, fromIntegers, integersIn, intersect, subtract } from '@/core/breakpoints';
import type { Page, Project, WidthRange } from '@/core/document';
import { rowless } from '@/core/document';
import type { Footprint } from '@/core/edits';
import type { Entry, Fix, FixLine, TriedFix, Verdict } from '@/core/remedy';
import {
  addedBy,
  byWorth,
  entriesOf,
  entryOf,
  fixesFor,
  isSafe,
  seemsSafe,
  shownWidths,
  verdictOn,
  worseBy,
} from '@/core/remedy';
import { failedLine } from './failed-line';
import { changeBetween, Standing } from './standing';

/** So many safe fixes are enough to choose from. */
const SAFE_ENOUGH = 4;
/** And so many of them are looked at in every view. */
const VERIFIED_ENOUGH = 2;

interface Attempt extends TriedFix {
  readonly after: Standing;
  readonly footprint: Footprint;
}

export const viewsOf = (findings: readonly Finding[]): ReadonlySet<View> =>
  new Set<View>(['widths', ...findings.map(({ check }) => checkNamed(check)?.view ?? 'widths')]);

/** What a fix changes on its page, at the widths at which it is shown. */
export const changeOn = (
  before: Standing,
  after: Standing,
  pageId: string,
  touched: IntervalSet,
  worst: number,
): Promise<number> =>
  changeBetween(before.project, after.project, pageId, shownWidths(before.project.audit.range, touched, worst));

/**
 * What else an edit does: all that is new or worse on any page that it reaches, in every view.
 * @param pageId the page that is mended, whose findings come without a name of a page
 */
export async function elseDone(
  before: Standing,
  after: Standing,
  footprint: Footprint,
  pageId: string,
): Promise<Pick<Verdict, 'added' | 'worse' | 'everyView'>> {
  const added: Verdict['added'][number][] = [];
  const worse: Verdict['worse'][number][] = [];
  for (const [id, { widths }] of Object.entries(footprint)) {
    if (!before.page(id) || !after.page(id) || !before.project.pages.some((page) => page.id === id)) continue;
    const was = await before.findings(id, before.plan(widths));
    const is = await after.findings(id, after.plan(widths));
    const where = id === pageId ? {} : { page: before.page(id)!.name };
    added.push(...addedBy(widths, was, is).map((one) => ({ ...one, ...where })));
    worse.push(...worseBy(widths, was, is).map((one) => ({ ...one, ...where })));
    if (added.length > 0) break;
  }
  return { added, worse, everyView: true };
}

/** Widths that say soon whether a fix is worth a closer look: where findings are worst, begin and end, and a few others. */
function soundings({ worst, widths }: Entry, touched: IntervalSet, range: WidthRange): IntervalSet {
  const all = integersIn(touched, range);
  const among = [0.2, 0.5, 0.8].flatMap((share) => all[Math.floor(all.length * share)] ?? []);
  const met = [worst.worst.width, widths[0]!.from, widths[widths.length - 1]!.below - 1];
  return fromIntegers([...new Set([...among, ...met.filter((width) => contains(touched, width))])].sort((a, b) => a - b));
}

/** Whether a fix clears something of an entry where it is sounded. */
export async function promises(before: Standing, after: Standing, pageId: string, entry: Entry, touched: IntervalSet) {
  const { findings } = entry;
  const sounded = soundings(entry, touched, before.project.audit.range);
  const is = await after.findings(pageId, after.planAt(sounded, viewsOf(findings)));
  const left = new Map(is.map((one) => [one.key, one.widths]));
  return findings.some(
    ({ key, widths }) => intersect(intersect(widths, sounded), subtract(sounded, left.get(key) ?? [])).length > 0,
  );
}

async function tryFix(standing: Standing, pageId: string, entry: Entry, fix: Fix): Promise<Attempt | undefined> {
  const { standing: after, footprint } = standing.after(fix.edit);
  const touched = footprint[pageId]?.widths ?? [];
  if (!(await promises(standing, after, pageId, entry, touched))) return undefined;
  const views = viewsOf(entry.findings);
  const was = await standing.findings(pageId, standing.plan(touched, views));
  const is = await after.findings(pageId, after.plan(touched, views));
  const { range } = standing.project.audit;
  const verdict = verdictOn(range, entry.findings, touched, was, is);
  if (verdict.cleared === 0) return undefined;
  const change = await changeOn(standing, after, pageId, touched, entry.worst.worst.width);
  return { ...fix, verdict: { ...verdict, change }, after, footprint };
}

/** With what is said of it in every view, on every page. */
async function inEveryView(standing: Standing, pageId: string, tried: Attempt): Promise<Attempt> {
  const seen = await elseDone(standing, tried.after, tried.footprint, pageId);
  return { ...tried, verdict: { ...tried.verdict, ...seen } };
}

const asLine = ({ after: _, footprint: __, ...fix }: Attempt): FixLine => ({ type: 'tried', fix });

/** The same findings where a list shows other rows, in which they stand on other elements. */
async function entryAmong(standing: Standing, pageId: string, findings: readonly Finding[]): Promise<Entry> {
  const [{ sample, check, element }] = findings as readonly [Finding];
  if (sample === undefined) return entryOf(findings);
  const all = await standing.findings(pageId, standing.plan([{ from: 0, below: Infinity }], new Set(['widths'])));
  const entries = entriesOf(standing.project, standing.page(pageId)!, all);
  const same = entries.find((one) =>
    one.findings.some((other) => other.check === check && rowless(other.element) === rowless(element)),
  );
  return same ?? entryOf(findings);
}

/**
 * What clears an entry only in part goes on with what clears the rest of it: two edits as one fix.
 * @param first clears a part of it and does no harm
 */
async function* withSecond(standing: Standing, pageId: string, entry: Entry, first: Attempt): AsyncGenerator<Attempt> {
  const keys = new Set(entry.findings.map(({ key }) => key));
  const all = await first.after.findings(pageId, first.after.plan(entry.widths, viewsOf(entry.findings)));
  const left = all.filter(({ key }) => keys.has(key));
  if (left.length === 0) return;
  const page = first.after.page(pageId)!;
  for (const second of fixesFor(first.after.project, page, entryOf(left)).filter(({ breakpoints }) => breakpoints === 0)) {
    const both: Fix = {
      title: `${first.title}; ${second.title}`,
      what: `${first.what}; ${second.what}`,
      edit: { type: 'group', label: `${first.title}; ${second.title}`, edits: [first.edit, second.edit] },
      breakpoints: first.breakpoints,
    };
    const tried = await tryFix(standing, pageId, entry, both);
    if (tried && seemsSafe(tried.verdict)) return yield tried;
  }
}

const harmless = ({ verdict }: TriedFix) => verdict.added.length === 0 && verdict.worse.length === 0;

/**
 * Tries the fixes for findings of one cause one after another on a copy, at every width that each can change.
 * @param known what is known of the project's pages, to be used and added to
 */
export async function* tryFixes(
  project: Project,
  page: Page,
  findings: readonly Finding[],
  signal: AbortSignal,
  known?: Map<string, Ledger>,
): AsyncGenerator<FixLine> {
  try {
    const standing = new Standing(project, signal, known);
    const entry = await entryAmong(standing, page.id, findings);
    const fixes = fixesFor(project, page, entry);
    yield { type: 'begun', total: fixes.length };
    const attempts: Attempt[] = [];
    const safe = () => attempts.filter(({ verdict }) => seemsSafe(verdict));
    for (const fix of fixes) {
      if (signal.aborted) return;
      // What mends it in a narrower place needn't be written in a wider one.
      const spare = safe().length >= SAFE_ENOUGH || safe().some(({ what }) => what === fix.what);
      const tried = spare ? undefined : await tryFix(standing, page.id, entry, fix);
      if (tried) attempts.push(tried);
      yield tried ? asLine(tried) : { type: 'looked', done: 1 };
    }
    if (safe().length === 0) {
      const [partly] = attempts.filter(harmless).sort(byWorth);
      if (partly)
        for await (const tried of withSecond(standing, page.id, entry, partly)) {
          attempts.push(tried);
          yield asLine(tried);
        }
    }
    let verified = 0;
    for (const one of safe().sort(byWorth)) {
      if (signal.aborted || verified >= VERIFIED_ENOUGH) break;
      const seen = await inEveryView(standing, page.id, one);
      if (isSafe(seen.verdict)) verified++;
      yield asLine(seen);
    }
    yield { type: 'done' };
  } catch (error) {
    const failed = failedLine('The fixes could not be tried', error);
    if (failed) yield failed;
  }
}
