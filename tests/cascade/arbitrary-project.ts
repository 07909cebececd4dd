import fc from 'fast-check';
import type { Breakpoint } from '@/core/breakpoints';
import type { Condition } from '@/core/breakpoints';
import { breakpointSchema, conditionInterval, defaultOrder, hasCycle } from '@/core/breakpoints';
import { conditionsOf } from '@/core/cascade';
import type { Child, Page, PageElement, Project, PseudoStyles, StyleSet, Surroundings } from '@/core/document';
import {
  GIVEN_KINDS,
  holdsElements,
  HTML_TAGS,
  INPUT_TYPES,
  isRun,
  KINDS,
  newProject,
  PSEUDOS,
  splitPseudo,
  STATES,
  surroundings,
  textChildren,
  whyNotAttribute,
  whyNoText,
  whyNotKept,
  whyNotOn,
} from '@/core/document';
import { arbitrarySheet } from './arbitrary-sheet';
import { choices, withChoices } from './with-choices';
import { partChoices, withParts } from './with-parts';
import { checkValue, PROPERTIES } from '@/core/styles';

/** Values to write, by the kind of control a property has; those its grammar refuses are left out. */
const LENGTHS = [
  '0',
  '1px',
  '13px',
  '2.5px',
  '0.4px',
  '1.7em',
  '0.5rem',
  '3vw',
  '2vh',
  '25%',
  '100%',
  '10pt',
  'auto',
  'normal',
  'none',
  'min-content',
  '-4px',
  'thin',
  'thick',
  'small',
  'x-large',
  'larger',
  'smaller',
  'clamp(12px, 1rem + 2vw, 40px)',
  'calc(1em + 3px)',
  'max(10px, 2vmin)',
  '1.5',
];
const COLOURS = [
  'red',
  '#1c6b5e',
  '#abc8',
  'rgb(10 20 30)',
  'rgba(10, 20, 30, 0.35)',
  'hsl(200 40% 30%)',
  'transparent',
  'currentcolor',
];
const NUMBERS = ['0', '1', '2', '0.35', '-1', '700', 'auto'];
const TEXTS: Readonly<Record<string, readonly string[]>> = {
  'grid-template-columns': [
    'none',
    '1fr 2fr',
    'repeat(3, 1fr)',
    'repeat(2, minmax(0, 1fr))',
    '10em 20%',
    '1rem auto min-content',
  ],
  'grid-template-rows': ['none', '40px 1fr', 'auto'],
  'grid-auto-columns': ['auto', '2em', 'minmax(0, 1fr)'],
  'grid-auto-rows': ['auto', '3rem 4px'],
  'grid-column-start': ['auto', '2', 'span 3', '-1'],
  'grid-column-end': ['auto', '4', 'span 2'],
  'grid-row-start': ['auto', '1'],
  'grid-row-end': ['auto', 'span 2'],
  'aspect-ratio': ['auto', '16 / 9', '1', 'auto 4 / 3'],
  'font-family': [
    'Georgia, serif',
    '"Schibsted Grotesk Variable", sans-serif',
    'monospace',
    `Courier   New , 'Georgia', 'serif', '1a', "a-b"`,
  ],
  'vertical-align': ['baseline', 'middle', 'top', '3px', '20%', '0.2em'],
};
const WIDE = ['inherit', 'initial', 'unset'];

/** A value that the property's grammar takes; the pools are sifted once, as that is slow. */
const valued = new Map(
  PROPERTIES.map(({ name, control }) => {
    const pool =
      control.kind === 'keyword'
        ? control.keywords
        : control.kind === 'length'
          ? LENGTHS
          : control.kind === 'colour'
            ? COLOURS
            : control.kind === 'number'
              ? NUMBERS
              : (TEXTS[name] ?? []);
    const fitting = [...pool, ...WIDE].flatMap((value) => {
      const checked = checkValue(name, value);
      return checked.ok ? [checked.declarations[name]!] : [];
    });
    return [name, fc.tuple(fc.constant(name), fc.constantFrom(...fitting))] as const;
  }),
);
const declaration = fc.constantFrom(...valued.keys()).chain((name) => valued.get(name)!);

/** Some properties come together often, since it's their meeting that is hard. */
const DENSE = [
  'font-size',
  'display',
  'position',
  'float',
  'color',
  'line-height',
  'overflow-x',
  'border-top-style',
  'font-weight',
];
const dense = fc.constantFrom(...DENSE).chain((name) => valued.get(name)!);
/** Custom properties that hold lengths, colours, words, nothing of use, each other or themselves. */
const NAMES = ['--a', '--b', '--c'];
const CONTENTS = [
  '12px',
  '1.5em',
  'red',
  '#1c6b5e',
  '2',
  'block',
  'none',
  'wrong thing',
  'initial',
  'inherit',
  'unset',
  'var(--a)',
  'var(--b)',
  'var(--c, 3px)',
  'calc(var(--b) + 2px)',
  '0.8rem',
  '50%',
];
const variable = fc.tuple(fc.constantFrom(...NAMES), fc.constantFrom(...CONTENTS));
const USES = [
  'var(--a)',
  'var(--b, 7px)',
  'var(--c, green)',
  'var(--missing, inherit)',
  'var(--missing)',
  'var(--a, var(--b, 2em))',
  'calc(var(--a) * 2)',
  'var( --b , initial )',
];
const TAKING = [
  'font-size',
  'color',
  'padding-left',
  'width',
  'margin-top',
  'line-height',
  'display',
  'background-color',
  'border-top-color',
  'letter-spacing',
  'opacity',
  'text-indent',
  'flex-grow',
  'white-space',
];
const taken = fc.tuple(fc.constantFrom(...TAKING), fc.constantFrom(...USES));
const declarations = fc
  .array(
    fc.oneof(
      { weight: 6, arbitrary: declaration },
      { weight: 2, arbitrary: dense },
      { weight: 1, arbitrary: variable },
      { weight: 1, arbitrary: taken },
    ),
    { maxLength: 6 },
  )
  .map((pairs) => Object.fromEntries(pairs));

const size = fc.oneof(fc.integer({ min: 200, max: 1500 }), fc.constantFrom(600, 600.5, 900, 899.98, 700, 701));
const heights = fc.constantFrom(400, 699.5, 700, 701, 900);
const conditions: fc.Arbitrary<Condition>[] = [
  fc.record({ below: size }),
  fc.record({ from: size }),
  fc.record({ from: size, below: size }),
  fc.record(
    {
      from: size,
      below: size,
      heightFrom: heights,
      heightBelow: heights,
      orientation: fc.constantFrom('portrait' as const, 'landscape' as const),
      pointer: fc.constantFrom('mouse' as const, 'finger' as const),
    },
    { requiredKeys: [] },
  ),
];
const condition = fc
  .oneof(...conditions)
  .chain((one) => fc.boolean().map((em): Condition => (em ? { ...one, unit: 'em' } : one)))
  .filter((one) => breakpointSchema.shape.condition.safeParse(one).success);

/** Up to four breakpoints of every kind, now and then in an order of their own, now and then taking over from another. */
export const arbitraryBreakpoints = fc
  .tuple(fc.array(condition, { maxLength: 4 }), fc.boolean(), fc.array(fc.tuple(fc.nat(3), fc.nat(3)), { maxLength: 2 }))
  .map(([list, sorted, takes]) => {
    let set = list.map((one, i): Breakpoint => ({ id: `b${i}`, name: `B${i}`, condition: one }));
    if (sorted) set.sort(defaultOrder);
    for (const [by, from] of takes) {
      const next = set.map((one) =>
        one.id === `b${by}` && from < list.length && from !== by && !one.also?.includes(`b${from}`)
          ? { ...one, also: [...(one.also ?? []), `b${from}`] }
          : one,
      );
      if (!hasCycle(next)) set = next;
    }
    return set;
  });

const styleSet = (ids: readonly string[]): fc.Arbitrary<StyleSet> =>
  fc
    .record(Object.fromEntries(['base', ...ids].map((at) => [at, declarations])), { requiredKeys: [] })
    .map((styles): StyleSet =>
      fittingOn('', Object.fromEntries(Object.entries(styles).flatMap(([at, one]) => (one ? [[at, one]] : [])))),
    );

const CONTENT_VALUES = ['"→"', "'a b'", 'none', 'normal', 'attr(title)', '""', 'inherit', 'initial'];
const content = fc.tuple(fc.constantFrom('base', 'b0'), fc.constantFrom(...CONTENT_VALUES));

/** What somebody says of states and boxes: now and then of several. */
const pseudoStyles = (ids: readonly string[]): fc.Arbitrary<PseudoStyles | undefined> =>
  fc
    .array(fc.tuple(fc.constantFrom(...PSEUDOS), styleSet(ids), fc.option(content)), { maxLength: 3 })
    .map((sets): PseudoStyles | undefined => {
      const kept = sets.flatMap(([pseudo, styles, said]) => {
        const place = said && (said[0] === 'base' || ids.includes(said[0])) ? said[0] : 'base';
        const all = said ? { ...styles, [place]: { ...styles[place], content: said[1] } } : styles;
        const fitting = fittingOn(pseudo, all);
        return Object.keys(fitting).length > 0 ? [[pseudo, fitting] as const] : [];
      });
      return kept.length > 0 ? Object.fromEntries(kept) : undefined;
    });

const fittingOn = (pseudo: string, styles: StyleSet): StyleSet =>
  Object.fromEntries(
    Object.entries(styles)
      .map(
        ([at, one]) =>
          [at, Object.fromEntries(Object.entries(one).filter(([name]) => whyNotOn(pseudo, name) === undefined))] as const,
      )
      .filter(([, one]) => Object.keys(one).length > 0),
  );

/** The page isn't laid out while compared (`html` shows nothing), so the body must not take its display from there. */
const withoutDisplay = (styles: StyleSet): StyleSet =>
  Object.fromEntries(
    Object.entries(styles)
      .map(([at, { display: _, ...rest }]) => [at, rest] as const)
      .filter(([, rest]) => Object.keys(rest).length > 0),
  );

interface Sprout {
  readonly tag: string;
  readonly under: number;
  readonly shared: readonly string[];
  readonly styles: StyleSet;
  readonly pseudo: PseudoStyles | undefined;
  readonly inputType: string;
  readonly kind: (typeof GIVEN_KINDS)[number] | undefined;
  readonly link: boolean;
  readonly says: Readonly<Record<string, string>>;
  readonly before: string;
}

/** Attributes of which browsers make something. */
const SAYS: readonly (readonly [string, string])[] = [
  ...(['disabled', 'hidden', 'open', 'multiple', 'controls', 'readonly', 'checked'] as const).map((name) => [name, ''] as const),
  ['width', '40'],
  ['height', '30'],
  ['size', '4'],
  ['type', 'a'],
  ['wrap', 'off'],
  ['display', 'block'],
  ['dir', 'rtl'],
  ['dir', 'RTL'],
  ['dir', 'auto'],
  ['dir', 'none'],
  ['aria-current', 'page'],
  ['aria-current', 'false'],
  ['name', 'choice'],
  ['selected', ''],
  ['placeholder', 'Your name'],
  ['title', 'In full'],
];
const UNKNOWN = ['my-card', 'center', 'nobr', 'big', 'tt', 'strike', 'dir'];

/** @param sheets whether there are sheets from elsewhere: they say sides of a line as if all text ran from left to right */
function grow(sprouts: readonly Sprout[], body: StyleSet, sheets: boolean): Record<string, PageElement> {
  const elements: { -readonly [K in keyof PageElement]: PageElement[K] }[] = [
    { id: 'e0', tag: 'body', name: 'Page', attributes: {}, children: [], shared: [], styles: withoutDisplay(body) },
  ];
  const parents = [-1];
  sprouts.forEach((sprout) => {
    const at = sprout.under % elements.length;
    const around = (index: number): Surroundings =>
      surroundings(elements[index]!.tag, index === 0 ? undefined : around(parents[index]!));
    if (whyNotKept(sprout.tag, around(at))) return;
    const id = `e${elements.length}`;
    const attributes: Record<string, string> = {};
    if (sprout.tag === 'input') attributes.type = sprout.inputType;
    if (sprout.tag === 'a' && sprout.link) attributes.href = '#';
    for (const [name, value] of Object.entries(sprout.says))
      // A picture that can't be shown stands in with its words, and here none has a source.
      if (
        !(sheets && name === 'dir') &&
        !(sprout.tag === 'img' && name === 'title') &&
        attributes[name] === undefined &&
        whyNotAttribute(sprout.tag, name, value) === undefined
      )
        attributes[name] = value;
    const words = sprout.before && whyNoText(elements[at]!.tag) === undefined ? [{ text: sprout.before }] : [];
    elements[at]!.children = joined([...elements[at]!.children, ...words, id]);
    elements.push({
      id,
      tag: sprout.tag,
      name: `${sprout.tag} ${id}`,
      attributes,
      children: [],
      shared: sprout.shared,
      styles: sprout.styles,
      ...(sprout.pseudo && { pseudo: sprout.pseudo }),
      ...(sprout.kind && holdsElements(sprout.tag) && { kind: sprout.kind }),
    });
    parents.push(at);
  });
  return Object.fromEntries(
    elements.map((element, i) => [element.id, withText(element, TEXTS_TO_LAY[i % TEXTS_TO_LAY.length]!)]),
  );
}

/** Texts beside each other are one. */
const joined = (children: readonly Child[]): Child[] =>
  children.filter((child, i) => !isRun(child) || i === 0 || !isRun(children[i - 1]!));

const TEXTS_TO_LAY = ['Claw hammer', 'Four hundred tools for one street and its neighbours', 'x', 'Reserve for Saturday'];

/** Leaves say something, where they may, so that there are lines to lay out. */
function withText(element: PageElement, text: string): PageElement {
  return element.children.length > 0 || whyNoText(element.tag) ? element : { ...element, children: textChildren(text) };
}

/** Of most projects the reader's own. */
const ROOT_SIZES = [100, 100, 100, 100, 62.5, 112.5, 50, 240];

/** Projects of one page with up to twelve elements and what parts of them show, four breakpoints and three shared styles. */
export const arbitraryProject: fc.Arbitrary<Project> = arbitraryBreakpoints.chain((set) => {
  const ids = set.map((breakpoint) => breakpoint.id);
  const shared = fc.array(fc.tuple(styleSet(ids), pseudoStyles(ids)), { maxLength: 3 });
  return shared.chain((sets) => {
    const sprout = fc.record({
      tag: fc.constantFrom(...HTML_TAGS.filter((tag) => tag !== 'body'), ...UNKNOWN),
      under: fc.nat(9),
      shared: fc.subarray(sets.map((_, i) => `s${i}`)),
      styles: styleSet(ids),
      pseudo: pseudoStyles(ids),
      inputType: fc.constantFrom(...INPUT_TYPES),
      link: fc.boolean(),
      says: fc.subarray([...SAYS], { maxLength: 3 }).map((pairs) => Object.fromEntries(pairs)),
      before: fc.constantFrom('', '', 'and ', ' '),
      kind: fc.oneof({ weight: 6, arbitrary: fc.constant(undefined) }, { weight: 1, arbitrary: fc.constantFrom(...GIVEN_KINDS) }),
    });
    const kinds = fc.dictionary(
      fc
        .tuple(fc.constantFrom(...KINDS.map(({ id }) => id)), fc.constantFrom('', '', '', ...PSEUDOS))
        .map((parts) => parts.join('')),
      styleSet(ids).filter((styles) => Object.keys(styles).length > 0),
      { maxKeys: 5 },
    );
    const sheets = fc.oneof(
      { weight: 2, arbitrary: fc.constant([]) },
      { weight: 1, arbitrary: fc.array(arbitrarySheet, { minLength: 1, maxLength: 2 }) },
    );
    return fc
      .tuple(
        ...([fc.array(sprout, { maxLength: 12 }), styleSet(ids), kinds, sheets] as const),
        ...([partChoices(styleSet(ids), pseudoStyles(ids)), fc.constantFrom(...ROOT_SIZES), choices] as const),
      )
      .map(([sprouts, body, kinds, sheets, parts, rootSize, chosen]): Project => {
        const project = newProject('00000000-0000-4000-8000-000000000000', 'Random');
        const whole: Project = {
          ...project,
          rootSize,
          breakpoints: set,
          kinds: Object.fromEntries(Object.entries(kinds).map(([id, styles]) => [id, fittingOn(splitPseudo(id).pseudo, styles)])),
          sheets: sheets.map((css, i) => ({ id: `t${i}`, name: `Sheet ${i}`, css })),
          shared: sets.map(([styles, pseudo], i) => ({ id: `s${i}`, name: `Shared ${i}`, styles, ...(pseudo && { pseudo }) })),
          pages: [
            {
              ...project.pages[0]!,
              root: 'e0',
              elements: grow(sprouts, body, sheets.length > 0),
              ...(sprouts.length % 6 === 5 && sheets.length === 0 && { direction: 'rtl' as const }),
            },
          ],
        };
        return withChoices(withParts(whole, parts), chosen);
      });
  });
});

/** Widths to look at: each edge at the height looked at, right beside it, and some in between. */
export function interestingWidths(project: Project, random: readonly number[], height = 700): number[] {
  const edges = conditionsOf(project)
    .flatMap((one) => Object.values(conditionInterval(one, { height, pointer: 'mouse' })))
    .filter((edge) => edge > 100 && edge < 2600)
    .map(Math.round);
  return [...new Set([...edges.flatMap((edge) => [edge - 1, edge, edge + 1]), ...random])].slice(0, 10);
}

/** An element that is held in a state, told to the browser in one of two ways; to be chosen for a project. */
export const arbitraryHolding = fc
  .tuple(fc.nat(), fc.constantFrom(...STATES), fc.constantFrom('browser' as const, 'frame' as const))
  .map(([at, state, by]) => ({ elements }: Page) => {
    const ids = Object.keys(elements);
    return { element: ids[at % ids.length]!, state, by };
  });
