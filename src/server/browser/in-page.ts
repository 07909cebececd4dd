import type { PageFacts, WidthResult } from '@/core/audit';
import { CHECKS } from '@/core/audit/checks';
import { DocumentReader } from '@/probe/document-facts';

// Bundled into one script and put into the measuring page: the probe reads facts, the core judges them right there,
// so that only faults and not the facts of every width travel back.

interface Measuring {
  load(html: string, height: number): Promise<void>;
  /** `WidthResult[]` as JSON: one string travels back faster than many small objects. */
  measure(
    widths: readonly number[],
    edges: readonly number[],
    fluid: boolean,
    columns: readonly (PageFacts['columns'] | null)[],
  ): string;
  /** Only resizes and reads the document's width: what a sweep costs at the very least. */
  resizeOnly(widths: readonly number[]): number;
}

declare global {
  // The measuring page's own global.
  var millPond: Measuring;
}

let frame: HTMLIFrameElement | undefined;
let reader: DocumentReader | undefined;

async function load(html: string, height: number): Promise<void> {
  frame?.remove();
  frame = document.createElement('iframe');
  frame.style.cssText = `border:0;position:absolute;left:0;top:0;width:1280px;height:${height}px`;
  const loaded = new Promise((done) => frame!.addEventListener('load', done, { once: true }));
  frame.srcdoc = html;
  document.body.append(frame);
  await loaded;
  await frame.contentDocument!.fonts.ready;
  await Promise.all([...frame.contentDocument!.images].map((image) => image.decode().catch(() => undefined)));
  reader = new DocumentReader(frame.contentDocument!);
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

globalThis.millPond = { load, measure, resizeOnly };
