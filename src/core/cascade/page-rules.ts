import type { Condition } from '../breakpoints/condition';
import type { PageSheet } from '../document/page-sheets';
import { sheetsOf } from '../document/page-sheets';
import type { Page, Project } from '../document/project';
import type { WholeRule } from '../read';
import type { PageRule } from './page-rule';
import { readSheet, readWholeSheet } from '../read';
import { meet, readMediaQuery } from '../read/media';
import { isSupported } from '../read/supports';
import type { Step } from './sheet-pieces';
import { sheetPieces } from './sheet-pieces';
import { isTurned, turned } from './turned-pages';

export type { PageRule } from './page-rule';

const memo = new WeakMap<readonly PageSheet[], readonly PageRule[]>();

type RuledPage = Pick<Page, 'brought'> & Partial<Pick<Page, 'direction' | 'elements'>>;

/** The rules of all sheets from elsewhere that hold on a page, in the order of the cascade. The same list for the same sheets. */
export function rulesOn(project: Pick<Project, 'sheets'>, page: RuledPage): readonly PageRule[] {
  const sheets = sheetsOf(project, page);
  let rules = memo.get(sheets);
  if (!rules) memo.set(sheets, (rules = page.brought ? broughtRules(project, page) : sharedRules(sheets)));
  return page.brought && isTurned(page, sheets) ? turned(rules) : rules;
}

const sharedRules = (sheets: readonly PageSheet[]): PageRule[] =>
  sheets.flatMap(({ sheet }) => readSheet(sheet.css).rules.map((rule) => ({ rule, sheetId: sheet.id, layer: 0 })));

/** Under what a piece of a sheet stands. */
interface Around {
  readonly when: readonly Condition[] | undefined;
  readonly layer: readonly string[];
  readonly unsure: boolean;
  /** The same conditions as they are written. */
  readonly within: readonly string[];
}
const NOTHING: Around = { when: undefined, layer: [], unsure: false, within: [] };

/** What stands under one step more; undefined for what never holds. */
function under(around: Around, { media, supports, layer = [] }: Step): Around | undefined {
  const own = media === undefined ? undefined : readMediaQuery(media);
  const when = meet(around.when, own);
  const isMet = supports === undefined ? true : isSupported(supports);
  if (when?.length === 0 || isMet === false) return undefined;
  const conditions = [
    ...(media === undefined ? [] : [`@media ${media}`]),
    ...(supports === undefined ? [] : [`@supports ${supports}`]),
  ];
  return {
    when,
    layer: [...around.layer, ...layer],
    unsure: around.unsure || isMet === undefined || (media !== undefined && own === undefined),
    within: [...around.within, ...conditions],
  };
}

function broughtRules(project: Pick<Project, 'sheets'>, page: Pick<Page, 'brought'>): PageRule[] {
  const found: { readonly rule: WholeRule; readonly sheetId: string }[] = [];
  const layers = new Layers();
  for (const [at, { sheet, css, steps, linesBefore }] of sheetPieces(project, page).entries()) {
    const around = steps.reduce<Around | undefined>((outer, step) => outer && under(outer, step), NOTHING);
    if (!around) continue;
    const { rules, layers: named } = readWholeSheet(css);
    const own = (layer: readonly string[]) => [
      ...around.layer,
      ...layer.map((one) => (one.startsWith('#') ? `#${at}${one}` : one)),
    ];
    layers.name(around.layer);
    for (const layer of named) layers.name(own(layer));
    for (const rule of rules) {
      const when = meet(around.when, rule.when);
      if (when?.length === 0) continue;
      const line = linesBefore + rule.line + (sheet.line === undefined ? 0 : sheet.line - 1);
      const all = { ...rule, when, line, layer: own(rule.layer), unsure: rule.unsure || around.unsure };
      found.push({ sheetId: sheet.id, rule: { ...all, around: [...around.within, ...(rule.around ?? [])] } });
    }
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
