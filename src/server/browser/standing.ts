import type { Finding, Looking, View } from '@/core/audit';
import { Ledger, planOf } from '@/core/audit';
import type { IntervalSet } from '@/core/breakpoints';
import { contains, DEFAULT_SLICE } from '@/core/breakpoints';
import type { Page, Project } from '@/core/document';
import { pageOf } from '@/core/document';
import type { Edit, Footprint } from '@/core/edits';
import { applyEdit } from '@/core/edits';
import { previewDocument, renderPreview } from '@/core/render';
import { loadFiles } from '../store/files';
import { deciding } from './deciding';
import { fontData } from './fonts';
import { turns } from './lanes';
import { measuringTabs, POLICY } from './measuring';
import { stand } from './stand';
import { tried } from './tries';

/** Widths with one more at each side: what happens at an edge is seen from both. */
const withEdges = (widths: IntervalSet): IntervalSet => widths.map(({ from, below }) => ({ from: from - 1, below: below + 1 }));

const known = new WeakMap<Project, Map<string, Ledger>>();

/** What was learned of a project as it is, to be added to: whoever looks for fixes looks for others soon. */
export function knownOf(project: Project): Map<string, Ledger> {
  let one = known.get(project);
  if (!one) known.set(project, (one = new Map()));
  return one;
}

/** A project as it is at one moment, and what is known of its pages. */
export class Standing {
  /** @param ledgers what is known already, by page; what is learned goes into it */
  constructor(
    readonly project: Project,
    private readonly signal: AbortSignal,
    private readonly ledgers: Map<string, Ledger> = new Map(),
  ) {}

  page(id: string): Page | undefined {
    return pageOf(this.project, id);
  }

  #ledger(id: string): Ledger {
    let one = this.ledgers.get(id);
    if (!one) this.ledgers.set(id, (one = new Ledger()));
    return one;
  }

  /** @param views all where none are named */
  plan(widths: IntervalSet, views?: ReadonlySet<View>): Looking[] {
    return this.planAt(withEdges(widths), views);
  }

  /** The same without the widths beside. */
  planAt(wanted: IntervalSet, views?: ReadonlySet<View>): Looking[] {
    return planOf(this.project, DEFAULT_SLICE).flatMap((looking): Looking[] => {
      if (views && !views.has(looking.view)) return [];
      const there = looking.widths.filter((width) => contains(wanted, width));
      return there.length > 0 ? [{ ...looking, widths: there }] : [];
    });
  }

  /** What is found on a page by a plan; what isn't known of it is measured. Those that were accepted among them. */
  async findings(id: string, plan: readonly Looking[]): Promise<Finding[]> {
    const page = this.page(id);
    if (!page) return [];
    const ledger = this.#ledger(id);
    for await (const _ of deciding(this.project, page, ledger, plan, { urgency: 'now', signal: this.signal }));
    return ledger.findings(this.project.audit, plan);
  }

  /** The project after an edit: outside of what it reaches all is known as before. */
  after(edit: Edit): { readonly standing: Standing; readonly footprint: Footprint } {
    const { document, footprint } = applyEdit(this.project, edit);
    const ledgers = new Map<string, Ledger>();
    for (const [id, ledger] of this.ledgers) {
      const copy = ledger.copy();
      const touched = footprint[id]?.widths;
      if (touched) copy.invalidate(touched);
      ledgers.set(id, copy);
    }
    return { standing: new Standing(document, this.signal, ledgers), footprint };
  }
}

/** How much of a page looks otherwise in another version of the project, at some widths; 0 to 1. */
export async function changeBetween(before: Project, after: Project, pageId: string, widths: readonly number[]): Promise<number> {
  const versions = [before, after].map((project) => ({ project, page: pageOf(project, pageId) }));
  for (const { project } of versions) await loadFiles(project);
  const [a, b] = versions.map(({ project, page }) =>
    page ? previewDocument(renderPreview(project, page, fontData, { pointer: 'mouse' }), POLICY) : '',
  );
  return tried('The versions could not be compared', () =>
    turns.run({ urgency: 'now' }, () =>
      measuringTabs.use(async (tab) => {
        await stand(tab, [a!, b!], DEFAULT_SLICE.height);
        return tab.ask((page) => page.evaluate((list) => globalThis.millPond.changeOfPair(list), [...widths]));
      }),
    ),
  );
}
