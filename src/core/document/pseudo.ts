import { z } from 'zod';
import { CUSTOM_PROPERTY } from '../styles/custom';
import { isProperty, propertyNamed } from '../styles/properties';

/**
 * States in which an element can look otherwise (Selectors 4), the weakest first: of two that hold, the later wins.
 * The first four and the last are said by the document, the others by whoever uses the page.
 */
export const STATES = ['current', 'empty', 'open', 'checked', 'hover', 'focus-visible', 'active', 'disabled'] as const;
export type State = (typeof STATES)[number];

/** States that come and go with the pointer and the keyboard. */
export const USED_STATES = ['hover', 'focus-visible', 'active'] as const;
export type UsedState = (typeof USED_STATES)[number];

export const isUsed = (state: State): state is UsedState => (USED_STATES as readonly State[]).includes(state);

/** Boxes that an element has besides its own (CSS Pseudo-Elements 4). */
export const BOXES = ['before', 'after', 'marker', 'placeholder'] as const;
export type Box = (typeof BOXES)[number];

/** A state, a box, or a box of an element in a state, as a suffix: ":hover", "::before", ":hover::before". */
export type Pseudo = string;

export interface PseudoParts {
  readonly state?: State;
  readonly box?: Box;
}

const PSEUDO = new RegExp(`^(?::(${STATES.join('|')}))?(?:::(${BOXES.join('|')}))?$`);

/** All there are, states first. */
export const PSEUDOS: readonly Pseudo[] = [
  ...STATES.map((state) => `:${state}`),
  ...BOXES.map((box) => `::${box}`),
  ...STATES.flatMap((state) => BOXES.map((box) => `:${state}::${box}`)),
];
const byText = new Map<Pseudo, PseudoParts>(
  PSEUDOS.map((text) => {
    const [, state, box] = PSEUDO.exec(text)!;
    return [text, { ...(state && { state: state as State }), ...(box && { box: box as Box }) }];
  }),
);

export const pseudoSchema = z.string().refine((text) => byText.has(text), 'Not a state or a box of an element.');

/** The parts of a suffix; none of the empty one. @throws Error when it is no suffix */
export function readPseudo(pseudo: Pseudo): PseudoParts {
  if (pseudo === '') return {};
  const parts = byText.get(pseudo);
  if (!parts) throw new Error(`"${pseudo.slice(0, 40)}" is no state or box.`);
  return parts;
}

export const pseudoOf = ({ state, box }: PseudoParts): Pseudo => (state ? `:${state}` : '') + (box ? `::${box}` : '');

/** An id and the suffix behind it: "e12:hover" is e12 pointed at. */
export function splitPseudo(id: string): { readonly id: string; readonly pseudo: Pseudo } {
  const at = id.indexOf(':');
  return at < 0 ? { id, pseudo: '' } : { id: id.slice(0, at), pseudo: id.slice(at) };
}

/** What CSS says of a state; each as specific as a class. */
const SELECTORS: Readonly<Partial<Record<State, string>>> = {
  current: '[aria-current]:not(:where([aria-current=""], [aria-current="false"]))',
  open: '[open]',
};

/** @param state how a state is said, where it isn't said as CSS does */
export function pseudoSelector(pseudo: Pseudo, said?: (state: State) => string | undefined): string {
  const { state, box } = readPseudo(pseudo);
  return (state ? (said?.(state) ?? SELECTORS[state] ?? `:${state}`) : '') + (box ? `::${box}` : '');
}

const STATE_WORDS: Readonly<Record<State, string>> = {
  current: 'current',
  empty: 'empty',
  open: 'open',
  checked: 'checked',
  hover: 'pointed at',
  'focus-visible': 'focused',
  active: 'pressed',
  disabled: 'disabled',
};
const BOX_WORDS: Readonly<Record<Box, string>> = {
  before: 'box before',
  after: 'box after',
  marker: 'marker',
  placeholder: 'placeholder',
};

export const stateWord = (state: State): string => STATE_WORDS[state];
export const boxWord = (box: Box): string => BOX_WORDS[box];

/** "Card", "Card when pointed at", "the box before Card", "the box before Card when pointed at". */
export function withPseudo(name: string, pseudo: Pseudo): string {
  const { state, box } = readPseudo(pseudo);
  const whole = box === undefined ? name : `${BOX_WORDS[box]}${box === 'before' || box === 'after' ? ' ' : ' of '}${name}`;
  return state === undefined ? whole : `${whole} when ${STATE_WORDS[state]}`;
}

/** "pointed at", "box before", "box before, pointed at". */
export function pseudoWords(pseudo: Pseudo): string {
  const { state, box } = readPseudo(pseudo);
  return [box && BOX_WORDS[box], state && STATE_WORDS[state]].filter(Boolean).join(', ');
}

/** What a marker takes (CSS Lists 3, 3.2), and what besides a placeholder does (CSS Pseudo-Elements 4, 4.3). */
const ON_MARKER =
  /^(color|content|cursor|line-height|font-.*|letter-spacing|word-spacing|text-transform|overflow-wrap|word-break|hyphens)$/;
const ON_PLACEHOLDER =
  /^(color|font-.*|letter-spacing|word-spacing|text-transform|text-decoration-line|background-color|opacity)$/;

/** Why a property can't be written there; undefined where it can. */
export function whyNotOn(pseudo: Pseudo, property: string): string | undefined {
  if (CUSTOM_PROPERTY.test(property) || !isProperty(property)) return undefined;
  const { box } = readPseudo(pseudo);
  const { label } = propertyNamed(property);
  if (property === 'content' && (box === undefined || box === 'placeholder'))
    return 'Only the boxes before and after an element and its marker have a content of their own.';
  if (box === 'marker' && !ON_MARKER.test(property))
    return `A marker takes no ${label.toLowerCase()}: only type, colour and content.`;
  if (box === 'placeholder' && !ON_PLACEHOLDER.test(property))
    return `A placeholder takes no ${label.toLowerCase()}: only type, colour, background and opacity.`;
  return undefined;
}
