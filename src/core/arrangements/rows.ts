import type { Page, Project } from '../document/project';
import { childIds, wordsOf } from '../document/content';
import { htmlIdsOn } from '../document/html-ids';
import { slugOf } from '../document/class-names';
import type { PageElement } from '../document/element';
import { planGroup } from '../plans/rearrange';
import { planSplit } from '../plans/alternates';
import { planPanel } from '../plans/panels';
import { PlanError } from '../plans/plan';
import type { Arrangement, Recognised } from './arrangement';
import { FREE_ITEM, IN_ONE_COLUMN, itemsOf, whyNoItems } from './items';
import { disclosureWish, drawerWish } from './panel-wish';
import type { Work } from './work';

/** What scrolls has no least width of its own (CSS Flexbox 1, 4.5): beside others in a row nothing would be left of it. */
const SCROLLS = { 'overflow-x': 'auto', 'scroll-snap-type': 'x mandatory', 'min-width': 'min(100%, 240px)' } as const;

export const scroller: Arrangement = {
  id: 'scroller',
  name: 'Row that scrolls sideways',
  family: 'content',
  does: 'The items stand in one row that is scrolled sideways and stops at each; the next one peeks in, so that it shows.',
  places: 'narrow',
  placeLabel: 'Scrolls at',
  on: 'part',
  settings: () => [
    {
      ...{ id: 'share', label: 'Each as wide as' },
      choices: [
        ['80%', '80% of the row'],
        ['60%', '60% of the row'],
        ['44%', '44% of the row'],
      ],
    },
  ],
  whyNot: whyNoItems,
  make(work, id, { at, settings }) {
    work.values(id, at, {
      ...{ display: 'flex', 'flex-direction': 'row', 'flex-wrap': 'nowrap', 'align-items': 'stretch' },
      ...{ 'justify-content': 'flex-start', ...SCROLLS },
      ...(/^(0px|normal)$/.test(work.valueAt(id, 'column-gap', at)) && { 'column-gap': '16px' }),
    });
    for (const { id: item } of itemsOf(work, id))
      work.values(item, at, {
        ...FREE_ITEM,
        ...{ 'flex-shrink': '0', 'flex-basis': settings.share ?? '80%', 'min-width': '0', 'scroll-snap-align': 'start' },
      });
    reachable(work, id);
  },
};

/** What scrolls can be scrolled by keyboard, and says what it is. */
export function reachable(work: Work, id: string): void {
  const { attributes, name } = work.element(id);
  work.attribute(id, 'tabindex', '0');
  if (attributes['aria-label'] === undefined && attributes['aria-labelledby'] === undefined)
    work.attribute(id, 'aria-label', name);
}

export const oneAtATime: Arrangement = {
  id: 'one-at-a-time',
  name: 'Steps, one at a time',
  family: 'content',
  does: 'Each step fills the row, and links in it lead to the one before and the next; fingers can swipe too.',
  places: 'narrow',
  placeLabel: 'One at a time at',
  on: 'part',
  whyNot(project, tree, id) {
    const no = whyNoItems(project, tree, id);
    if (no) return no;
    const odd = childIds(tree.elements[id]!)
      .map((child) => tree.elements[child]!)
      .find((one) => one.use !== undefined || one.id.includes('.'));
    return odd && `${odd.name} is a use of a part, and each step needs links of its own: take it apart first.`;
  },
  make(work, id, { at }) {
    const steps = work.children(id);
    const ids = steps.map((step) => htmlIdFor(work, step));
    work.values(id, at, {
      ...{ display: 'flex', 'flex-direction': 'row', 'flex-wrap': 'nowrap', 'align-items': 'flex-start' },
      ...{ 'justify-content': 'flex-start', 'column-gap': '0', ...SCROLLS },
    });
    steps.forEach((step, i) => {
      work.values(step, at, {
        ...FREE_ITEM,
        ...{ 'flex-shrink': '0', 'flex-basis': '100%', 'min-width': '0', 'scroll-snap-align': 'start' },
        'box-sizing': 'border-box',
      });
      const links = [
        ...(i > 0 ? [link(work, 'Step before', 'Back', ids[i - 1]!)] : []),
        ...(i < steps.length - 1 ? [link(work, 'Next step', 'Next', ids[i + 1]!)] : []),
      ];
      const row: PageElement = {
        ...{ id: `e${work.newId()}`, tag: 'div', name: `Ways on from ${work.element(step).name}`.slice(0, 80), attributes: {} },
        ...{ children: links.map((one) => one.id), shared: [] },
        styles: { base: { display: 'none' }, [at]: { display: 'flex', 'column-gap': '24px', 'padding-top': '12px' } },
      };
      work.do({
        ...{ type: 'insertElement', page: work.treeId, parent: step, index: work.children(step).length },
        elements: [row, ...links],
      });
    });
    work.notes.push(`Each of the ${steps.length} steps gets links to the one before and the next, there only.`);
    reachable(work, id);
  },
};

const link = (work: Work, name: string, text: string, target: string): PageElement => ({
  ...{ id: `e${work.newId()}`, tag: 'a', name, attributes: { href: `#${target}` }, children: [{ text }], shared: [] },
  styles: { base: { display: 'inline-block', 'padding-top': '10px', 'padding-bottom': '10px' } },
});

/** The HTML id of an element, a new one where it has none. */
export function htmlIdFor(work: Work, id: string): string {
  const element = work.element(id);
  if (element.attributes.id !== undefined) return element.attributes.id;
  const taken = htmlIdsOn(work.tree);
  const slug = slugOf(element.name);
  let made = slug;
  for (let n = 2; taken.has(made); n++) made = `${slug}-${n}`;
  work.attribute(id, 'id', made);
  return made;
}

const isHeading = ({ tag }: PageElement) => /^h[1-6]$/.test(tag);

export const disclosures: Arrangement = {
  id: 'disclosures',
  name: 'Columns that unfold',
  family: 'content',
  does: 'The columns stand below each other, each closed behind its heading until it is pressed.',
  places: 'narrow',
  placeLabel: 'Unfold at',
  on: 'part',
  whyNot(project, tree, id) {
    const no = whyNoItems(project, tree, id);
    if (no) return no;
    const columns = childIds(tree.elements[id]!).map((child) => tree.elements[child]!);
    const part = columns.find((one) => one.use !== undefined || one.id.includes('.'));
    if (part) return `${part.name} is a use of a part: open the part, or take it apart first.`;
    const bare = columns.find((one) => {
      const inside = childIds(one).map((child) => tree.elements[child]!);
      return !inside[0] || !isHeading(inside[0]) || inside.length < 2;
    });
    return bare && `${bare.name} doesn’t begin with a heading that the rest could unfold from.`;
  },
  make(work, id, { at }) {
    work.values(id, at, IN_ONE_COLUMN);
    const columns = work.children(id);
    for (const column of columns) {
      work.values(column, at, FREE_ITEM);
      const [heading, ...rest] = work.children(column);
      const words = wordsOf(work.tree.elements, heading!).trim() || work.element(heading!).name;
      let body = rest[0]!;
      if (rest.length > 1) {
        body = `e${work.newId()}`;
        work.do(planGroup(work.tree, rest, body).edit);
      }
      const before = work.element(body).name;
      work.do({ type: 'renameElement', node: body, name: words.slice(0, 60) });
      work.do(planPanel(work.project, work.tree, body, disclosureWish(at), work.newId).edit);
      if (rest.length === 1) work.do({ type: 'renameElement', node: body, name: before });
      // Its words stand in what unfolds.
      work.values(heading!, at, { display: 'none' });
    }
    work.notes.push(`The heading of each of the ${columns.length} columns is what is pressed there.`);
  },
};

const SIDE = { id: 'side', label: 'The side column', needed: true } as const;

function recogniseSide(_: Project, tree: Page, id: string): Readonly<Record<string, Recognised>> {
  const children = childIds(tree.elements[id]!);
  const asides = children.filter((child) => tree.elements[child]!.tag === 'aside');
  return { side: { found: asides.length === 1 ? asides[0] : undefined, among: children } };
}

export const sideAway: Arrangement = {
  id: 'side-away',
  name: 'Side column below, above or away',
  family: 'content',
  does: 'Where there is no room at the side, the column stands below or above the rest, or waits in a drawer.',
  places: 'narrow',
  placeLabel: 'Moves at',
  on: 'part',
  roles: [SIDE],
  recognise: recogniseSide,
  settings: () => [
    {
      ...{ id: 'where', label: 'Where to' },
      choices: [
        ['below', 'below the rest'],
        ['above', 'above the rest'],
        ['drawer', 'into a drawer'],
      ],
    },
  ],
  whyNot: whyNoItems,
  make(work, id, { at, roles, settings }) {
    const side = roles.side!;
    const children = work.children(id);
    if (!children.includes(side))
      throw new PlanError(`${work.element(side).name} doesn’t stand right in ${work.element(id).name}.`);
    work.values(id, at, IN_ONE_COLUMN);
    for (const child of children) work.values(child, at, FREE_ITEM);
    const where = settings.where ?? 'below';
    const place = children.indexOf(side);
    if (where === 'drawer') {
      const wish = drawerWish(at, place === 0 ? 'left' : 'right');
      const plan = planPanel(work.project, work.tree, side, wish, work.newId);
      work.do(plan.edit);
      work.notes.push(...plan.details);
      return;
    }
    const wanted = where === 'below' ? children.length - 1 : 0;
    if (place === wanted) return;
    // Moved by `order` it would be seen elsewhere than where it is read: a copy stands there, and exactly one of the two shows.
    work.do(planSplit(work.project, work.tree, side, at, work.newId).edit);
    const { set } = work.element(side).alternate!;
    const copy = work.children(id).find((one) => one !== side && work.element(one).alternate?.set === set)!;
    work.do({ type: 'moveElement', node: copy, parent: id, index: where === 'below' ? work.children(id).length : 0 });
    work.notes.push(`A copy of it shows ${where} the rest there, in its place, so that it is read where it is seen.`);
  },
};
