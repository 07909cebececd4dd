import type { PageFacts, WidthResult } from '@/core/audit';
import { CHECKS } from '@/core/audit/checks';
import { DocumentReader } from '@/probe/document-facts';

// Bundled into one script and put into the measuring page: the probe reads facts, the core judges them right there,
// so that only faults and not the facts of every width travel back.

/** A width at which versions of a page differ, and some of the elements that do. */
export interface MovedAt {
  readonly width: number;
  readonly count: number;
  readonly elements: readonly string[];
}

interface Measuring {
  load(html: string, height: number): Promise<void>;
  /** `WidthResult[]` as JSON: one string travels back faster than many small objects. */
  measure(
    widths: readonly number[],
    edges: readonly number[],
    fluid: boolean,
    columns: readonly (PageFacts['columns'] | null)[],
  ): string;
  /** Faults of the page that this script itself stands in, at the viewport it has. */
  judgeHere(columns: PageFacts['columns'] | null): number;
  /** Two versions of a page, one over the other. */
  loadPair(before: string, after: string, height: number): Promise<void>;
  /** `MovedAt[]` as JSON: the widths at which any element stands elsewhere in one version than in the other. */
  comparePair(widths: readonly number[]): string;
  /** Only resizes and reads the document's width: what a sweep costs at the very least. */
  resizeOnly(widths: readonly number[]): number;
}

declare global {
  // The measuring page's own global.
  var millPond: Measuring;
}

let frame: HTMLIFrameElement | undefined;
let reader: DocumentReader | undefined;

let pair: readonly HTMLIFrameElement[] = [];

async function open(html: string, height: number): Promise<HTMLIFrameElement> {
  const opened = document.createElement('iframe');
  opened.style.cssText = `border:0;position:absolute;left:0;top:0;width:1280px;height:${height}px`;
  const loaded = new Promise((done) => opened.addEventListener('load', done, { once: true }));
  opened.srcdoc = html;
  document.body.append(opened);
  await loaded;
  await opened.contentDocument!.fonts.ready;
  await Promise.all([...opened.contentDocument!.images].map((image) => image.decode().catch(() => undefined)));
  return opened;
}

function closeAll(): void {
  for (const one of [frame, ...pair]) one?.remove();
  frame = undefined;
  pair = [];
}

async function load(html: string, height: number): Promise<void> {
  closeAll();
  frame = await open(html, height);
  reader = new DocumentReader(frame.contentDocument!);
}

async function loadPair(before: string, after: string, height: number): Promise<void> {
  closeAll();
  pair = [await open(before, height), await open(after, height)];
}

function judgeHere(columns: PageFacts['columns'] | null): number {
  const facts = new DocumentReader(document).read('here', columns ?? undefined, 'here');
  return CHECKS.reduce((count, check) => count + check.judge(facts).length, 0);
}

/** Less than this many px is rounding. */
const MOVED = 0.05;
const NAMED_MOST = 8;

function comparePair(widths: readonly number[]): string {
  const [before, after] = pair.map((one) => {
    const elements = one.contentDocument!.querySelectorAll<HTMLElement>('[data-mp-node]');
    return new Map([...elements].map((element) => [element.dataset.mpNode!, element]));
  });
  const ids = [...new Set([...before!.keys(), ...after!.keys()])];
  const boxOf = (element: HTMLElement | undefined) =>
    element && element.getClientRects().length > 0 ? element.getBoundingClientRect() : undefined;
  const found: MovedAt[] = [];
  for (const width of widths) {
    for (const one of pair) one.style.width = `${width}px`;
    const moved = ids.filter((id) => {
      const [a, b] = [boxOf(before!.get(id)), boxOf(after!.get(id))];
      if (!a || !b) return a !== b;
      return (['left', 'top', 'width', 'height'] as const).some((side) => Math.abs(a[side] - b[side]) > MOVED);
    });
    if (moved.length > 0) found.push({ width, count: moved.length, elements: moved.slice(0, NAMED_MOST) });
  }
  return JSON.stringify(found);
}

function measure(
  widths: readonly number[],
  edges: readonly number[],
  fluid: boolean,
  columns: readonly (PageFacts['columns'] | null)[],
): string {
  const results = widths.map((width, i): WidthResult => {
    frame!.style.width = `${width}px`;
    const band = String(edges.filter((edge) => edge <= width).length);
    const facts = reader!.read(fluid ? String(width) : band, columns[i] ?? undefined, band);
    const violations = CHECKS.flatMap((check) =>
      check.judge(facts).map((violation) => ({ check: check.id, violation })),
    );
    return { width, violations };
  });
  return JSON.stringify(results);
}

function resizeOnly(widths: readonly number[]): number {
  let total = 0;
  for (const width of widths) {
    frame!.style.width = `${width}px`;
    total += frame!.contentDocument!.documentElement.scrollWidth;
  }
  return total;
}

globalThis.millPond = { load, measure, resizeOnly, judgeHere, loadPair, comparePair };
