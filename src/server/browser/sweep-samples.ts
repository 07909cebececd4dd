import type { Looking, WidthResult } from '@/core/audit';
import type { Slice } from '@/core/breakpoints';
import { DEFAULT_SLICE } from '@/core/breakpoints';
import type { Page, Project } from '@/core/document';
import { pageOf, rowless } from '@/core/document';
import { foundIn, sampleKey, samplesOn, withSample } from '@/core/tables';
import type { SweepStep, SweepWish } from './measuring';
import { MeasuredPage } from './measuring';

type Found = WidthResult['violations'][number];

/**
 * Everything of a plan that is to be measured of a page, step by step: of the page as it is, or with each other set of rows that its lists
 * could show.
 * @param measured the page as it is
 */
export function stepsOf(
  measured: MeasuredPage,
  [project, page, slice = DEFAULT_SLICE]: readonly [Project, Page, Slice?],
  looking: Looking,
  wish: Pick<SweepWish, 'near'> = {},
): AsyncGenerator<SweepStep> {
  return looking.view === 'samples' ? withSamples(project, page, slice, looking, wish) : measured.sweep({ ...looking, ...wish });
}

/** What is told only at the end: a width is decided when every set has been laid out there. */
async function* withSamples(
  project: Project,
  page: Page,
  slice: Slice,
  { widths, heights }: Looking,
  { near }: Pick<SweepWish, 'near'>,
): AsyncGenerator<SweepStep> {
  const found = new Map<number, Map<string, Found>>(widths.map((width) => [width, new Map()]));
  for (const sample of samplesOn(project, page)) {
    const other = withSample(project, sample);
    const shown = pageOf(other, page.id)!;
    const measured = await MeasuredPage.open(other, shown, slice);
    try {
      for await (const { results, layouts, wrong } of measured.sweep({
        view: 'widths',
        widths,
        heights,
        ...(near !== undefined && { near }),
      })) {
        for (const { width, violations } of results) gather(found.get(width)!, page, sampleKey(sample), violations);
        yield { results: [], layouts, done: false, wrong };
      }
    } finally {
      await measured.close();
    }
  }
  const results = [...found].map(([width, all]): WidthResult => ({ width, violations: [...all.values()] }));
  yield { results, layouts: 0, done: true };
}

/** Of what all rows have in common one fault, the worst. */
function gather(all: Map<string, Found>, page: Page, sample: string, violations: readonly Found[]): void {
  for (const { check, violation } of violations) {
    const key = `${check} ${rowless(violation.element)} ${sample}`;
    if ((all.get(key)?.violation.amount ?? -Infinity) >= violation.amount) continue;
    const there = (id: string) => foundIn(page, id);
    all.set(key, {
      check,
      sample,
      violation: { ...violation, element: there(violation.element), others: violation.others.map(there) },
    });
  }
}
