import { sameClassNames } from '../document/class-names';
import type { PageElement, StyleSet } from '../document/element';
import { htmlAttributes } from '../document/page-fields';
import type { Page, Project } from '../document/project';
import { readPseudo } from '../document/pseudo';
import { styleSetOf, styleSetsOf } from '../document/style-sets';
import { changedIds } from '../document/versions';
import { sameJson } from '../text';
import type { Preview, PreviewPatch, RuleChange } from './preview';
import { addressesFor } from './preview';
import { declarationLines, ownersKey, writingFor } from './sheet';
import type { Rule, SheetBlock } from './sheet-block';
import type { StandIn } from './stand-in';

export interface ShownPreview {
  readonly project: Project;
  readonly page: Page;
  readonly preview: Preview;
  /** What it was rendered for. */
  readonly standIn?: StandIn | undefined;
}

const places = new WeakMap<readonly Rule[], ReadonlyMap<string, number>>();

/** Which rule of a list is an element's; carried along from list to list, since patched ones keep their order. */
function placesIn(rules: readonly Rule[]): ReadonlyMap<string, number> {
  let map = places.get(rules);
  if (!map) places.set(rules, (map = new Map(rules.map(({ key }, i) => [key, i]))));
  return map;
}

const has = (styles: StyleSet, at: string) => {
  for (const _ in styles[at]) return true;
  return false;
};

/** Whether nothing but the values of rules that are there already differs between two versions of an element. */
function onlyValuesDiffer(before: PageElement, after: PageElement): boolean {
  const { styles: _, pseudo: __, ...rest } = before;
  const { styles: ___, pseudo: ____, ...other } = after;
  for (const key of Object.keys({ ...rest, ...other }) as (keyof typeof rest)[]) if (rest[key] !== other[key]) return false;
  const [was, is] = [styleSetsOf(before), styleSetsOf(after)];
  return was.length === is.length && was.every(([pseudo, a], i) => pseudo === is[i]![0] && onlyLinesDiffer(a, is[i]![1]));
}

function onlyLinesDiffer(a: StyleSet, b: StyleSet): boolean {
  for (const at of Object.keys({ ...a, ...b })) {
    if (has(a, at) !== has(b, at)) return false;
    // A family may ask for another font, and a variable may name one.
    if (a[at] !== b[at])
      for (const name of Object.keys({ ...a[at], ...b[at] }))
        if ((name === 'font-family' || name.startsWith('--')) && a[at]?.[name] !== b[at]?.[name]) return false;
  }
  return true;
}

/** What no frame shows of a project, or what is looked at by itself. */
const UNSEEN: ReadonlySet<keyof Project> = new Set([
  ...(['pages', 'language', 'name', 'baseName', 'queries', 'audit', 'blocks'] as const),
  ...(['devices', 'deviceSets', 'columns', 'grids'] as const),
]);

function sameButPages(old: Project, project: Project): boolean {
  for (const key in project)
    if (!UNSEEN.has(key as keyof Project) && old[key as keyof Project] !== project[key as keyof Project]) return false;
  return true;
}

/** Whether two versions of a project differ in elements of the shown page only. */
export const onlyPageDiffers = ({ project: old, page: was }: ShownPreview, project: Project, page: Page): boolean =>
  sameButPages(old, project) &&
  old.pages.length === project.pages.length &&
  old.pages.every((one, i) => one === project.pages[i] || (one.id === page.id && one === was)) &&
  was.root === page.root &&
  was.brought === page.brought &&
  sameJson(htmlAttributes(old, was), htmlAttributes(project, page));

/**
 * The next preview and the way to it, for the commonest of edits: values of elements whose rules are there already.
 * Undefined for every other edit; the page is then rendered anew. Only what differs is looked at and written.
 */
export function restyledPreview(
  shown: ShownPreview,
  project: Project,
  page: Page,
): { readonly preview: Preview; readonly patch: PreviewPatch } | undefined {
  const { project: old, page: was, preview } = shown;
  if (!onlyPageDiffers(shown, project, page)) return undefined;
  const changed: [PageElement, PageElement][] = [];
  for (const id of changedIds(was.elements, page.elements)) {
    const [before, after] = [was.elements[id], page.elements[id]];
    if (!before || !after || !onlyValuesDiffer(before, after)) return undefined;
    changed.push([before, after]);
  }
  sameClassNames(old, project);
  const writing = writingFor(addressesFor(project, page), shown.standIn);

  const blocks = new Map<string, SheetBlock>();
  const changes: RuleChange[] = [];
  const pairs = changed.flatMap(([before, after]) =>
    styleSetsOf(after).map(([pseudo, styles]) => ({ id: after.id + pseudo, pseudo, was: styleSetOf(before, pseudo), styles })),
  );
  for (const { id, pseudo, was: before, styles } of pairs)
    for (const at of Object.keys(styles)) {
      if (styles[at] === before[at] || !has(styles, at)) continue;
      const lines = declarationLines(styles[at]!, writing);
      const owners = ownersKey(page.id, readPseudo(pseudo).state);
      const keys = preview.blocks.filter(
        ({ key }) => key === `${owners} ${at}` || (key.startsWith(`${owners} `) && key.endsWith(` from ${at}`)),
      );
      for (const { key } of keys) {
        const block = blocks.get(key) ?? preview.blocks.find((one) => one.key === key)!;
        const index = placesIn(block.rules).get(id);
        if (index === undefined) return undefined;
        const rules = block.rules.slice();
        rules[index] = { ...block.rules[index]!, lines };
        places.set(rules, placesIn(block.rules));
        blocks.set(key, { ...block, rules });
        changes.push({ block: key, index, css: lines.join(' ') });
      }
    }
  if (changes.length === 0) return { preview, patch: { kind: 'none' } };
  return {
    preview: { ...preview, blocks: preview.blocks.map((block) => blocks.get(block.key) ?? block) },
    patch: { kind: 'rules', changes },
  };
}
