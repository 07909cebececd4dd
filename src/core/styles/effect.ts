/** What decides whether a property does anything on an element: its own values and how its parent lays it out. */
export interface Standing {
  readonly tag: string;
  readonly display: string;
  readonly position: string;
  readonly overflowX: string;
  readonly overflowY: string;
  readonly backgroundImage: string;
  readonly outlineStyle: string;
  /** `block` for the page's root. */
  readonly parentDisplay: string;
  /** Whether it is one of the boxes that a sheet makes: before, after, marker. */
  readonly generated: boolean;
}

const REPLACED = new Set([
  'img',
  'video',
  'canvas',
  'iframe',
  'object',
  'embed',
  'svg',
  'input',
  'select',
  'textarea',
  'button',
  'meter',
  'progress',
]);
const FITTED = new Set(['img', 'video', 'object', 'embed', 'canvas']);
const LISTS = new Set(['ul', 'ol', 'menu']);
const ROW_PARTS = /^table-(row|row-group|header-group|footer-group)$/;

const isFlex = (display: string) => /^(inline-)?flex$/.test(display);
const isGrid = (display: string) => /^(inline-)?grid$/.test(display);

type Rule = (standing: Standing) => string | undefined;

const isItem = ({ parentDisplay, position }: Standing) => (isFlex(parentDisplay) || isGrid(parentDisplay)) && !isOut(position);
const isOut = (position: string) => position === 'absolute' || position === 'fixed';
/** What is placed, and items, are blocks whatever they say (CSS Display 3, 2.7). */
const blockOf = (display: string) =>
  /^(inline|inline-block|table-(row|cell|caption|row-group|header-group|footer-group))$/.test(display)
    ? 'block'
    : display.replace(/^inline-/, '');
/** A box in a line of text. */
const isInLine = ({ display, tag }: Standing) => display === 'inline' && !REPLACED.has(tag);

const flexOnly: Rule = ({ display }) => (isFlex(display) ? undefined : 'it isn’t laid out as a row or column');
const gridOnly: Rule = ({ display }) => (isGrid(display) ? undefined : 'it isn’t laid out as a grid');
const flexOrGrid: Rule = ({ display }) =>
  isFlex(display) || isGrid(display) ? undefined : 'it isn’t laid out as a row, column or grid';
const inFlex: Rule = (standing) =>
  isFlex(standing.parentDisplay) && isItem(standing) ? undefined : 'it doesn’t stand in a row or column';
const inGrid: Rule = (standing) => (isGrid(standing.parentDisplay) ? undefined : 'it doesn’t stand in a grid');
const inEither: Rule = (standing) => (isItem(standing) ? undefined : 'it doesn’t stand in a row, column or grid');
const inEitherOrOut: Rule = (standing) =>
  isItem(standing) || isOut(standing.position) ? undefined : 'it doesn’t stand in a row, column or grid';
const sized: Rule = (standing) => (isInLine(standing) ? 'it stands in a line of text, as wide as its words' : undefined);
const placed: Rule = ({ position }) => (position === 'static' ? 'its position is static' : undefined);
const backed: Rule = ({ backgroundImage }) => (backgroundImage === 'none' ? 'it has no background layer' : undefined);
const outlined: Rule = ({ outlineStyle }) => (outlineStyle === 'none' ? 'it has no outline' : undefined);
const tableOnly: Rule = ({ display }) => (/^(inline-)?table$/.test(display) ? undefined : 'it isn’t a table');
const listed: Rule = ({ display, tag }) => (display === 'list-item' || LISTS.has(tag) ? undefined : 'it is no list item');
const padded: Rule = ({ display, tag }) =>
  ROW_PARTS.test(display) && !REPLACED.has(tag) ? 'rows of tables have none' : undefined;
const spaced: Rule = ({ display, tag }) =>
  (ROW_PARTS.test(display) || display === 'table-cell') && !REPLACED.has(tag) ? 'rows and cells of tables have none' : undefined;

const all = (names: string, rule: Rule): [string, Rule][] => names.split(' ').map((name) => [name, rule]);

/** By property, as the specifications' lines “Applies to” have it. */
const RULES: ReadonlyMap<string, Rule> = new Map([
  ...all('flex-direction flex-wrap', flexOnly),
  ...all('align-items justify-content row-gap column-gap', flexOrGrid),
  ...all('grid-template-columns grid-template-rows grid-auto-flow grid-auto-columns grid-auto-rows', gridOnly),
  ...all('grid-column-start grid-column-end grid-row-start grid-row-end', inGrid),
  ...all('flex-grow flex-shrink flex-basis', inFlex),
  ...all('order', inEither),
  ...all('align-self', inEitherOrOut),
  // Blocks go by it, too, as Chromium has it (CSS Align 3, 6.1.1).
  ...all('justify-self', (standing) =>
    isFlex(standing.parentDisplay) && isItem(standing) ? 'in a row or column it has none' : undefined,
  ),
  ...all('width height min-width max-width min-height max-height aspect-ratio transform', sized),
  ...all('overflow-x overflow-y', sized),
  ...all('top right bottom left', placed),
  ...all('z-index', (standing) => (isItem(standing) ? undefined : placed(standing))),
  ...all('background-size background-position background-repeat', backed),
  ...all('outline-width outline-color outline-offset', outlined),
  ...all('table-layout border-collapse', tableOnly),
  ...all('list-style-type list-style-position', listed),
  ...all('padding-top padding-right padding-bottom padding-left', padded),
  ...all('margin-top margin-right margin-bottom margin-left', spaced),
  ...all('object-fit', ({ tag }) => (FITTED.has(tag) ? undefined : 'it shows no picture')),
  ...all('float clear', (standing) =>
    isItem(standing)
      ? 'in a row, column or grid nothing floats'
      : isOut(standing.position)
        ? 'it is taken out of the flow'
        : undefined,
  ),
  ...all('vertical-align', (standing) =>
    (/^(inline|table-cell)/.test(standing.display) || REPLACED.has(standing.tag)) &&
    !isItem(standing) &&
    !isOut(standing.position)
      ? undefined
      : 'it doesn’t stand in a line of text',
  ),
  ...all('text-overflow', ({ overflowX }) => (overflowX === 'visible' ? 'nothing of it is cut off' : undefined)),
  ...all('scroll-snap-type', ({ overflowX, overflowY }) =>
    overflowX === 'visible' && overflowY === 'visible' ? 'it doesn’t scroll' : undefined,
  ),
  ...all('content', ({ generated, tag }) =>
    generated || tag === 'img' ? undefined : 'only boxes before, after and markers have it',
  ),
]);

/**
 * Why a property does nothing on an element, in words that follow on “no effect:”; undefined where it may do something.
 * Follows the lines “Applies to” of CSS Flexbox 1, Grid 2, Align 3, Display 3, Position 3, Box 4, Sizing 3, Tables 3 and others.
 */
export function whyNoEffect(property: string, standing: Standing): string | undefined {
  const isBlock = isItem(standing) || isOut(standing.position);
  return RULES.get(property)?.(isBlock ? { ...standing, display: blockOf(standing.display) } : standing);
}
