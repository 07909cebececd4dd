import type { PageSheet } from '../document/page-sheets';
import type { PageElement } from '../document/element';
import type { Page } from '../document/project';
import { carried } from '../document/versions';
import type { PageRule } from './page-rule';

const saying = new WeakMap<readonly PageSheet[], boolean>();
const TURNING = /direction\s*:\s*rtl|writing-mode\s*:/i;

const isTurning = (element: PageElement | undefined) =>
  /^(rtl|auto)$/i.test(element?.attributes.dir ?? '') || TURNING.test(element?.attributes.style ?? '');
const hasTurning = carried(
  (elements) => Object.values(elements).some(isTurning),
  (before, after) => before?.attributes !== after?.attributes && isTurning(before) !== isTurning(after),
);

/** Whether some text of a page may run otherwise than from left to right and down. */
export function isTurned(page: Partial<Pick<Page, 'direction' | 'elements'>>, sheets: readonly PageSheet[]): boolean {
  if (page.direction === 'rtl') return true;
  let said = saying.get(sheets);
  if (said === undefined) saying.set(sheets, (said = sheets.some(({ sheet }) => TURNING.test(sheet.css))));
  if (said || !page.elements) return said;
  return hasTurning(page.elements);
}

const known = new WeakMap<readonly PageRule[], readonly PageRule[]>();
const SIDES = ['top', 'right', 'bottom', 'left'];

/** The same rules where nobody knows on which side lies what follows the direction of the text: all four are in doubt. */
export function turned(rules: readonly PageRule[]): readonly PageRule[] {
  let list = known.get(rules);
  if (!list) known.set(rules, (list = rules.map((one) => (one.rule.flow ? { ...one, rule: inDoubt(one.rule) } : one))));
  return list;
}

function inDoubt(rule: PageRule['rule']): PageRule['rule'] {
  const flow = rule.flow!;
  const kept = (said: Readonly<Record<string, string>>) =>
    Object.fromEntries(Object.entries(said).filter(([name]) => !flow.has(name)));
  const sides = (important: boolean) => {
    const groups = new Set([...flow.values()].filter((one) => one.important === important).map(({ of }) => of));
    return [...groups].flatMap((of) => SIDES.map((side) => (of === 'inset' ? side : `${of}-${side}`)));
  };
  const said = new Map(
    [...flow.values()].map(({ property, value, important }) => [`${property} ${important}`, { property, value, important }]),
  );
  return {
    ...rule,
    normal: kept(rule.normal),
    important: kept(rule.important),
    doubted: [...new Set([...(rule.doubted ?? []), ...sides(false)])],
    doubtedImportant: [...new Set([...(rule.doubtedImportant ?? []), ...sides(true)])],
    doubtful: [...(rule.doubtful ?? []), ...said.values()],
  };
}
