import type { Asked, Check, Limits, PageFacts, SweptPart, View, WidthResult, PackedResults } from '@/core/audit';
import { asUsual, judge, judgesOf, packed, sweepExactly, usualLimits } from '@/core/audit';
import { CHECKS } from '@/core/audit/checks';
import type { ColumnGrid } from '@/core/document';
import { layColumns } from '@/core/grid';
import { DocumentReader } from '@/probe/document-facts';
import type { Setting } from '@/probe/measured-frame';
import type { StandingDocument } from './documents-in-page';
import { StandingDocuments } from './documents-in-page';
import { changeOf, compareVersions } from './versions-in-page';
import { atHeights, isMark, markOf } from './heights-in-page';
import { compareTexts } from './texts-in-page';
import { fitsAt, roomsAt } from './rooms-in-page';
import { forgetTurned, turnedBy } from './turned-in-page';

// Bundled into one script and put into the measuring page: the probe reads facts, the core judges them right there,
// so that only faults and not the facts of every width travel back.

/** What is to be decided about the page that is loaded. */
export interface SweepTask {
  readonly view: View;
  /** Viewport heights, px; each is decided for itself, and results say which it is where there are several. */
  readonly heights: readonly number[];
  /** The same device held the other way, px. */
  readonly turned?: { readonly width: number; readonly height: number } | undefined;
  /** Whole px, ascending. */
  readonly widths: readonly number[];
  readonly near: number;
  /** The widest width that the page is audited at. */
  readonly widest: number;
  /** Checks by id, with the project's numbers. */
  readonly asked: readonly { readonly id: string; readonly limits: Limits }[];
  /** The page's column grid from each width on, ascending. */
  readonly grids: readonly { readonly from: number; readonly grid: ColumnGrid | null }[];
  /** The densities of devices by their widths. */
  readonly densities?: PageFacts['densities'];
  /** Measures every width, to compare with. */
  readonly brute?: boolean;
  /** Looks at each height by itself. */
  readonly apart?: boolean;
}

/** What a sweep says of itself now and then. */
export interface PackedStep {
  readonly results: PackedResults;
  readonly layouts: number;
  readonly done: boolean;
  /** A width that was worked out and turned out otherwise: from then on every width is measured. */
  readonly wrong?: SweptPart['wrong'];
}

interface Measuring {
  /**
   * Has documents stand at a viewport height, px: the one that is measured from now on, or two versions that are compared.
   * @param sources those to be loaded, by key
   * @returns keys of those that don't stand and were not given: then nothing is measured
   */
  stand(keys: readonly string[], height: number, sources: Readonly<Record<string, string>>): Promise<string[]>;
  /** Takes up a sweep of the loaded page: a `SweepTask` as JSON, since thousands of numbers by themselves take long to hand over. */
  begin(task: string): void;
  /** Goes on with it for about so many ms. A `PackedStep` as JSON: one string travels faster than many objects. */
  step(ms: number): string;
  /** Names of the elements of a document that had none. */
  names(): string[];
  /** Faults of the page that this script itself stands in, at the viewport it has: checks and elements. */
  judgeHere(asked: SweepTask['asked'], columns: PageFacts['columns'] | null): (readonly [check: string, element: string])[];
  /**
   * `MovedAt[]` as JSON: the widths at which any element stands elsewhere in one version than in the other, or with
   * `looks` reads or looks otherwise.
   */
  comparePair(widths: readonly number[], looks: boolean): string;
  /** How much of the page is otherwise in its second version, 0 to 1. */
  changeOfPair(widths: readonly number[]): number;
  /** `RoomsAt[]` as JSON. @param ids elements whose boxes are wanted besides */
  rooms(widths: readonly number[], ids: readonly string[]): string;
  /** Whether all that shows of a row fits, by width. */
  fits(widths: readonly number[], row: string): boolean[];
  /** `ComparedTexts` as JSON. */
  compareTexts(widths: readonly number[]): string;
  /** Only resizes to each px from one to another and reads the document's width, or the rectangle of every element: what sweeps are compared with. */
  resizeOnly(first: number, last: number, rectangles: boolean): number;
}

declare global {
  // The measuring page's own global.
  var millPond: Measuring;
}

const documents = new StandingDocuments();
/** What is measured, or compared. */
let now: readonly StandingDocument[] = [];
let running: Generator<SweptPart> | undefined;

async function stand(keys: readonly string[], height: number, sources: Readonly<Record<string, string>>): Promise<string[]> {
  running = undefined;
  now = [];
  const lacking = keys.filter((key) => !documents.find(key));
  for (const key of new Set(lacking)) if (sources[key] !== undefined) await documents.open(key, sources[key], height);
  const found = keys.map((key) => documents.find(key));
  if (found.includes(undefined)) return keys.filter((_, i) => !found[i]);
  now = found.map((one) => one!);
  for (const one of now) one.rest(height);
  return [];
}

const frame = () => now[0]!.frame;
const measured = () => now[0]!.measured;
const pair = () => now.map((one) => one.frame);

const named = new Map<string, Check>(CHECKS.map((check) => [check.id, check]));

function askedOf(task: SweepTask): Asked[] {
  return task.asked.flatMap(({ id, limits }) => {
    const check = named.get(id);
    return check ? [{ check, limits: { ...usualLimits(check), ...limits } }] : [];
  });
}

function begin(words: string): void {
  const task = JSON.parse(words) as SweepTask;
  if (!task.turned) forgetTurned();
  running = task.turned ? turnedBy(measured(), { ...task, turned: task.turned }, judgesOf(askedOf(task))) : everyHeight(task);
}

/** Where nothing that shows depends on the height, one sweep serves all heights; the other widths are looked at once more. */
function* everyHeight(task: SweepTask): Generator<SweptPart> {
  const page = measured();
  const setting = SETTINGS.find((one) => one === task.view) ?? 'plain';
  const tagged = task.view === 'heights' || task.view === 'reflow';
  const [first, ...others] = task.heights;
  if (task.view === 'heights' && !task.brute && !task.apart && others.length > 0 && page.goesByHeight) {
    const again = new Set<number>();
    for (const part of everyLayer(task, first!, setting, task.heights)) {
      for (const { width, violations } of part.results) if (violations.some(isMark)) again.add(width);
      const results = part.results.filter(({ width, height }) => height === first || !again.has(width));
      yield {
        ...part,
        results: results.map((one) => ({ ...one, violations: one.violations.filter((found) => !isMark(found)) })),
      };
    }
    const widths = task.widths.filter((width) => again.has(width));
    if (widths.length > 0) yield* everyHeight({ ...task, widths, heights: others, apart: true });
    return;
  }
  for (const height of task.heights) {
    for (const part of everyLayer(task, height, setting, [height])) {
      yield tagged ? { ...part, results: part.results.map((one) => ({ height, ...one })) } : part;
    }
  }
}

/** Views for which a page is set otherwise than it is. */
const SETTINGS = ['large-text', 'spaced-text', 'pointed', 'focused', 'pressed', 'opened'] as const;

/** Where elements can be in a state in several ways, a width is decided when all of them have been measured. */
function* everyLayer(task: SweepTask, height: number, setting: Setting, heights: readonly number[]): Generator<SweptPart> {
  const page = measured();
  page.arrange(height, 'plain');
  const layers = page.layers(setting);
  if (layers === 0) return yield { results: task.widths.map((width) => ({ width, violations: [] })), layouts: 0 };
  const found = new Map<number, WidthResult>();
  for (let layer = 0; layer < layers; layer++) {
    page.arrange(height, setting, layer);
    for (const part of sweepOne(task, heights)) {
      if (layers === 1) yield part;
      else {
        for (const one of part.results) found.set(one.width, together(found.get(one.width), one));
        yield { ...part, results: [] };
      }
    }
  }
  if (layers > 1) yield { results: [...found.values()], layouts: 0 };
}

/** Of several faults of one element the worst is kept. */
function together(before: WidthResult | undefined, now: WidthResult): WidthResult {
  if (!before) return now;
  const worst = new Map<string, WidthResult['violations'][number]>();
  for (const one of [...before.violations, ...now.violations]) {
    const key = `${one.check} ${one.violation.element}`;
    const known = worst.get(key);
    if (!known || known.violation.amount < one.violation.amount) worst.set(key, one);
  }
  return { ...now, violations: [...worst.values()] };
}

function sweepOne(task: SweepTask, heights: readonly number[]): Generator<SweptPart> {
  const page = measured();
  const edges = [...new Set([...page.edges, ...task.grids.map(({ from }) => Math.ceil(from))])].sort((a, b) => a - b);
  const asked = askedOf(task);
  const columns = (width: number): PageFacts['columns'] => {
    const grid = task.grids.findLast(({ from }) => from <= width)?.grid;
    if (!grid) return undefined;
    const { columnWidth, fits } = layColumns(grid, width);
    return { columnWidth, fits, least: grid.columnLeast };
  };
  // Whoever asks for every width wants to compare, and takes nothing for granted.
  const measure = (width: number) => {
    const facts = { ...page.read(width), densities: task.densities };
    return task.brute ? { ...facts, asAtRest: false } : facts;
  };
  const widest = Math.max(task.widest, task.widths[task.widths.length - 1] ?? 0);
  const { widths, near } = task;
  const everyWidth = task.brute || page.isUnknown;
  const goesByHeight = heights.length > 1 ? page.goesByHeight : undefined;
  const judges = [...judgesOf(asked), ...(goesByHeight ? [markOf(goesByHeight)] : [])];
  const sweep = { widths, edges, bends: page.bends, near, measure, judges, columns, everyWidth };
  return heights.length > 1 ? atHeights(sweep, widest, heights) : sweepExactly(sweep, widest);
}

/** How much longer a report waits for its first result, ms. */
const EMPTY_MOST_MS = 200;

function step(ms: number): string {
  const results: WidthResult[] = [];
  let layouts = 0;
  let done = false;
  let wrong: SweptPart['wrong'];
  const until = performance.now() + ms;
  do {
    const part = running!.next();
    if (part.done) done = true;
    else {
      results.push(...part.value.results);
      layouts += part.value.layouts;
      wrong ??= part.value.wrong;
    }
    // A report of nothing is of no use, as long as something comes soon; the smallest piece is asked for as it is.
  } while (!done && performance.now() < (results.length > 0 || ms === 0 ? until : until + EMPTY_MOST_MS));
  return JSON.stringify({ results: packed(results), layouts, done, wrong } satisfies PackedStep);
}

function judgeHere(...[asked, columns]: Parameters<Measuring['judgeHere']>): ReturnType<Measuring['judgeHere']> {
  const facts = new DocumentReader(document).read('here');
  const checks = asUsual(CHECKS).flatMap(({ check, limits }) => {
    const wanted = asked.find(({ id }) => id === check.id);
    return wanted ? [{ check, limits: { ...limits, ...wanted.limits } }] : [];
  });
  return judge(checks, { ...facts, columns: columns ?? undefined }).map(({ check, violation }) => [check, violation.element]);
}

function resizeOnly(first: number, last: number, rectangles: boolean): number {
  const inside = frame();
  const elements = rectangles ? [...inside.contentDocument!.body.querySelectorAll('*')] : [];
  let total = 0;
  for (let width = first; width <= last; width++) {
    inside.style.width = `${width}px`;
    total += inside.contentDocument!.documentElement.scrollWidth;
    for (const element of elements) total += element.getBoundingClientRect().left;
  }
  return total;
}

const comparePair: Measuring['comparePair'] = (widths, looks) => JSON.stringify(compareVersions(pair(), widths, looks));

const changeOfPair: Measuring['changeOfPair'] = (widths) => changeOf(pair(), widths);

const texts: Measuring['compareTexts'] = (widths) => JSON.stringify(compareTexts(measured(), widths));

const names = () => measured().reader.elements.map(({ id }) => id);

const rooms: Measuring['rooms'] = (widths, ids) => JSON.stringify(roomsAt(frame(), widths, ids));
const fits: Measuring['fits'] = (widths, row) => fitsAt(frame(), widths, row);

globalThis.millPond = {
  compareTexts: texts,
  stand,
  begin,
  step,
  names,
  resizeOnly,
  judgeHere,
  comparePair,
  changeOfPair,
  rooms,
  fits,
};
