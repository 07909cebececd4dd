import type { Finding, Ledger, View } from '@/core/audit';
import { ALL_WIDTHS, intersect, union } from '@/core/breakpoints';
import type { IntervalSet } from '@/core/breakpoints';
import type { Project, WidthRange } from '@/core/document';
import type { Edit } from '@/core/edits';
import type { Entry, Fix, FixLine, MendStep, Verdict } from '@/core/remedy';
import { entriesOf, fixesFor, freshIn, shownWidths, verdictOn, worthOf } from '@/core/remedy';
import { failedLine } from './failed-line';
import { Standing } from './standing';
import { withoutNeedless } from './needless';
import { changeOn, elseDone, promises, viewsOf } from './try-fixes';

/** So many fixes of an entry that help are compared with those of the others. */
const HELPING_MOST = 3;
/** Two cores. */
const AT_ONCE = 2;

/** What an entry that is cleared in part counts, of what it would count in whole; and the least that is worth an edit. */
const PARTLY = 0.5;
const WORTHWHILE = 0.2;

const USUAL: ReadonlySet<View> = new Set(['widths']);

interface Candidate {
  readonly fix: Fix;
  /** Keys of findings that are gone with it. */
  readonly gone: ReadonlySet<string>;
  readonly after: Standing;
  readonly touched: IntervalSet;
  readonly worth: number;
}

/** The share of findings and their widths that is gone. */
function clearedOf(range: WidthRange, findings: readonly Finding[], touched: IntervalSet, after: readonly Finding[]): number {
  const { cleared, widths } = verdictOn(range, findings, touched, [], after);
  return widths === 0 ? 0 : cleared / widths;
}

/** Looks for the fewest edits that mend the most of a page. */
class Mender {
  readonly #views;
  readonly first: Standing;
  #standing: Standing;
  #known: readonly Finding[] = [];
  /** Edits that have been looked at as the page is now, and whether they help. */
  readonly #weighed = new Map<string, boolean>();

  constructor(
    readonly project: Project,
    private readonly pageId: string,
    private readonly asked: readonly Finding[],
    private readonly signal: AbortSignal,
    known?: Map<string, Ledger>,
  ) {
    this.#views = viewsOf(asked);
    this.first = new Standing(project, signal, known);
    this.#standing = this.first;
  }

  get standing(): Standing {
    return this.#standing;
  }

  /** All that is found now, in the views that are of interest. */
  findingsOf = (standing: Standing) => standing.findings(this.pageId, standing.plan(ALL_WIDTHS, this.#views));

  async look(): Promise<void> {
    this.#known = await this.findingsOf(this.#standing);
  }

  /** What is still to be mended, by cause. */
  entries() {
    const wanted = new Set(this.asked.map(({ key }) => key));
    const left = this.#known.filter(({ key, accepted }) => wanted.has(key) && accepted === undefined);
    return entriesOf(this.#standing.project, this.#standing.page(this.pageId)!, left);
  }

  /** What a fix would do now; undefined where it brings something new, or clears too little. */
  async weigh(fix: Fix, entry?: Entry): Promise<Candidate | undefined> {
    const entries = this.entries();
    const { standing: after, footprint } = this.#standing.after(fix.edit);
    const touched = footprint[this.pageId]?.widths ?? [];
    if (entry && !(await promises(this.#standing, after, this.pageId, entry, touched))) return undefined;
    const { range } = this.project.audit;
    const harms = ({ added, worse }: Verdict) => added.length + worse.length > 0;
    const usual = await after.findings(this.pageId, after.plan(touched, USUAL));
    if (harms(verdictOn(range, this.asked, touched, this.#known, usual))) return undefined;
    const is = await this.findingsOf(after);
    if (harms(verdictOn(range, this.asked, touched, this.#known, is))) return undefined;
    const shares = entries.map(({ findings }) => clearedOf(this.project.audit.range, findings, touched, is));
    const gain = shares.reduce((sum, share) => sum + (share === 1 ? 1 : share * PARTLY), 0);
    if (gain < WORTHWHILE) return undefined;
    const cleared = entries.filter((_, i) => shares[i] === 1);
    const worst = entries[shares.indexOf(Math.max(...shares))]!.worst.worst.width;
    const change = await changeOn(this.#standing, after, this.pageId, touched, worst);
    const gone = new Set(cleared.flatMap(({ findings }) => findings.map(({ key }) => key)));
    const worth = worthOf({ entries: gain, change, fresh: freshIn(this.#standing.project, fix.edit) });
    return { fix, gone, after, touched, worth };
  }

  /** Candidates for an entry that aren't worse than doing nothing. */
  async candidatesFor(entry: Entry): Promise<Candidate[]> {
    const { project } = this.#standing;
    const found: Candidate[] = [];
    // A new breakpoint is never made without being asked for.
    const fixes = fixesFor(project, this.#standing.page(this.pageId)!, entry).filter(({ breakpoints }) => breakpoints === 0);
    const byWhat = [...new Set(fixes.map(({ what }) => what))].map((what) => fixes.filter((fix) => fix.what === what));
    const work = async () => {
      for (let places = byWhat.shift(); places && found.length < HELPING_MOST; places = byWhat.shift())
        // What helps in a narrower place needn't be written in a wider one.
        for (const fix of places) {
          const key = JSON.stringify(fix.edit);
          if (this.signal.aborted) return;
          if (this.#weighed.has(key)) {
            if (this.#weighed.get(key)) break;
            continue;
          }
          const one = await this.weigh(fix, entry);
          this.#weighed.set(key, one !== undefined);
          if (!one) continue;
          found.push(one);
          break;
        }
    };
    await Promise.all(Array.from({ length: AT_ONCE }, work));
    return found;
  }

  /** Whether nothing anywhere gets worse by edits of the page as it was. */
  async isHarmless(edits: readonly Edit[]): Promise<boolean> {
    const { standing, footprint } = this.first.after({ type: 'group', label: 'Mend', edits: [...edits] });
    const { added, worse } = await elseDone(this.first, standing, footprint, this.pageId);
    return added.length + worse.length === 0;
  }

  /** Takes a candidate, if nothing anywhere gets worse by it. */
  async take({ fix, after }: Candidate): Promise<boolean> {
    const { footprint } = this.#standing.after(fix.edit);
    const { added, worse } = await elseDone(this.#standing, after, footprint, this.pageId);
    if (added.length > 0 || worse.length > 0) return false;
    this.#standing = after;
    this.#weighed.clear();
    await this.look();
    return true;
  }
}

/** Mends what can be mended safely with as few edits as possible, as one edit. */
export async function* mendPage(
  project: Project,
  pageId: string,
  findings: readonly Finding[],
  signal: AbortSignal,
  known?: Map<string, Ledger>,
): AsyncGenerator<FixLine> {
  try {
    const mender = new Mender(project, pageId, findings, signal, known);
    await mender.look();
    const first = mender.entries();
    yield { type: 'begun', total: first.length };
    let candidates: Candidate[] = [];
    /** What was looked for already, as it was then. */
    const searched = new Set<string>();
    const fresh = () => mender.entries().filter((entry) => !searched.has(JSON.stringify(entry)));
    let looked = 0;
    async function* search(): AsyncGenerator<FixLine> {
      for (const entry of fresh()) {
        if (signal.aborted) return;
        searched.add(JSON.stringify(entry));
        candidates.push(...(await mender.candidatesFor(entry)));
        if (looked < first.length) yield { type: 'looked', done: ++looked };
      }
    }
    yield* search();
    const steps: (MendStep & { readonly edit: Edit; readonly touched: IntervalSet })[] = [];
    for (;;) {
      if (signal.aborted) return;
      candidates.sort((a, b) => b.worth - a.worth);
      const [best, ...rest] = candidates;
      if (!best) {
        // What was cleared in part asks for something else now.
        if (fresh().length === 0) break;
        yield* search();
        if (candidates.length === 0) break;
        continue;
      }
      candidates = rest;
      // What was worth something before other edits needn't be now.
      const now = steps.length === 0 ? best : await mender.weigh(best.fix);
      if (!now) continue;
      if (rest[0] && now.worth < rest[0].worth) {
        candidates.push(now);
        continue;
      }
      if (!(await mender.take(now))) continue;
      steps.push({ title: now.fix.title, entries: [...now.gone], edit: now.fix.edit, touched: now.touched });
      yield { type: 'mended', title: now.fix.title, entries: [...now.gone] };
    }
    const fewer = await withoutNeedless(mender.first, mender.standing, mender.findingsOf, steps, signal);
    // What was left out was looked at in some views only; all of them have the last word.
    const needed = (await mender.isHarmless(fewer.map(({ edit }) => edit))) ? fewer : steps;
    for (const { title } of steps.filter((one) => !needed.includes(one))) yield { type: 'needless', title };
    const edits = needed.map(({ edit }) => edit);
    const touched = union(...needed.map((one) => one.touched));
    const worst = findings.find((one) => intersect(one.widths, touched).length > 0)?.worst.width ?? 0;
    yield {
      type: 'edit',
      edit:
        edits.length > 0
          ? { type: 'group', label: `Mend by ${edits.length} ${edits.length === 1 ? 'edit' : 'edits'}`, edits }
          : null,
      steps: needed.map(({ title, entries }) => ({ title, entries })),
      widths: shownWidths(project.audit.range, touched, worst),
    };
    yield { type: 'done' };
  } catch (error) {
    const failed = failedLine('The page could not be mended', error);
    if (failed) yield failed;
  }
}
