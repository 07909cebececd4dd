import { isTraversal, parse, SelectorType, stringify } from 'css-what';
import type { Selector } from 'css-what';
import type { UsedState } from '../document/pseudo';
import type { ReadSelector } from './selector';
import { readSelectors } from './selector';

/** One selector of a list, taken apart into whom it speaks of and when. */
export interface SubjectPart {
  /** Without the state and the box of its subject. */
  readonly base: string;
  readonly state?: UsedState;
  readonly box?: string;
  /** The whole of it. */
  readonly whole: ReadSelector;
  /** What `base` matches. */
  readonly subject: ReadSelector;
  /** The classes that its subject must have. */
  readonly classes: readonly string[];
}

const STATES: Readonly<Record<string, UsedState>> = { hover: 'hover', active: 'active', 'focus-visible': 'focus-visible' };
const ANY: Selector = { type: SelectorType.Universal, namespace: null };
const BOX = /^(before|after|placeholder|marker)$/;

const known = new Map<string, readonly SubjectPart[] | undefined>();

/**
 * The selectors of a list (Selectors 4), each with the state and the box that it asks of its subject. Undefined where one of them isn't
 * understood, or asks for a state that isn't its subject's alone.
 */
export function subjectsOf(source: string): readonly SubjectPart[] | undefined {
  if (!known.has(source)) {
    if (known.size > 5_000) known.clear();
    known.set(source, readSubjects(source));
  }
  return known.get(source);
}

function readSubjects(source: string): readonly SubjectPart[] | undefined {
  const wholes = readSelectors(source);
  if (!wholes) return undefined;
  const parts = parse(source).map((tokens, i) => readSubject(tokens, wholes[i]!));
  return parts.every((part) => part !== undefined) ? parts : undefined;
}

function readSubject(tokens: Selector[], whole: ReadSelector): SubjectPart | undefined {
  let end = tokens.length;
  const last = tokens[end - 1];
  const box = last && 'name' in last && last.type !== SelectorType.Attribute && BOX.test(last.name) ? last.name : undefined;
  if (box !== undefined) end--;
  const start = tokens.findLastIndex((token) => isTraversal(token)) + 1;
  const states = tokens.slice(start, end).flatMap((token) => {
    const state = token.type === SelectorType.Pseudo ? STATES[token.name] : undefined;
    return state ? [state] : [];
  });
  if (states.length > 1) return undefined;
  const kept = tokens.slice(start, end).filter((token) => token.type !== SelectorType.Pseudo || !STATES[token.name]);
  const compound: Selector[] = kept.length > 0 ? kept : [ANY];
  const base = stringify([[...tokens.slice(0, start), ...compound]]);
  const [subject] = readSelectors(base) ?? [];
  if (!subject || subject.dynamic) return undefined;
  const classes = compound.flatMap((token) =>
    token.type === SelectorType.Attribute && token.name === 'class' && token.action === 'element' ? [token.value] : [],
  );
  return { base, ...(states[0] && { state: states[0] }), ...(box !== undefined && { box }), whole, subject, classes };
}

/** States that nobody is in here, and visitors are. */
const UNKNOWN_HERE = /^(visited|target|focus-within)$/;
const isUnknownHere = (token: Selector) => token.type === SelectorType.Pseudo && UNKNOWN_HERE.test(token.name);

/**
 * Those of a list that ask for a state that nobody is ever in here (`:visited`, `:target`, `:focus-within`), without it: they match whatever
 * could be in it. None where nothing does.
 */
export function passingOf(source: string): readonly ReadSelector[] {
  if (!/:(visited|target|focus-within)/i.test(source)) return [];
  const asking = parse(source).filter((tokens) => tokens.some(isUnknownHere));
  return asking.flatMap((tokens) => {
    const start = tokens.findLastIndex((token) => isTraversal(token)) + 1;
    const kept = tokens.filter((token) => !isUnknownHere(token));
    const bare = tokens.slice(start).every(isUnknownHere) || isTraversal(kept.at(-1)!);
    return readSelectors(stringify([bare ? [...kept, ANY] : kept])) ?? [];
  });
}
