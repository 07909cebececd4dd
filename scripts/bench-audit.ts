import { demoProject } from '@/demo';
import { Ledger, planOf, widthsOf } from '@/core/audit';
import { DEFAULT_SLICE, integersIn } from '@/core/breakpoints';
import { applyEdit } from '@/core/edits';
import { MeasuredPage } from '@/server/browser/measuring';

const project = demoProject('00000000-0000-4000-8000-000000000000');
const all = widthsOf(project.audit.range);

async function timed(page: MeasuredPage, widths: readonly number[], brute = false): Promise<{ ms: number; layouts: number }> {
  const start = performance.now();
  let layouts = 0;
  for await (const step of page.sweep({ widths, brute })) layouts += step.layouts;
  return { ms: performance.now() - start, layouts };
}

/** Sweeps against measuring every width, and what an edit costs by the share of widths that it touches. */
export async function benchAudit(): Promise<void> {
  console.log('Sweeps against measuring every width (wanted: at most 1/8 of the layouts and 1/5 of the time)');
  const sum = { ms: 0, layouts: 0, bruteMs: 0, brute: 0 };
  for (const page of project.pages) {
    const measured = await MeasuredPage.open(project, page);
    await timed(measured, all.slice(0, 100));
    const exact = await timed(measured, all);
    const brute = await timed(measured, all, true);
    await measured.close();
    sum.ms += exact.ms;
    sum.layouts += exact.layouts;
    sum.bruteMs += brute.ms;
    sum.brute += brute.layouts;
    console.log(
      `  ${page.name}: 1/${(brute.layouts / exact.layouts).toFixed(1)} of the layouts, 1/${(brute.ms / exact.ms).toFixed(1)} of the time (${exact.ms.toFixed(0)} ms)`,
    );
  }
  console.log(
    `  all: 1/${(sum.brute / sum.layouts).toFixed(1)} of the layouts, 1/${(sum.bruteMs / sum.ms).toFixed(1)} of the time`,
  );
  console.log('An edit on the catalogue, measured again where it can change anything');
  const catalogue = project.pages[1]!;
  const cards = Object.values(catalogue.elements).find(({ name }) => name === 'Tool cards')!;
  const whole = await MeasuredPage.open(project, catalogue);
  const full = await timed(whole, all);
  await whole.close();
  for (const at of ['bnarrow', 'bmiddle', 'base']) {
    const { document, footprint } = applyEdit(project, {
      type: 'setStyle',
      owner: cards.id,
      at,
      property: 'column-gap',
      value: '13px',
    });
    const touched = footprint[catalogue.id]?.widths ?? [];
    const ledger = new Ledger();
    const widths = planOf(document, DEFAULT_SLICE).slice(0, 1);
    ledger.record(
      all.map((width) => ({ width, violations: [] })),
      'widths',
      DEFAULT_SLICE.height,
    );
    ledger.invalidate(touched);
    const missing = ledger.missing(widths)[0]?.widths ?? [];
    const page = await MeasuredPage.open(document, document.pages[1]!);
    const again = await timed(page, missing);
    await page.close();
    const share = (100 * integersIn(touched, project.audit.range).length) / all.length;
    console.log(
      `  at ${at}: ${share.toFixed(0)}% of the widths, ${((100 * again.ms) / full.ms).toFixed(0)}% of the time, widest measured ${Math.max(0, ...missing)}`,
    );
  }
}

/** Memory of a process that audits, with its Chromium, after many audits of the demo's pages. */
export async function benchMemory(audits = 200): Promise<void> {
  const { execFileSync } = await import('node:child_process');
  for (let i = 0; i < audits; i++) {
    const measured = await MeasuredPage.open(project, project.pages[i % project.pages.length]!);
    await measured.measure(all);
    await measured.close();
  }
  const rows = execFileSync('ps', ['-eo', 'pid=,ppid=,rss='], { encoding: 'utf8' })
    .trim()
    .split('\n')
    .map((row) => row.trim().split(/\s+/).map(Number));
  const family = new Set([process.pid]);
  for (let grown = true; grown;) {
    grown = false;
    for (const [pid, parent] of rows) if (family.has(parent!) && !family.has(pid!)) grown = Boolean(family.add(pid!));
  }
  const chromium = rows.reduce((total, [pid, , rss]) => total + (family.has(pid!) && pid !== process.pid ? rss! : 0), 0);
  console.log(
    `Memory after ${audits} audits: worker ${(process.memoryUsage.rss() / 1e6).toFixed(0)} MB, its Chromium's processes together ${(chromium / 1e3).toFixed(0)} MB (shared pages counted in each)`,
  );
}
