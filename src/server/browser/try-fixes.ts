import type { Finding, WidthResult } from '@/core/audit';
import { checkNamed, REFLOW_VIEWPORT } from '@/core/audit';
import { DEFAULT_SLICE } from '@/core/breakpoints';
import type { Page, Project } from '@/core/document';
import { pageOf } from '@/core/document';
import type { Edit } from '@/core/edits';
import { applyEdit } from '@/core/edits';
import type { Fix, FixLine, TriedFix } from '@/core/remedy';
import { byWorth, fixesFor, isSafe, verdictOn, widthsToTry } from '@/core/remedy';
import { failedLine } from './failed-line';
import { turns } from './lanes';
import { MeasuredPage } from './measuring';
import { tried } from './tries';

/** What every width of a page says, in the view of a finding's check and in the usual one. */
async function sweepAt(
  project: Project,
  page: Page,
  finding: Finding,
  widths: readonly number[],
  signal: AbortSignal,
): Promise<WidthResult[]> {
  const view = checkNamed(finding.check)?.view ?? 'widths';
  return tried(`“${page.name}” could not be measured`, () => turns.run({ urgency: 'now', signal }, measureAll));
  async function measureAll(): Promise<WidthResult[]> {
    const measured = await MeasuredPage.open(project, page);
    try {
      const { first, last } = project.audit.range;
      const usual = await measured.measure(widths.filter((width) => first <= width && width <= last));
      if (view === 'widths') return usual;
      // Of another view only the worst height is tried.
      const heights = [finding.worst.height ?? DEFAULT_SLICE.height];
      const seen = widths.filter((width) => view !== 'reflow' || width === REFLOW_VIEWPORT.width);
      const known = new Map(usual.map((one) => [one.width, one]));
      for (const { width, violations } of await measured.measure(seen, { view, heights }))
        known.set(width, { ...known.get(width), width, violations: [...(known.get(width)?.violations ?? []), ...violations] });
      return widths.map((width) => known.get(width) ?? { width, violations: [] });
    } finally {
      await measured.close();
    }
  }
}

/** Keeps what was measured of one version of a page, so that each fix measures only what it changes. */
class Before {
  readonly #known = new Map<number, WidthResult>();

  constructor(
    private readonly project: Project,
    private readonly page: Page,
    private readonly finding: Finding,
    private readonly signal: AbortSignal,
  ) {}

  async at(widths: readonly number[]): Promise<WidthResult[]> {
    const missing = widths.filter((width) => !this.#known.has(width));
    if (missing.length > 0)
      for (const result of await sweepAt(this.project, this.page, this.finding, missing, this.signal))
        this.#known.set(result.width, result);
    return widths.map((width) => this.#known.get(width)!);
  }
}

async function tryFix(
  project: Project,
  page: Page,
  finding: Finding,
  fix: Fix,
  before: Before,
  signal: AbortSignal,
): Promise<TriedFix | undefined> {
  const { document, footprint } = applyEdit(project, fix.edit);
  const touched = footprint[page.id]?.widths ?? [];
  const { range } = project.audit;
  const widths = widthsToTry(range, finding, touched);
  const changed = pageOf(document, page.id);
  if (!changed || widths.length === 0) return undefined;
  const was = await before.at(widths);
  const is = await sweepAt(document, changed, finding, widths, signal);
  return { ...fix, verdict: verdictOn(range, finding, touched, was, is) };
}

/** Tries the fixes for a finding one after another on a copy, at every width that each can change. */
export async function* tryFixes(project: Project, page: Page, finding: Finding, signal: AbortSignal): AsyncGenerator<FixLine> {
  try {
    const fixes = fixesFor(project, page, finding);
    yield { type: 'begun', total: fixes.length };
    const before = new Before(project, page, finding, signal);
    for (const fix of fixes) {
      if (signal.aborted) return;
      const tried = await tryFix(project, page, finding, fix, before, signal);
      if (tried && tried.verdict.cleared > 0) yield { type: 'tried', fix: tried };
      else yield { type: 'looked', done: 1 };
    }
    yield { type: 'done' };
  } catch (error) {
    const failed = failedLine('The fixes could not be tried', error);
    if (failed) yield failed;
  }
}

const newBreakpoints = (edit: Edit): number =>
  edit.type === 'addBreakpoint' ? 1 : edit.type === 'group' ? edit.edits.reduce((sum, one) => sum + newBreakpoints(one), 0) : 0;

/** Mends what can be mended safely: each fix is tried on what the ones before have made of the page. One edit in all. */
export async function* mendPage(
  project: Project,
  pageId: string,
  findings: readonly Finding[],
  signal: AbortSignal,
): AsyncGenerator<FixLine> {
  try {
    yield { type: 'begun', total: findings.length };
    let document = project;
    const edits: Edit[] = [];
    for (const [index, finding] of findings.entries()) {
      if (signal.aborted) return;
      const page = pageOf(document, pageId)!;
      const before = new Before(document, page, finding, signal);
      const safe: TriedFix[] = [];
      for (const fix of fixesFor(document, page, finding)) {
        if (signal.aborted) return;
        const tried = await tryFix(document, page, finding, fix, before, signal);
        if (tried && isSafe(tried.verdict)) safe.push(tried);
        if (safe.length >= 2) break;
      }
      // Many findings mended at once shouldn't leave as many breakpoints behind.
      const [best] = safe.sort((a, b) => newBreakpoints(a.edit) - newBreakpoints(b.edit) || byWorth(a.verdict, b.verdict));
      if (best) {
        document = applyEdit(document, best.edit).document;
        edits.push(best.edit);
        yield { type: 'mended', finding: finding.key, title: best.title };
      }
      yield { type: 'looked', done: index + 1 };
    }
    yield { type: 'edit', edit: edits.length > 0 ? { type: 'group', label: `Mend ${edits.length} findings`, edits } : null };
    yield { type: 'done' };
  } catch (error) {
    const failed = failedLine('The page could not be mended', error);
    if (failed) yield failed;
  }
}
