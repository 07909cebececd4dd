import { bendsOf, isUneven } from './bends';
import type { ByHeight } from './by-height';
import { elementsByHeight } from './by-height';
import type { ContainerConditions } from './container-conditions';
import { containerConditions } from './container-conditions';
import { rulesOf } from './rules-of';
import { hasPlainShares } from './plain-shares';
import { argumentsFrom, lengthOf, unitsWith } from './length-math';

/** What a document's styles depend on: its media conditions, and whether values may change at every px. */
export interface DocumentConditions {
  /** First whole px at which a media condition may begin or end, ascending. */
  readonly edges: readonly number[];
  readonly media: readonly MediaQueryList[];
  /** Widths at which a value of the viewport's width meets a limit, ascending. */
  readonly bends: readonly number[];
  /** Whether an element that is as large as it was looks inside as it did: nothing in it goes by anything outside of it. */
  readonly selfContained: boolean;
  /** Which lengths that are read of elements follow the viewport's width, or a container's. */
  readonly follows: {
    readonly type: boolean;
    readonly insets: boolean;
    readonly shifts: boolean;
    readonly scrollPadding: boolean;
    readonly spacing: boolean;
  };
  /** Whether any length but an element's own height follows the viewport's. */
  readonly stylesByHeight: boolean;
  /** Whether distances between elements, in them, or their least heights do; shares of what they stand in don't count. */
  readonly fluidDistances: boolean;
  /** Whether all widths that are a share of something are a plain one. */
  readonly plainShares: boolean;
  /** Whether any width, padding or margin is a share. */
  readonly widthShares: boolean;
  /** Conditions on containers; undefined where there are none. */
  readonly containers: ContainerConditions | undefined;
  /** Something may change at any width, and nothing says at which. */
  readonly unknown: boolean;
  /** The elements that may depend on the viewport's height; undefined where any may. */
  readonly byHeight: ByHeight | undefined;
}

const FLUID = /[\d.](?:[dsl]?v(?:w|i|b|min|max)|cq(?:w|h|i|b|min|max))\b/;
const OF_HEIGHT = /[\d.](?:[dsl]?v(?:h|b|min|max)|cq(?:h|b|min|max))\b/;
const EM = 16;

/** Every width at which a media condition in words could change its mind: too many do no harm, too few would. */
function edgesOfMedia(media: string, height: number): { readonly edges: number[]; readonly unknown: boolean } {
  const edges: number[] = [];
  let unknown = false;
  const add = (px: number | undefined) => {
    if (px === undefined) unknown = true;
    else edges.push(Math.ceil(px), Math.floor(px) + 1);
  };
  let rest = media;
  for (let call = CALL.exec(rest); call; call = CALL.exec(rest)) {
    const inside = argumentsFrom(rest, call.index + call[0].length);
    if (!inside) break;
    add(lengthOf(rest.slice(call.index, inside.end + 1), unitsWith(EM)));
    rest = rest.slice(0, call.index) + rest.slice(inside.end + 1);
  }
  for (const [, length] of rest.matchAll(/(?<![\w.-])([\d.]+(?:e[+-]?\d+)?(?:px|r?em|in|[cm]m|p[tc]|q|ch|ex))\b/gi))
    add(lengthOf(length!, unitsWith(EM)));
  for (const [, a, b] of rest.matchAll(/([\d.]+)\s*\/\s*([\d.]+)/g)) add((height * Number(a)) / Number(b));
  for (const [, a] of rest.matchAll(/aspect-ratio\s*[:<>=]+\s*([\d.]+)\s*\)/g)) add(height * Number(a));
  if (/orientation|aspect-ratio/.test(rest)) add(height);
  return { edges, unknown };
}
const CALL = /(?<![\w-])(calc|min|max|clamp|round|mod|rem)\(/i;

/** What declarations say that changes with the viewport though no condition does. */
function followsOf(
  css: string,
): Pick<DocumentConditions, 'follows' | 'stylesByHeight' | 'fluidDistances' | 'plainShares' | 'widthShares'> {
  const declarations = [...css.matchAll(DECLARATION)].map(([, name, value]) => [name!, value!] as const);
  /** Custom properties that hold something like it, or another that does. */
  const holders = (holds: (value: string) => boolean) => {
    const names = new Set<string>();
    const uses = (value: string) => [...value.matchAll(/var\(\s*(--[\w-]+)/g)].some(([, name]) => names.has(name!));
    for (let before = -1; before < names.size;) {
      before = names.size;
      for (const [name, value] of declarations) if (name.startsWith('--') && (holds(value) || uses(value))) names.add(name);
    }
    return (value: string) => holds(value) || uses(value);
  };
  const fluid = holders((value) => FLUID.test(value));
  const shares = holders((value) => FLUID.test(value) || value.includes('%'));
  const subtracts = holders((value) => /\(.*-/.test(value) && (FLUID.test(value) || value.includes('%')));
  const says = (property: RegExp, moves: (value: string) => boolean) =>
    declarations.some(([name, value]) => property.test(name) && moves(value));
  const follows = {
    type: says(/^font(-size)?$/, fluid),
    insets: says(/^(padding|border)/, shares),
    // Only what subtracts can turn from one side to the other.
    shifts: says(/^(margin|inset|top|left)/, subtracts),
    scrollPadding: says(/^scroll-padding/, shares),
    spacing: says(/^(letter|word)-spacing$/, fluid),
  };
  return {
    follows,
    stylesByHeight: says(/^(?!(min-|max-)?(height|block-size)$)/, (value) => OF_HEIGHT.test(value)),
    fluidDistances: says(/^(padding|border|margin|gap|row-gap|grid-(row-)?gap|min-(height|block-size))/, fluid),
    plainShares: !says(ACROSS, (value) => !hasPlainShares(value)),
    widthShares: says(/^(width|inline-size|flex|padding|margin)/, shares),
  };
}
/** What decides how wide boxes are; what is kept under a name may. */
const ACROSS =
  /^(--|width|(min|max)-(width|inline-size)|inline-size|flex|grid|columns?|padding|margin|border|inset|left|right|(column-)?gap)/;
const DECLARATION = /(?:^|[{;]\s*)([\w-]+)\s*:\s*([^;{}]*)/g;

/** Reads them from all sheets of a document. */
export function conditionsOfDocument(document: Document, height: number): DocumentConditions {
  const texts = new Set<string>();
  let css = '';
  const containers: string[] = [];
  const walk = (rules: Iterable<CSSRule>) => {
    for (const rule of rules) {
      const group = rule as CSSRule & { readonly media?: MediaList; readonly cssRules?: CSSRuleList };
      if (group.media && group.media.mediaText) texts.add(group.media.mediaText);
      if (rule.constructor.name === 'CSSContainerRule') containers.push((rule as CSSContainerRule).containerQuery);
      if ('style' in rule || !group.cssRules) css += rule.cssText;
      // Style rules can hold conditions too (CSS Nesting 1).
      if (group.cssRules) walk(group.cssRules);
    }
  };
  for (const sheet of document.styleSheets) {
    if (sheet.media.mediaText) texts.add(sheet.media.mediaText);
    walk(rulesOf(sheet));
  }
  for (const element of document.querySelectorAll('[style], source[media], img[sizes]')) {
    css += element.getAttribute('style') ?? '';
    const media = element.getAttribute('media') ?? element.getAttribute('sizes');
    if (media) texts.add(media);
  }
  const window = document.defaultView!;
  const media = [...texts].map((text) => edgesOfMedia(text, height));
  const asked = containers.length > 0 ? containerConditions(containers) : undefined;
  const rem = parseFloat(window.getComputedStyle(document.documentElement).fontSize);
  return {
    edges: [...new Set(media.flatMap(({ edges }) => edges))].sort((a, b) => a - b),
    bends: bendsOf(css, height, rem).sort((a, b) => a - b),
    media: [...texts].map((text) => window.matchMedia(text)),
    selfContained: !FLUID.test(css) && !/subgrid/.test(css),
    ...followsOf(css),
    containers: asked,
    unknown: isUneven(css) || media.some((one) => one.unknown) || (asked?.unknown ?? false),
    byHeight: elementsByHeight(document, texts),
  };
}
