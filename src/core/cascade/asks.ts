import type { Page, Project } from '../document/project';
import { splitPseudo } from '../document/pseudo';
import { carried } from '../document/versions';
import { readWholeSheet } from '../read';
import { balanced } from '../read/balanced';
import { withAddresses } from '../read/references';
import { askOf, askValues } from './imported';
import type { PageRule } from './page-rule';
import { rulesOn } from './page-rules';
import { aboveOf, elementOf } from './root';
import { sourcesFor } from './sources';

/** One thing that only a browser can tell of one element, or of a box of it. */
export interface Question {
  /** By which the answer is known. */
  readonly key: string;
  readonly id: string;
  /** "::before", or empty. */
  readonly box: string;
  /** The custom property that the element has where the rule holds; empty where it is its own `style`. */
  readonly mark: string;
  /** Declarations whose values are asked for: each with the custom property that holds what they come to. */
  readonly values?: readonly { readonly property: string; readonly value: string; readonly mark: string }[];
  /** Properties that they may set. */
  readonly names?: readonly string[];
}

/** What a browser is asked: with a style sheet that sets custom properties, which it says then of elements. */
export interface Questions {
  readonly css: string;
  /** The custom properties of the sheet; they must not be inherited. */
  readonly marks: readonly string[];
  readonly questions: readonly Question[];
}

/**
 * What has to be asked of a browser to know which rules hold for some elements, and what they set: of themselves, their boxes, and
 * all that they stand in. No questions where all of it is known.
 * @param nodes ids of elements, or of boxes ("e12::before")
 */
export function questionsOn(project: Project, page: Page, nodes: readonly string[]): Questions {
  const rules = rulesOn(project, page);
  const asked = new Map<string, Question>();
  const css = new Map<string, string>();
  const seen = new Set<string>();
  for (const node of nodes)
    for (let at: string | undefined = node; at !== undefined && !seen.has(at); at = aboveOf(page, at)?.id) {
      seen.add(at);
      const element = elementOf(page, at);
      const { id, pseudo: box } = splitPseudo(at);
      for (const { unsure, declarations } of sourcesFor(project, page, element)) {
        if (unsure === undefined || asked.has(unsure)) continue;
        const ask = unsure.slice(unsure.indexOf(' ') + 1);
        const question = { key: unsure, id, box };
        if (ask === 'inline') {
          const values = (readWholeSheet(`* {${element.attributes.style}\n}`).rules[0]?.doubtful ?? []).map((one) => ({
            ...one,
            mark: '',
          }));
          asked.set(unsure, { ...question, mark: '', values, names: Object.keys(declarations) });
          continue;
        }
        const order = Number(/\d+/.exec(ask)![0]);
        const { rule } = rules[order]!;
        const mark = `--mp-ask-${ask.replace(/[^\w]/g, (one) => (one === '=' ? 'v' : one === '!' ? 'i' : '-'))}`;
        if (ask !== askValues(order, false) && ask !== askValues(order, true)) {
          css.set(ask, asking(rule, partOf(rule, order, ask), `${mark}: 1`));
          asked.set(unsure, { ...question, mark });
          continue;
        }
        const important = ask === askValues(order, true);
        const values = (rule.doubtful ?? [])
          .filter((one) => one.important === important)
          .map(({ property, value }, i) => ({ property, value, mark: `${mark}-${i}` }));
        const said = values.map((one) => `${one.mark}: ${withAddresses(one.value, () => '')}`).join('; ');
        css.set(ask, asking(rule, rule.selector, `${mark}: 1; ${said}`));
        asked.set(unsure, { ...question, mark, values, names: Object.keys(declarations) });
      }
    }
  const questions = [...asked.values()];
  const marks = questions
    .flatMap(({ mark, values }) => [mark, ...(values ?? []).map((one) => one.mark)])
    .filter((one) => one !== '');
  return { css: [...css.values()].join('\n'), marks: [...new Set(marks)], questions };
}

const partOf = (rule: PageRule['rule'], order: number, ask: string): string =>
  rule.selectors.find((_, part) => askOf(order, part) === ask)?.text ?? rule.selector;

/** A rule that marks what another one matches, under the same conditions. Browsers drop a list of which they don't know one selector. */
function asking(rule: PageRule['rule'], selector: string, declarations: string): string {
  const known = rule.selectors.map(({ text }) => text);
  const isList = selector !== rule.selector && known.length > 1;
  const around = [
    ...(rule.around ?? []),
    ...(isList ? [`@supports ${known.map((one) => `selector(${one})`).join(' and ')}`] : []),
  ];
  // One that is cut off must not take those behind it along.
  const text = balanced(`${selector} { ${declarations} }`);
  return around.reduceRight((inner, one) => `${one} { ${inner} }`, text);
}

const inDoubt = new WeakMap<readonly PageRule[], boolean>();

/** Whether any rule has to be asked about. */
function isInDoubt(rules: readonly PageRule[]): boolean {
  let is = inDoubt.get(rules);
  if (is === undefined) inDoubt.set(rules, (is = rules.some(({ rule }) => rule.unsure || rule.doubtful)));
  return is;
}

const isStyled = carried(
  (elements) => Object.values(elements).some(({ attributes }) => attributes.style !== undefined),
  (before, after) => before?.attributes.style !== after?.attributes.style,
);

/** Whether anything on the page has to be asked at all. */
export const isAsking = (project: Project, page: Page): boolean =>
  page.brought !== undefined && (isInDoubt(rulesOn(project, page)) || isStyled(page.elements));
