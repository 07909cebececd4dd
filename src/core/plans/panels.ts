import type { At } from '../breakpoints';
import { BASE, cellsOf, holdsAt } from '../breakpoints';
import { specifiedValue } from '../cascade/resolve';
import { conditionsOf } from '../cascade/sources';
import { slugOf } from '../document/class-names';
import { childIds } from '../document/content';
import type { PageElement } from '../document/element';
import { htmlIdsOn } from '../document/html-ids';
import type { Panel, PanelEdge, PanelKind } from '../document/panel';
import { isOver, whyNoPanel } from '../document/panel';
import { openersOf } from '../document/panels';
import type { Page, Project } from '../document/project';
import { ancestorsOf, parentOf, subtreeOf } from '../document/tree';
import type { Edit } from '../edits/edit';
import { describeTarget } from '../edits/set-style';
import { propertyNamed } from '../styles/properties';
import { listed } from '../text';
import type { Plan } from './plan';
import { PlanError } from './plan';

/** What somebody wants of a panel. */
export interface PanelWish {
  readonly kind: PanelKind;
  readonly edge: PanelEdge;
  /** The breakpoint at which it is a panel, in the page elsewhere; the base for a panel everywhere. */
  readonly at: At;
  /** Whether it covers the whole screen, or a part. */
  readonly covers: 'part' | 'all';
  readonly locks: boolean;
  readonly outside: boolean;
  readonly links: boolean;
  readonly slides: boolean;
  /** A button of the tree that opens it; a new one where none is named. */
  readonly opener?: string | undefined;
}

const SIDES = ['top', 'right', 'bottom', 'left'] as const;
const zero = (what: 'margin' | 'padding', value: string) => Object.fromEntries(SIDES.map((side) => [`${what}-${side}`, value]));

/** Where it stands while it is open: values like any others, to be changed as anybody likes. */
function placing({ kind, edge, covers }: PanelWish): Readonly<Record<string, string>> {
  const all = covers === 'all';
  const inset = (sides: Partial<Record<(typeof SIDES)[number], string>>) =>
    Object.fromEntries(SIDES.map((side) => [side, sides[side] ?? 'auto']));
  const common = { position: 'fixed', 'overflow-y': 'auto', ...zero('padding', '16px') };
  if (kind === 'dialog')
    return {
      ...{ ...common, ...inset({ top: '0', right: '0', bottom: '0', left: '0' }), ...zero('margin', 'auto') },
      ...(all ? { width: '100%', height: '100%' } : { width: 'min(480px, 90%)', height: 'fit-content', 'max-height': '85dvh' }),
    };
  if (kind === 'menu')
    return {
      ...{ ...common, ...zero('margin', '0'), 'max-height': '80dvh', width: all ? '100%' : 'min(280px, 90%)' },
      ...inset({ [edge === 'bottom' ? 'bottom' : 'top']: '56px', [edge === 'left' ? 'left' : 'right']: all ? '0' : '12px' }),
    };
  const upright = edge === 'left' || edge === 'right';
  const sides = Object.fromEntries(
    SIDES.filter(
      (side) => all || side === edge || (upright ? side === 'top' || side === 'bottom' : side === 'left' || side === 'right'),
    ).map((side) => [side, '0']),
  );
  return {
    ...{ ...common, ...inset(sides), ...zero('margin', '0') },
    ...(all
      ? { width: 'auto', height: 'auto' }
      : upright
        ? { width: 'min(320px, 85%)', height: 'auto' }
        : { width: 'auto', height: 'auto', 'max-height': '85dvh' }),
  };
}

const button = (id: string, name: string, text: string, target: string, action?: 'hide'): PageElement => ({
  ...{ id, tag: 'button', name, children: [{ text }], shared: [], styles: {} },
  attributes: { type: 'button', popovertarget: target, ...(action && { popovertargetaction: action }) },
});

/** A button that is only there where there is a panel to open or close. */
const onlyAt = (element: PageElement, at: At, more: Readonly<Record<string, string>> = {}): PageElement => ({
  ...element,
  styles:
    at === BASE
      ? Object.keys(more).length > 0
        ? { base: more }
        : {}
      : { base: { display: 'none' }, [at]: { display: 'inline-block', ...more } },
});

/** How an element is shown somewhere, where it is hidden at a place by a value of its own or one that it carries. */
function shownElsewhere(project: Project, tree: Page, id: string, open: string, at: At): string | undefined {
  const values = { here: new Set<string>(), elsewhere: new Set<string>() };
  const condition = project.breakpoints.find((one) => one.id === at)?.condition;
  for (const { sample } of cellsOf(conditionsOf(project))) {
    const isHere = !condition || holdsAt(condition, sample);
    values[isHere ? 'here' : 'elsewhere'].add(specifiedValue(project, tree, id, 'display', { ...sample, open: [open] }));
  }
  if (!values.here.has('none')) return undefined;
  return [...values.here, ...values.elsewhere].find((one) => one !== 'none');
}

/** The colour behind an element that has none itself: it will stand over the page. */
function groundOf(project: Project, tree: Page, id: string): string | undefined {
  const clear = propertyNamed('background-color').initial;
  const colours = [tree.elements[id]!, ...ancestorsOf(tree, id)].map((one) =>
    specifiedValue(project, tree, one.id, 'background-color', { width: 400, height: 800, pointer: 'mouse' }),
  );
  return colours[0] === clear ? (colours.find((one) => one !== clear) ?? '#ffffff') : undefined;
}

/** Makes an element a panel, with what opens it and what closes it, placed where it is one. */
export function planPanel(project: Project, tree: Page, id: string, wish: PanelWish, newId: () => string): Plan {
  const element = tree.elements[id]!;
  const parent = parentOf(tree, id);
  const why = !parent
    ? "A page's body can't be a panel."
    : element.use
      ? 'Open the part to make what stands in it a panel.'
      : wish.kind === 'disclosure'
        ? undefined
        : whyNoPanel(element, wish.kind);
  if (why || !parent) throw new PlanError(why!);
  const { name } = element;
  if (wish.kind === 'disclosure') return disclosure(project, tree, parent, element, wish.at, newId);
  const inside = new Set(subtreeOf(tree, id).map((one) => one.id));
  if (wish.opener !== undefined && inside.has(wish.opener))
    throw new PlanError(
      `${tree.elements[wish.opener]!.name} stands in ${name} itself: nobody could get at it while it is closed.`,
    );
  const htmlId = element.attributes.id ?? freshId(tree, name);
  const at = wish.at;
  const panel: Panel = {
    ...{ kind: wish.kind, at: placesFor(at) },
    ...(wish.kind !== 'dialog' && { edge: wish.edge }),
    ...(wish.locks && { locks: true }),
    ...(wish.outside && { outside: true }),
    ...(wish.links && { links: true }),
    ...(wish.slides && wish.kind !== 'dialog' && { slides: true }),
  };
  const display = shownElsewhere(project, tree, id, id, at);
  // What was hidden because there was no room for it shows in the panel, but for what a state or another alternate is for.
  const back = subtreeOf(tree, id)
    .slice(1)
    .flatMap((one) => {
      const shown = one.alternate || one.panel ? undefined : shownElsewhere(project, tree, one.id, id, at);
      return shown === undefined ? [] : [{ one, shown }];
    });
  const isRow = /flex$/.test(
    display ?? specifiedValue(project, tree, id, 'display', { width: 1000, height: 800, pointer: 'mouse', open: [id] }),
  );
  const ground = groundOf(project, tree, id);
  const values = {
    ...placing(wish),
    ...(display && { display }),
    ...(isRow && wish.kind !== 'dialog' && { 'flex-direction': 'column', 'align-items': 'stretch' }),
    ...(ground && { 'background-color': ground }),
    'box-shadow': '0 4px 24px rgb(0 0 0 / 0.24)',
  };
  const opens = `e${newId()}`;
  const closes = `e${newId()}`;
  const attribute = (node: string, attributeName: string, value: string): Edit => ({
    type: 'setAttribute',
    node,
    name: attributeName,
    value,
  });
  const opener = wish.opener === undefined ? undefined : tree.elements[wish.opener];
  const edits: Edit[] = [
    ...(element.attributes.id === undefined ? [attribute(id, 'id', htmlId)] : []),
    ...(wish.locks && element.attributes['aria-label'] === undefined && element.attributes['aria-labelledby'] === undefined
      ? [attribute(id, 'aria-label', name)]
      : []),
    { type: 'setPanel', node: id, panel },
    {
      ...{ type: 'restyle', label: `Place ${name}` },
      changes: [
        ...Object.entries(values).map(([property, value]) => ({ owner: id, at, property, value })),
        ...back.map(({ one, shown }) => ({ owner: one.id, at, property: 'display', value: shown })),
      ],
    },
    ...(opener
      ? [
          attribute(opener.id, 'popovertarget', htmlId),
          ...(opener.tag === 'button' && opener.attributes.type === undefined ? [attribute(opener.id, 'type', 'button')] : []),
        ]
      : [insertion(tree, parent.id, childIds(parent).indexOf(id), onlyAt(button(opens, `Open ${name}`, name, htmlId), at))]),
    insertion(tree, id, 0, onlyAt(button(closes, `Close ${name}`, 'Close', htmlId, 'hide'), at, { 'align-self': 'flex-end' })),
  ];
  const where = at === BASE ? 'everywhere' : `at ${describeTarget(project, at)}, and part of the page elsewhere`;
  return {
    edit: { type: 'group', label: `Make ${name} a ${wish.kind}`.slice(0, 300), edits },
    sentence: `Makes ${name} a ${wish.kind} ${where}.`,
    details: [
      opener ? `${opener.name} opens it.` : `A button is put before it that opens it${at === BASE ? '' : ', there only'}.`,
      'A button is put into it that closes it; Escape closes it too.',
      ...(back.length > 0
        ? [
            `${listed(back.map(({ one }) => one.name))} ${back.length === 1 ? 'was' : 'were'} hidden there, and ${back.length === 1 ? 'shows' : 'show'} in it.`,
          ]
        : []),
    ],
  };
}

/** What unfolds where it stands: the element goes into a `<details>` with a summary, and is part of the page elsewhere. */
function disclosure(project: Project, tree: Page, parent: PageElement, element: PageElement, at: At, newId: () => string): Plan {
  const { id, name } = element;
  const [around, summary] = [`e${newId()}`, `e${newId()}`];
  const bare = { attributes: {}, shared: [], styles: {} };
  const edits: Edit[] = [
    {
      ...{ type: 'insertElement', page: tree.id, parent: parent.id, index: childIds(parent).indexOf(id) },
      elements: [
        {
          ...bare,
          id: around,
          tag: 'details',
          name: `${name}, folded`.slice(0, 80),
          children: [summary],
          panel: { kind: 'disclosure', at: placesFor(at) },
        },
        { ...bare, id: summary, tag: 'summary', name: `Unfold ${name}`.slice(0, 80), children: [{ text: name }] },
      ],
    },
    { type: 'moveElement', node: id, parent: around, index: 1 },
  ];
  const where = at === BASE ? 'everywhere' : `at ${describeTarget(project, at)}; elsewhere it is simply shown`;
  return {
    edit: { type: 'group', label: `Make ${name} a disclosure`.slice(0, 300), edits },
    sentence: `Lets ${name} unfold ${where}.`,
    details: ['It stands in a group of its own from now on, with a summary that opens and closes it.'],
  };
}

const placesFor = (at: At): Panel['at'] => (at === BASE ? { [BASE]: true } : { [BASE]: false, [at]: true });

/** An id for HTML that the tree hasn't got yet. */
function freshId(tree: Page, name: string): string {
  const taken = htmlIdsOn(tree);
  const slug = slugOf(name);
  for (let n = 1; ; n++) {
    const id = n === 1 ? slug : `${slug}-${n}`;
    if (!taken.has(id)) return id;
  }
}

const insertion = (tree: Page, parent: string, index: number, element: PageElement): Edit => ({
  ...{ type: 'insertElement', page: tree.id, parent, index },
  elements: [element],
});

/** Other ways of a panel that is there: what it is, what closes it, what holds still behind it. */
export function planPanelChange(tree: Page, id: string, change: Partial<Panel>): Plan {
  const { name, panel } = tree.elements[id]!;
  if (!panel) throw new PlanError(`${name} is no panel any more.`);
  const label = `Change ${panel.kind} ${name}`;
  return { edit: { type: 'setPanel', node: id, panel: { ...panel, ...change } }, sentence: `${label}.`, details: [] };
}

/** Makes a panel part of the page again, everywhere. What opened and closed it stays, and does nothing. */
export function planNoPanel(tree: Page, id: string): Plan {
  const element = tree.elements[id]!;
  const parent = parentOf(tree, id);
  if (element.panel && !isOver(element.panel) && parent) {
    const inside = childIds(element).filter((child) => tree.elements[child]!.tag !== 'summary');
    const place = childIds(parent).indexOf(id);
    return {
      edit: {
        ...{ type: 'group', label: `${element.name} is part of the page again`.slice(0, 300) },
        edits: [
          ...inside.map((node, i): Edit => ({ type: 'moveElement', node, parent: parent.id, index: place + i })),
          { type: 'removeElement', node: id },
        ],
      },
      sentence: `Takes what stands in ${element.name} out of it, and the summary away.`,
      details: [],
    };
  }
  const buttons = openersOf(tree, element);
  const edits: Edit[] = [
    { type: 'setPanel', node: id, panel: null },
    ...buttons.flatMap(({ id: node, attributes }): Edit[] =>
      ['popovertarget', 'popovertargetaction'].flatMap((name) =>
        name in attributes ? [{ type: 'setAttribute', node, name, value: null }] : [],
      ),
    ),
  ];
  return {
    edit: { type: 'group', label: `${element.name} is part of the page again`.slice(0, 300), edits },
    sentence: `Makes ${element.name} part of the page again, everywhere. Its values stay, where it was placed as a panel too.`,
    details:
      buttons.length > 0
        ? [
            `${listed(buttons.map(({ name }) => name))} ${buttons.length === 1 ? 'stays and does' : 'stay and do'} nothing: remove or use ${buttons.length === 1 ? 'it' : 'them'} otherwise.`,
          ]
        : [],
  };
}
