import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import type { Breakpoint } from '@/core/breakpoints';
import { lanesFor, resolve } from '@/core/cascade';
import type { PageElement, Project } from '@/core/document';
import { newProject } from '@/core/document';
import { applyEdit } from '@/core/edits';
import { patchBetween, renderPreview, restyledPreview } from '@/core/render';
import { PROPERTIES } from '@/core/styles';

const ELEMENTS = 2_000;
const DECLARATIONS = 30_000;
const WIDTHS = [400, 560, 720, 880, 1040, 1200, 1400, 1700];

const median = (values: number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

function timed(work: () => unknown, rounds: number): number {
  const times: number[] = [];
  for (let i = 0; i < rounds; i++) {
    const start = performance.now();
    work();
    times.push(performance.now() - start);
  }
  return median(times);
}

/** Names and values in turn, so that every element has its own. */
function value(name: string, turn: number): string | undefined {
  const property = PROPERTIES.find((one) => one.name === name)!;
  if (property.control.kind === 'length') return `${(turn % 60) + 1}px`;
  if (property.control.kind === 'keyword') return property.control.keywords[turn % property.control.keywords.length];
  if (property.control.kind === 'colour') return `#${(turn * 7919).toString(16).padStart(6, '0').slice(0, 6)}`;
  return property.control.kind === 'number' ? String(turn % 5) : undefined;
}

/** A page of 2,000 elements under 8 breakpoints with 30,000 declarations, in rows of ten as pages are. */
export function largeProject(): Project {
  const project = newProject('00000000-0000-4000-8000-000000000000', 'Large');
  const breakpoints = WIDTHS.map((width, i): Breakpoint => ({
    id: `b${i}`,
    name: `Band ${i}`,
    condition: { below: width },
  })).reverse();
  const names = PROPERTIES.flatMap(({ name }) => (value(name, 0) === undefined ? [] : [name]));
  const places = ['base', ...breakpoints.map(({ id }) => id)];
  const elements: Record<string, PageElement> = {};
  const children: Record<number, string[]> = {};
  let turn = 0;
  for (let i = ELEMENTS - 1; i >= 0; i--) {
    const styles: Record<string, Record<string, string>> = {};
    const own = Math.floor((DECLARATIONS * (i + 1)) / ELEMENTS) - Math.floor((DECLARATIONS * i) / ELEMENTS);
    for (let d = 0; d < own; turn++) {
      const at = places[turn % places.length]!;
      const name = names[(turn * 13 + i) % names.length]!;
      if (styles[at]?.[name] !== undefined) continue;
      (styles[at] ??= {})[name] = value(name, turn)!;
      d++;
    }
    const id = `e${i}`;
    const parent = Math.floor((i - 1) / 10);
    if (i > 0) (children[parent] ??= []).unshift(id);
    elements[id] = {
      id,
      tag: i === 0 ? 'body' : 'div',
      name: `Box ${i}`,
      attributes: {},
      children: children[i] ?? [],
      shared: [],
      styles,
    };
  }
  return { ...project, breakpoints, pages: [{ ...project.pages[0]!, root: 'e0', elements }] };
}

/** What the cascade costs on a large document. Medians and ratios, since machines differ. */
export function benchCascade(): void {
  setFlagsFromString('--expose-gc');
  const collect = runInNewContext('gc') as () => void;
  collect();
  const before = process.memoryUsage().heapUsed;
  const project = JSON.parse(JSON.stringify(largeProject())) as Project;
  collect();
  const bytes = process.memoryUsage().heapUsed - before;
  const page = project.pages[0]!;
  const declarations = Object.values(page.elements).reduce(
    (sum, { styles }) => sum + Object.values(styles).reduce((count, one) => count + Object.keys(one).length, 0),
    0,
  );
  console.log(
    `Large document: ${Object.keys(page.elements).length} elements, ${project.breakpoints.length} breakpoints, ${declarations} declarations`,
  );
  const ids = Object.keys(page.elements);
  let next = 0;
  const some = () => ids[(next += 37) % ids.length]!;
  const all = timed(() => {
    const id = some();
    for (const { name } of PROPERTIES) resolve(project, page, id, name, 800);
  }, 400);
  const lanes = timed(() => lanesFor(project, page, some()), 200);
  const font = () => 'data:,';
  renderPreview(project, page, font);
  // A new list of pictures has no lines written yet: each round writes the whole sheet.
  const fresh = () => ({ ...project, pictures: [...project.pictures] });
  const full = timed(() => renderPreview(fresh(), page, font), 15);
  const preview = renderPreview(project, page, font);
  let turn = 0;
  const patch = timed(() => {
    const id = some();
    const [at, own] = Object.entries(page.elements[id]!.styles)[0]!;
    const property = Object.keys(own).find((name) => /px$/.test(own[name]!)) ?? 'width';
    const edited = applyEdit(project, { type: 'setStyle', owner: id, at, property, value: `${(turn++ % 50) + 70}px` }).document;
    const result = restyledPreview({ project, page, preview }, edited, edited.pages[0]!);
    if (result?.patch.kind !== 'rules') throw new Error('A changed value did not become a patch of rules.');
  }, 300);
  const compared = timed(() => patchBetween(preview, renderPreview({ ...project }, page, font)), 15);
  console.log(`  all ${PROPERTIES.length} properties of one element at one viewport: ${all.toFixed(3)} ms (wanted: under 1)`);
  console.log(`  its lanes: ${lanes.toFixed(2)} ms (wanted: under 5)`);
  console.log(`  full render: ${full.toFixed(0)} ms (wanted: under 150)`);
  console.log(
    `  setStyle to a CSS patch: ${patch.toFixed(3)} ms, ${(full / patch).toFixed(0)} times faster than the whole sheet (wanted: 50); rendering and comparing all would take ${compared.toFixed(0)} ms`,
  );
  console.log(`  memory of the document: ${(bytes / 1e6).toFixed(1)} MB (wanted: under 60)`);
}
