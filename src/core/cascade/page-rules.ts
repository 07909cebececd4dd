import type { Condition } from '../breakpoints/condition';
import { folderOf, pathOf } from '../document/addresses';
import type { PageSheet } from '../document/page-sheets';
import { sheetsOf } from '../document/page-sheets';
import type { ImportedSheet, Page, Project } from '../document/project';
import type { WholeRule } from '../read';
import type { PageRule } from './page-rule';
import { readSheet, readWholeSheet } from '../read';
import { meet, readMediaQuery } from '../read/media';
import { importsOf } from '../read/references';
import { isSupported } from '../read/supports';
import { isTurned, turned } from './turned-pages';

export type { PageRule } from './page-rule';

const NESTED_MOST = 30;
const memo = new WeakMap<readonly PageSheet[], readonly PageRule[]>();

type RuledPage = Pick<Page, 'brought'> & Partial<Pick<Page, 'direction' | 'elements'>>;

/** The rules of all sheets from elsewhere that hold on a page, in the order of the cascade. The same list for the same sheets. */
export function rulesOn(project: Pick<Project, 'sheets'>, page: RuledPage): readonly PageRule[] {
  const sheets = sheetsOf(project, page);
  let rules = memo.get(sheets);
  if (!rules) memo.set(sheets, (rules = page.brought ? broughtRules(project, page.brought.base, sheets) : sharedRules(sheets)));
  return page.brought && isTurned(page, sheets) ? turned(rules) : rules;
}

const sharedRules = (sheets: readonly PageSheet[]): PageRule[] =>
  sheets.flatMap(({ sheet }) => readSheet(sheet.css).rules.map((rule) => ({ rule, sheetId: sheet.id, layer: 0 })));

/** Under what a sheet stands: conditions, layers, and whether nobody knows. */
interface Around {
  readonly when: readonly Condition[] | undefined;
  readonly layer: readonly string[];
  readonly unsure: boolean;
  /** The same conditions as they are written. */
  readonly within: readonly string[];
}

function broughtRules(project: Pick<Project, 'sheets'>, base: string, sheets: readonly PageSheet[]): PageRule[] {
  const byFile = new Map(
    project.sheets.flatMap((sheet) =>
      sheet.line === undefined && sheet.file !== undefined ? [[sheet.file, sheet] as const] : [],
    ),
  );
  const found: { readonly rule: WholeRule; readonly sheetId: string }[] = [];
  const layers = new Layers();
  let anonymous = 0;
  const under = (around: Around, media: string | undefined, supports?: string): Around | undefined => {
    const own = media === undefined ? undefined : readMediaQuery(media);
    const when = meet(around.when, own);
    const written = supports === undefined ? undefined : /^\s*(\(|not\b|selector\()/i.test(supports) ? supports : `(${supports})`;
    const isMet = written === undefined ? true : isSupported(written);
    if (when?.length === 0 || isMet === false) return undefined;
    const within = [
      ...around.within,
      ...(media === undefined ? [] : [`@media ${media}`]),
      ...(written === undefined ? [] : [`@supports ${written}`]),
    ];
    return {
      ...around,
      when,
      within,
      unsure: around.unsure || isMet === undefined || (media !== undefined && own === undefined),
    };
  };
  const visit = (sheet: ImportedSheet, around: Around, depth: number): void => {
    const folder = sheet.line === undefined ? folderOf(sheet.file ?? '') : base;
    const { rules, layers: named } = readWholeSheet(sheet.css);
    for (const { address, media, supports, layer } of importsOf(sheet.css)) {
      const imported = byFile.get(pathOf(folder, address) ?? '');
      const inner = under(around, media, supports);
      const into = layer === undefined ? [] : layer === '' ? [`#import${anonymous++}`] : layer.split('.');
      if (into.length > 0) layers.name([...around.layer, ...into]);
      if (imported && inner && depth < NESTED_MOST) visit(imported, { ...inner, layer: [...around.layer, ...into] }, depth + 1);
    }
    // Layers without a name are each sheet's own.
    const own = (layer: readonly string[]) => [
      ...around.layer,
      ...layer.map((one) => (one.startsWith('#') ? `${sheet.id}${one}` : one)),
    ];
    for (const layer of named) layers.name(own(layer));
    for (const rule of rules) {
      const when = meet(around.when, rule.when);
      if (when?.length === 0) continue;
      const line = sheet.line === undefined ? rule.line : sheet.line + rule.line - 1;
      found.push({
        sheetId: sheet.id,
        rule: {
          ...{ ...rule, when, line, layer: own(rule.layer), unsure: rule.unsure || around.unsure },
          around: [...around.within, ...(rule.around ?? [])],
        },
      });
    }
  };
  for (const { sheet, media } of sheets) {
    const around = under({ when: undefined, layer: [], unsure: false, within: [] }, media);
    if (around) visit(sheet, around, 0);
  }
  return found.map(({ rule, sheetId }) => ({ rule, sheetId, layer: layers.placeOf(rule.layer) }));
}

/** Cascade layers in the order in which they were first named (CSS Cascade 5, 6.4.3). */
class Layers {
  readonly #children = new Map<string, string[]>();
  #places: Map<string, number> | undefined;

  name(layer: readonly string[]): void {
    for (let length = 1; length <= layer.length; length++) {
      const parent = layer.slice(0, length - 1).join('.');
      const siblings = this.#children.get(parent) ?? [];
      this.#children.set(parent, siblings);
      if (!siblings.includes(layer[length - 1]!)) siblings.push(layer[length - 1]!);
    }
    this.#places = undefined;
  }

  /** What stands in a layer itself is stronger than what stands in a layer inside of it. */
  placeOf(layer: readonly string[]): number {
    if (!this.#places) {
      const places = new Map<string, number>();
      const visit = (path: readonly string[]) => {
        const key = path.join('.');
        for (const child of this.#children.get(key) ?? []) visit([...path, child]);
        places.set(key, places.size);
      };
      visit([]);
      this.#places = places;
    }
    return this.#places.get(layer.join('.')) ?? 0;
  }
}
