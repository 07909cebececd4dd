import { createHash } from 'node:crypto';
import type { Finding, Ledger } from '@/core/audit';
import { bringIn, bringInEdit } from '@/core/bring-in';
import { ALL_WIDTHS } from '@/core/breakpoints';
import type { Project } from '@/core/document';
import { newProject } from '@/core/document';
import { applyEdit, makeEdit } from '@/core/edits';
import type { Edit } from '@/core/edits';
import type { Entry, TriedFix } from '@/core/remedy';
import { addedBy, elementsInWords, entriesOf, isSafe } from '@/core/remedy';
import { demoProject } from '@/demo';
import { mendPage } from '@/server/browser/mend-page';
import { Standing } from '@/server/browser/standing';
import { tryFixes } from '@/server/browser/try-fixes';
import { closeBrowser } from '@/server/browser/warm-browser';
import { generatePage } from '../tests/audit/generate-page';

/*
 * Every fix that is told to be safe in every view, of the demo and of generated pages, applied: what it is for is gone, nothing new is
 * found on any page at any width in any view, all measured anew, and its inverse leads back.
 */

const PROJECT = '00000000-0000-4000-8000-000000000000';
const numberAfter = (name: string, usual: number) => {
  const at = process.argv.indexOf(name);
  return at < 0 ? usual : Number(process.argv[at + 1]);
};
const pages = numberAfter('--pages', 20);
const seed = numberAfter('--seed', 1);
/** Generated pages are audited in a stretch of so many widths, placed by chance. */
const stretch = numberAfter('--stretch', 120);
const withDemo = !process.argv.includes('--no-demo');
const never = new AbortController().signal;

const counts = { entries: 0, tried: 0, safe: 0, withSafe: 0, mends: 0, exceptions: 0 };
const byCheck = new Map<string, [entries: number, mended: number]>();

const tell = (name: string, what: string) => {
  counts.exceptions++;
  console.log(`    EXCEPTION ${name}: ${what}`);
};

/** All that is found in a project, measured anew. */
async function auditOf(project: Project, only: ReadonlySet<string>): Promise<Map<string, Finding[]>> {
  const standing = new Standing(project, never);
  const all = new Map<string, Finding[]>();
  for (const { id } of project.pages) if (only.has(id)) all.set(id, await standing.findings(id, standing.plan(ALL_WIDTHS)));
  return all;
}

/** What an edit that was called safe does after all. @param gone keys of findings that it should clear on a page */
async function checkEdit(name: string, project: Project, pageId: string, edit: Edit, gone: readonly string[], before: Audits) {
  const { document, inverse, footprint } = applyEdit(project, edit);
  const reached = new Set(Object.keys(footprint));
  const after = await auditOf(document, reached);
  const still = after.get(pageId)!.filter(({ key }) => gone.includes(key));
  for (const one of still) tell(name, `“${one.key}” is still there at ${words(one)}`);
  for (const [id, is] of after)
    for (const one of addedBy(ALL_WIDTHS, await before(id), is))
      tell(name, `adds ${one.check} on ${one.element} of ${id} at ${words(one)}`);
  const back = applyEdit(document, inverse).document;
  if (JSON.stringify(back) !== JSON.stringify(project)) tell(name, 'undo does not lead back');
}

type Audits = (page: string) => Promise<Finding[]>;
const words = ({ widths }: Pick<Finding, 'widths'>) => widths.map(({ from, below }) => `${from} to ${below - 1}`).join(', ');

async function fixesOf(project: Project, pageId: string, entry: Entry, ledgers: Map<string, Ledger>): Promise<TriedFix[]> {
  const fixes = new Map<string, TriedFix>();
  const page = project.pages.find(({ id }) => id === pageId)!;
  for await (const line of tryFixes(project, page, entry.findings, never, ledgers)) {
    if (line.type === 'failed') tell(entry.key, line.message);
    if (line.type === 'tried') fixes.set(line.fix.title, line.fix);
  }
  return [...fixes.values()];
}

async function checkPage(project: Project, pageId: string): Promise<void> {
  const known = new Map<string, Finding[]>();
  const ledgers = new Map<string, Ledger>();
  const standing = new Standing(project, never, ledgers);
  const before: Audits = async (id) => {
    if (!known.has(id)) known.set(id, await standing.findings(id, standing.plan(ALL_WIDTHS)));
    return known.get(id)!;
  };
  const page = project.pages.find(({ id }) => id === pageId)!;
  const findings = (await before(pageId)).filter(({ sample }) => sample === undefined);
  const entries = entriesOf(project, page, findings);
  const begun = performance.now();
  for (const entry of entries) {
    const fixes = await fixesOf(project, pageId, entry, ledgers);
    const safe = fixes.filter(({ verdict }) => isSafe(verdict));
    counts.entries++;
    counts.tried += fixes.length;
    counts.safe += safe.length;
    counts.withSafe += safe.length > 0 ? 1 : 0;
    const [all, mended] = byCheck.get(entry.worst.check) ?? [0, 0];
    byCheck.set(entry.worst.check, [all + 1, mended + (safe.length > 0 ? 1 : 0)]);
    for (const fix of safe)
      await checkEdit(
        `${page.name}, ${entry.key}: ${fix.title}`,
        project,
        pageId,
        fix.edit,
        entry.findings.map(({ key }) => key),
        before,
      );
  }
  const worth = findings.filter(({ severity, accepted }) => severity !== 'note' && accepted === undefined);
  for await (const line of mendPage(project, pageId, worth, never, ledgers)) {
    if (line.type === 'failed') tell(page.name, line.message);
    if (line.type !== 'edit' || !line.edit) continue;
    counts.mends++;
    const gone = line.steps.flatMap((step) => step.entries);
    await checkEdit(`${page.name}, mend by ${line.steps.length}`, project, pageId, line.edit, gone, before);
    const left = entries.filter(({ findings: list }) => list.some(({ key }) => !gone.includes(key))).length;
    console.log(`  mend: ${line.steps.map(({ title }) => title).join('; ')}; ${left} of ${entries.length} entries are left`);
  }
  console.log(
    `${page.name}: ${entries.length} entries (${elementsInWords(entries.map(({ worst }) => worst.check))}), ${((performance.now() - begun) / 1000).toFixed(0)} s; so far ${counts.exceptions} exceptions in ${counts.safe} safe fixes and ${counts.mends} mends`,
  );
}

/** A generated page as a project, audited in a stretch of widths. */
function generated(at: number): Project {
  const empty = newProject(PROJECT, 'Generated');
  const bytes = new TextEncoder().encode(generatePage(at));
  const hash = (file: Uint8Array) => createHash('sha256').update(file).digest('hex');
  const brought = bringIn([{ path: 'index.html', bytes }], { project: empty, hash, key: 'a' });
  const first = 320 + Math.floor(((at * 0.618034) % 1) * (1600 - stretch));
  const range: Edit = { type: 'setProject', field: 'range', value: { first, last: first + stretch - 1 } };
  const fewer = empty.deviceSets.slice(1).map(({ id }): Edit => ({ type: 'removeDeviceSet', id }));
  const edits = [bringInEdit(brought), range, ...fewer];
  const project = edits.reduce((made, edit) => makeEdit(made, edit).document, empty);
  return { ...project, pages: project.pages.filter(({ brought: one }) => one !== undefined) };
}

if (withDemo) {
  const project = demoProject(PROJECT);
  const at = process.argv.indexOf('--page');
  const only = at < 0 ? undefined : process.argv[at + 1];
  const chosen = project.pages.filter(({ name }) => only === undefined || only === name);
  if (chosen.length === 0)
    throw new Error(`The demo has no page "${only}", only ${project.pages.map(({ name }) => name).join(', ')}.`);
  for (const { id } of chosen) await checkPage(project, id);
}
for (let i = 0; i < pages; i++) {
  const project = generated(seed + i);
  console.log(`generated ${seed + i}, ${project.audit.range.first} to ${project.audit.range.last}`);
  await checkPage(project, project.pages[0]!.id);
}
console.log([...byCheck].map(([check, [all, mended]]) => `  ${check}: ${mended} of ${all} entries have a safe fix`).join('\n'));
console.log(
  `${counts.exceptions} exceptions; ${counts.entries} entries, ${counts.tried} fixes that clear something, ${counts.safe} safe ones applied, ${counts.mends} mends applied`,
);
await closeBrowser();
process.exit(counts.exceptions > 0 ? 1 : 0);
