/** What a document's styles depend on: its media conditions, and whether values may change at every px. */
export interface DocumentConditions {
  /** First whole px at which a media condition may begin or end, ascending. */
  readonly edges: readonly number[];
  readonly media: readonly MediaQueryList[];
  /** Viewport units: a computed length may change at any width. */
  readonly fluid: boolean;
  /** Conditions on a container: any computed style may change at any width. */
  readonly contained: boolean;
  /** Something may depend on the viewport's height. */
  readonly tall: boolean;
}

const FLUID = /[\d.](?:[dsl]?v(?:w|h|i|b|min|max)|cq(?:w|h|i|b|min|max))\b/;
const TALL =
  /[\d.](?:[dsl]?v(?:h|b|min|max)|cq(?:h|b|min|max))\b|\b(?:fixed|sticky)\b|(?:height|block-size)\s*:[^;}]*%|\b(?:top|bottom|inset[a-z-]*)\s*:[^;}]*%/;
const EM = 16;
/** CSS Values 4, 5.2: px of the absolute units; em in a media condition is 16 px unless the reader says otherwise. */
const UNITS: Readonly<Record<string, number>> = {
  px: 1,
  em: EM,
  rem: EM,
  in: 96,
  cm: 96 / 2.54,
  mm: 96 / 25.4,
  pt: 96 / 72,
  pc: 16,
  q: 96 / 101.6,
  ch: EM / 2,
  ex: EM / 2,
};

/** Every width at which a media condition in words could change its mind: too many do no harm, too few would. */
function edgesOfMedia(media: string, height: number): number[] {
  const found: number[] = [];
  const add = (px: number) => found.push(Math.ceil(px), Math.floor(px) + 1);
  for (const [, number, unit] of media.matchAll(/([\d.]+)(px|r?em|in|[cm]m|p[tc]|q|ch|ex)\b/gi))
    add(Number(number) * UNITS[unit!.toLowerCase()]!);
  for (const [, a, b] of media.matchAll(/([\d.]+)\s*\/\s*([\d.]+)/g)) add((height * Number(a)) / Number(b));
  for (const [, a] of media.matchAll(/aspect-ratio\s*[:<>=]+\s*([\d.]+)\s*\)/g)) add(height * Number(a));
  if (/orientation|aspect-ratio/.test(media)) add(height);
  return found;
}

/** Reads them from all sheets of a document. */
export function conditionsOfDocument(document: Document, height: number): DocumentConditions {
  const texts = new Set<string>();
  let css = '';
  let contained = false;
  const walk = (rules: CSSRuleList) => {
    for (const rule of rules) {
      const group = rule as CSSRule & { readonly media?: MediaList; readonly cssRules?: CSSRuleList };
      if (group.media && group.media.mediaText) texts.add(group.media.mediaText);
      if (rule.constructor.name === 'CSSContainerRule') contained = true;
      if ('style' in rule || !group.cssRules) css += rule.cssText;
      // Style rules can hold conditions too (CSS Nesting 1).
      if (group.cssRules) walk(group.cssRules);
    }
  };
  for (const sheet of document.styleSheets) {
    if (sheet.media.mediaText) texts.add(sheet.media.mediaText);
    walk(sheet.cssRules);
  }
  for (const element of document.querySelectorAll('[style], source[media], img[sizes]')) {
    css += element.getAttribute('style') ?? '';
    const media = element.getAttribute('media') ?? element.getAttribute('sizes');
    if (media) texts.add(media);
  }
  const window = document.defaultView!;
  return {
    edges: [...new Set([...texts].flatMap((text) => edgesOfMedia(text, height)))].sort((a, b) => a - b),
    media: [...texts].map((text) => window.matchMedia(text)),
    fluid: FLUID.test(css),
    contained,
    tall: TALL.test(css) || [...texts].some((text) => /height|orientation|aspect/.test(text)),
  };
}
