import type { Condition } from '../breakpoints/condition';
import { conditionQuery, EM, holdsForReader } from '../breakpoints/condition';
import type { QuerySyntax } from '../breakpoints/condition';
import type { Reader } from '../breakpoints/viewport';
import { wholeReader } from '../breakpoints/viewport';
import { sizeOfWord } from '../cascade/computed-tables';
import { panelsOn } from '../document/panels';
import type { Project } from '../document/project';
import { treesOf } from '../document/tree';
import { readFeature } from '../read/media';

/**
 * A device and reader that a frame shows a page for, though the browser around it has others. Conditions and values
 * are then written as if they were there (Media Queries 4 and 5).
 */
export interface StandIn extends Reader {
  /** The viewport's height in px where the frame itself is higher, because it shows the whole page. */
  readonly height?: number | undefined;
}

const HOLDS = '(width >= 0px)';
const FAILS = '(width < 0px)';

const holdsAtHeight = ({ heightFrom = 0, heightBelow = Infinity, unit }: Condition, height: number, text: number) => {
  const factor = unit === 'em' ? text : 1;
  return heightFrom * factor <= height && height < heightBelow * factor;
};

/** As a query where the height is known: a viewport as high as wide is portrait. */
const orientationQuery = (orientation: Condition['orientation'], height: number) =>
  orientation === 'portrait' ? `(width <= ${height}px)` : `(width > ${height}px)`;

/** The media query of a breakpoint; undefined where nothing needs to be asked, null where it can't hold. */
export function queryFor(
  condition: Condition,
  standIn: StandIn | undefined,
  syntax: QuerySyntax = 'range',
): string | undefined | null {
  if (!standIn) return conditionQuery(condition, syntax);
  const { text } = wholeReader(standIn);
  if (!holdsForReader(condition, standIn)) return null;
  const { pointer: _, unit, ...rest } = condition;
  const factor = unit === 'em' ? text : 1;
  const scaled = (edge: number | undefined) => edge && edge * factor;
  const plain: Condition = {
    from: scaled(rest.from),
    below: scaled(rest.below),
    heightFrom: scaled(rest.heightFrom),
    heightBelow: scaled(rest.heightBelow),
    orientation: rest.orientation,
    ...(factor === 1 && unit && { unit }),
  };
  const { height } = standIn;
  if (height === undefined) return conditionQuery(plain) || undefined;
  if (!holdsAtHeight(condition, height, text)) return null;
  const widths = conditionQuery({ from: plain.from, below: plain.below, ...(plain.unit && { unit: plain.unit }) });
  const turned = plain.orientation && orientationQuery(plain.orientation, height);
  return [widths, turned].filter(Boolean).join(' and ') || undefined;
}

/** A media query of a style sheet from elsewhere, feature by feature. Only those that were read are there. */
export function mediaFor(media: string, standIn: StandIn | undefined): string {
  if (!standIn) return media;
  const { text } = wholeReader(standIn);
  return media.replace(/\(([^()]+)\)/g, (whole, inner: string) => {
    const condition = readFeature(inner.toLowerCase());
    if (!condition) return whole;
    if (!holdsForReader(condition, standIn)) return FAILS;
    if (standIn.height !== undefined && condition.orientation) return orientationQuery(condition.orientation, standIn.height);
    const asksWidth = condition.from !== undefined || condition.below !== undefined;
    const asksHeight = condition.heightFrom !== undefined || condition.heightBelow !== undefined;
    if (asksHeight && standIn.height !== undefined) return holdsAtHeight(condition, standIn.height, text) ? HOLDS : FAILS;
    if (!asksWidth && !asksHeight && !condition.orientation) return HOLDS;
    return text === 1 ? whole : whole.replace(/([\d.]+)r?em\b/gi, (_, size: string) => `${Number(size) * EM * text}px`);
  });
}

/** `50vh` where the frame is higher than the viewport it stands in for. */
function withHeight(value: string, height: number): string {
  return value.replace(
    /(?<![\w#.-])([+-]?(?:\d+\.?\d*|\.\d+))([dsl]?v(?:h|b|min|max))\b/gi,
    (_, number: string, unit: string) => {
      const one = `${height / 100}px`;
      if (/v[hb]$/i.test(unit)) return `calc(${number} * ${one})`;
      return `calc(${number} * ${/min$/i.test(unit) ? 'min' : 'max'}(1vw, ${one}))`;
    },
  );
}

/** A value as it is written for a stand-in. `property` is the one it belongs to. */
export function valueFor(property: string, value: string, standIn: StandIn | undefined): string {
  if (!standIn) return value;
  const { text, scheme } = wholeReader(standIn);
  let result = value;
  // Both schemes offered: the reader's is used (CSS Color Adjustment 1, 2.1).
  if (property === 'color-scheme' && /\blight\b/.test(value) && /\bdark\b/.test(value)) result = scheme;
  if (text !== 1 && property === 'font-size')
    result = value.replace(/(?<![\w-])(?:initial|(?:xx?-|xxx-)?(?:small|large)|medium)(?![\w-])/g, (word) => {
      const size = sizeOfWord(word === 'initial' ? 'medium' : word, text);
      return size === undefined ? word : `${size}px`;
    });
  if (standIn.height !== undefined && /v(?:h|b|min|max)\b/i.test(result)) result = withHeight(result, standIn.height);
  return result;
}

const MATTERS = {
  pointer: /\b(?:any-)?(?:pointer|hover)\b/,
  scheme: /prefers-color-scheme|color-scheme/,
  motion: /prefers-reduced-motion/,
  density: /resolution/,
} as const;

const askedBy = new WeakMap<Project['sheets'], ReadonlySet<string>>();

/** What sheets from elsewhere ask of readers: found once, since they are long and this is asked at every frame. */
function askedIn(sheets: Project['sheets']): ReadonlySet<string> {
  let asked = askedBy.get(sheets);
  if (!asked) {
    const found = Object.entries(MATTERS).filter(([, words]) => sheets.some(({ css }) => words.test(css)));
    askedBy.set(sheets, (asked = new Set(found.map(([what]) => what))));
  }
  return asked;
}

/**
 * The same stand-in with the usual where this project never asks, so that frames for different devices can share what
 * is written for them.
 */
export function whatMatters(project: Project, standIn: StandIn): StandIn {
  const asked = (what: keyof typeof MATTERS) => askedIn(project.sheets).has(what);
  const pointer = asked('pointer') || project.breakpoints.some(({ condition }) => condition.pointer);
  const { text, height } = standIn;
  const slides = treesOf(project).some((tree) => panelsOn(tree).some(({ panel }) => panel!.slides));
  return {
    pointer: pointer ? standIn.pointer : 'mouse',
    ...(asked('scheme') && { scheme: standIn.scheme }),
    ...((asked('motion') || slides) && { motion: standIn.motion }),
    ...(asked('density') && { density: standIn.density }),
    ...(text !== undefined && text !== 1 && { text }),
    ...(height !== undefined && { height }),
  };
}

/** The same for the same stand-ins. */
export function standInKey(standIn: StandIn | undefined): string {
  return standIn ? `${Object.values(wholeReader(standIn)).join(' ')} ${standIn.height ?? ''}` : '';
}
