import type { Condition } from '../breakpoints/condition';
import { asBreakpoint } from '../cascade/found-breakpoints';
import { importedRules } from '../cascade/imported';
import type { PageRule } from '../cascade/page-rules';
import { rulesOn } from '../cascade/page-rules';
import { nodesOf } from '../cascade/selector-nodes';
import type { Page, Project } from '../document/project';
import { BOXES } from '../document/pseudo';
import { checkValue } from '../styles/value';
import { isInUse } from '../document/use';
import type { SubjectPart } from '../read/subject';
import { passingOf, subjectsOf } from '../read/subject';

/** What is to be taken over: a sheet of a page, what it says of one class, or one rule of it. */
export interface TakeChoice {
  readonly page: string;
  readonly sheet: string;
  readonly className?: string | undefined;
  readonly rule?: { readonly selector: string; readonly line: number } | undefined;
}

/** A rule that is taken over, as far as it can be. */
export interface TakenRule {
  readonly rule: PageRule;
  /** Whether it was asked for; else it goes along, since it is stronger somewhere. */
  readonly isAsked: boolean;
  /** Its place in the order of the sheets. */
  readonly order: number;
  /** Each of its selectors apart. */
  readonly parts: readonly SubjectPart[];
  /** The conditions under which it holds, as breakpoints have them; undefined for always. */
  readonly when: readonly Condition[] | undefined;
  readonly values: Readonly<Record<string, string>>;
}

/** What of a rule stays where it is, and why. */
export interface Staying {
  readonly rule: PageRule['rule'];
  readonly property: string;
  readonly why: string;
}

export interface Taken {
  readonly rules: readonly TakenRule[];
  readonly stays: readonly Staying[];
  /** How many rules were asked for. */
  readonly asked: number;
}

interface Weighed {
  readonly parts: readonly SubjectPart[] | undefined;
  readonly when: readonly Condition[] | undefined;
  /** Property to why it can't be taken; missing for what can. */
  readonly stays: Map<string, string>;
}

/** Property and element of which it has turned out that they would look otherwise. */
export type Refused = (elementId: string, property: string) => boolean;

/**
 * The rules that are taken over on one page, and what of them stays. What is written here is stronger than all that stays in a sheet: so
 * rules that beat a taken one go along, and where one of those has to stay, the one that it beats stays too.
 */
export function takenRules(project: Project, page: Page, choice: TakeChoice, refused: Refused): Taken {
  const all = rulesOn(project, page);
  const weighed = new Map<PageRule['rule'], Weighed>();
  const weigh = (rule: PageRule['rule']): Weighed => {
    let known = weighed.get(rule);
    if (!known) weighed.set(rule, (known = weighRule(rule)));
    return known;
  };
  const asked = new Set(all.filter((one) => isChosen(one, choice)).map(({ rule }) => rule));
  const taken = new Set(asked);
  const lists = matchesOn(project, page);
  // Upwards: what beats a taken value goes along.
  for (let size = -1; size !== taken.size;) {
    size = taken.size;
    for (const { rules } of lists) {
      const said = new Set<string>();
      for (const rule of rules) {
        if (taken.has(rule)) for (const name in rule.normal) said.add(name);
        else if (Object.keys(rule.normal).some((name) => said.has(name))) {
          taken.add(rule);
          for (const name in rule.normal) said.add(name);
        }
      }
    }
  }
  // Downwards: what something beats that stays, stays too.
  for (let changed = true; changed;) {
    changed = false;
    const stay = (rule: PageRule['rule'], property: string, why: string) => {
      if (!taken.has(rule) || rule.normal[property] === undefined || weigh(rule).stays.has(property)) return;
      weigh(rule).stays.set(property, why);
      changed = true;
    };
    for (const { id, rules } of lists) {
      const above = new Map<string, string>();
      const rest = new Set<string>();
      for (const rule of rules.toReversed()) {
        const { stays, parts } = weigh(rule);
        const isState = parts?.some(({ state }) => state) ?? false;
        for (const property of namesOf(rule)) {
          const why = above.get(property);
          if (why !== undefined) stay(rule, property, why);
          else if (refused(id, property)) stay(rule, property, `${property} would be another one on some element`);
          else if (isState && rest.has(property)) stay(rule, property, 'a state is beaten there by what holds at rest');
          if (!isState) rest.add(property);
          if (rule.unsure || rule.doubted?.includes(property))
            above.set(property, `${whoIs(rule)} may beat it; only a browser knows`);
          else if (stays.has(property) && !above.has(property)) above.set(property, `${whoIs(rule)} beats it, and stays`);
        }
      }
    }
  }
  const rules = all.flatMap((one, order): TakenRule[] => {
    if (!taken.has(one.rule)) return [];
    const { parts, when, stays } = weigh(one.rule);
    const values = Object.fromEntries(Object.entries(one.rule.normal).filter(([name]) => !stays.has(name)));
    return parts && Object.keys(values).length > 0
      ? [{ rule: one, isAsked: asked.has(one.rule), order, parts, when, values }]
      : [];
  });
  const stays = [...asked].flatMap((rule) => [...weigh(rule).stays].map(([property, why]): Staying => ({ rule, property, why })));
  return { rules, stays, asked: asked.size };
}

const namesOf = ({ normal, doubted = [] }: PageRule['rule']) => [...Object.keys(normal), ...doubted];
const whoIs = ({ selector, line }: PageRule['rule']) => `${selector} on line ${line}`;

function isChosen({ rule, sheetId }: PageRule, { sheet, className, rule: one }: TakeChoice): boolean {
  if (sheetId !== sheet) return false;
  if (one) return rule.selector === one.selector && rule.line === one.line;
  if (className === undefined) return true;
  return subjectsOf(rule.selector)?.some(({ classes }) => classes.includes(className)) ?? false;
}

function weighRule(rule: PageRule['rule']): Weighed {
  const stays = new Map<string, string>();
  const conditions = rule.when?.map(asBreakpoint);
  const when = conditions?.filter((one) => one !== undefined);
  const parts = subjectsOf(rule.selector);
  const whole =
    passingOf(rule.selector).length > 0
      ? 'it asks for a state of which nothing is known here'
      : rule.unsure
        ? 'only a browser can tell where it holds'
        : when?.length !== conditions?.length
          ? 'it holds under what no breakpoint can ask for'
          : !parts
            ? 'it asks for a state of something else, or for one that styles haven’t got here'
            : undefined;
  for (const [property, value] of Object.entries(rule.normal)) {
    const checked = checkValue(property, value);
    const why =
      whole ??
      (/url\(/i.test(value)
        ? 'it shows a file of the package'
        : !checked.ok || checked.declarations[property] !== value
          ? 'its value can’t be written here'
          : undefined);
    if (why !== undefined) stays.set(property, why);
  }
  for (const property in rule.important) stays.set(property, 'it is important');
  for (const property of rule.doubted ?? []) stays.set(property, 'its value isn’t known here');
  return { parts, when, stays };
}

interface Matches {
  readonly id: string;
  /** Weakest first. */
  readonly rules: readonly PageRule['rule'][];
}

/** What matches each element of the page, and each of its boxes. */
function matchesOn(project: Project, page: Page): Matches[] {
  const nodes = nodesOf(project, page);
  const passing = rulesOn(project, page).flatMap(({ rule }) => passingOf(rule.selector).map((selector) => ({ rule, selector })));
  return Object.values(page.elements)
    .filter(({ id }) => !isInUse(id))
    .flatMap((element) =>
      [undefined, ...BOXES].flatMap((box): Matches[] => {
        const node = nodes.get(element.id)!;
        const may = passing.filter(({ selector }) => selector.box === box && selector.matches(node, () => true));
        const rules = [...importedRules(project, page, element, box), ...may].map(({ rule }) => rule);
        return rules.length > 0 ? [{ id: element.id, rules: [...new Set(rules)] }] : [];
      }),
    );
}
