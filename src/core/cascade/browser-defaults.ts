import type { Declarations, PageElement } from '../document/element';
import { attributeDefaultsFor } from './attribute-defaults';
import { controlDefaultFor, controlForcedFor, disabledDefaultFor, everySide } from './control-defaults';

/**
 * What browsers give an element before anybody's sheet (HTML, "Rendering"), limited to the properties known here and
 * written as longhands. Checked against Chromium element by element by the property-based test beside the resolver.
 */
const block = { display: 'block' };
const vertical = (margin: string) => ({ 'margin-top': margin, 'margin-bottom': margin });
const heading = (size: string, margin: string) => ({ ...block, 'font-size': size, 'font-weight': 'bold', ...vertical(margin) });
/** Centred where nothing is said above of alignment, else what is said there (HTML, 15.3.8); `resolve` carries it out. */
export const HEADER_ALIGNMENT = '-internal-center';
const bold = { 'font-weight': 'bold' };
const italic = { 'font-style': 'italic' };
const monospace = { 'font-family': 'monospace' };
const list = { ...block, ...vertical('1em'), 'padding-left': '40px' };
const cell = { display: 'table-cell', 'vertical-align': 'inherit', ...everySide('padding-', '', '1px') };
const inheritedLines = everySide('border-', '-color', 'inherit');
const rows = (display: string) => ({ display, 'vertical-align': 'middle', ...inheritedLines });

const clipped = { 'overflow-x': 'clip', 'overflow-y': 'clip' };

const BY_TAG: Readonly<Record<string, Declarations>> = {
  html: block,
  body: { ...block, ...everySide('margin-', '', '8px') },
  header: block,
  footer: block,
  main: block,
  nav: block,
  section: block,
  article: block,
  aside: block,
  div: block,
  hgroup: block,
  search: block,
  details: block,
  summary: block,
  center: { ...block, 'text-align': '-webkit-center' },
  form: block,
  figcaption: block,
  dt: block,
  address: { ...block, ...italic },
  h1: heading('2em', '0.67em'),
  h2: heading('1.5em', '0.83em'),
  h3: heading('1.17em', '1em'),
  h4: { ...block, ...bold, ...vertical('1.33em') },
  h5: heading('0.83em', '1.67em'),
  h6: heading('0.67em', '2.33em'),
  p: { ...block, ...vertical('1em') },
  blockquote: { ...block, ...vertical('1em'), 'margin-left': '40px', 'margin-right': '40px' },
  figure: { ...block, ...vertical('1em'), 'margin-left': '40px', 'margin-right': '40px' },
  dd: { ...block, 'margin-left': '40px' },
  dl: { ...block, ...vertical('1em') },
  menu: { ...list, 'list-style-type': 'disc' },
  dir: { ...list, 'list-style-type': 'disc' },
  ul: { ...list, 'list-style-type': 'disc' },
  ol: { ...list, 'list-style-type': 'decimal' },
  li: { display: 'list-item', 'text-align': 'match-parent' },
  strong: { 'font-weight': 'bolder' },
  b: { 'font-weight': 'bolder' },
  em: italic,
  i: italic,
  cite: italic,
  dfn: italic,
  var: italic,
  small: { 'font-size': 'smaller' },
  big: { 'font-size': 'larger' },
  sub: { 'font-size': 'smaller', 'vertical-align': 'sub' },
  sup: { 'font-size': 'smaller', 'vertical-align': 'super' },
  u: { 'text-decoration-line': 'underline' },
  ins: { 'text-decoration-line': 'underline' },
  s: { 'text-decoration-line': 'line-through' },
  del: { 'text-decoration-line': 'line-through' },
  strike: { 'text-decoration-line': 'line-through' },
  nobr: { 'white-space': 'nowrap' },
  ruby: { display: 'ruby', 'text-indent': '0px' },
  rt: { 'line-height': 'normal', 'text-indent': '0px' },
  rp: { display: 'none' },
  slot: { display: 'contents' },
  datalist: { display: 'none' },
  area: { display: 'none' },
  script: { display: 'none' },
  style: { display: 'none' },
  link: { display: 'none' },
  meta: { display: 'none' },
  template: { display: 'none' },
  title: { display: 'none' },
  base: { display: 'none' },
  colgroup: { display: 'table-column-group' },
  col: { display: 'table-column' },
  mark: { 'background-color': 'rgb(255, 255, 0)', color: 'rgb(0, 0, 0)' },
  code: monospace,
  kbd: monospace,
  samp: monospace,
  tt: monospace,
  pre: { ...block, ...vertical('1em'), 'white-space': 'pre', ...monospace },
  hr: {
    ...block,
    'overflow-x': 'hidden',
    'overflow-y': 'hidden',
    color: 'rgb(128, 128, 128)',
    'margin-top': '0.5em',
    'margin-right': 'auto',
    'margin-bottom': '0.5em',
    'margin-left': 'auto',
    ...everySide('border-', '-style', 'inset'),
    ...everySide('border-', '-width', '1px'),
  },
  img: clipped,
  video: { ...clipped, 'object-fit': 'contain' },
  audio: { width: '300px', height: '54px' },
  iframe: { ...everySide('border-', '-width', '2px'), ...everySide('border-', '-style', 'inset') },
  canvas: clipped,
  svg: { 'overflow-x': 'hidden', 'overflow-y': 'hidden' },
  math: {
    display: 'math',
    'font-family': 'math',
    'text-indent': '0px',
    'letter-spacing': 'normal',
    'line-height': 'normal',
    'word-spacing': '0px',
    'font-weight': '400',
    'font-style': 'normal',
  },
  dialog: {
    ...block,
    position: 'absolute',
    left: '0px',
    right: '0px',
    width: 'fit-content',
    height: 'fit-content',
    color: 'rgb(0, 0, 0)',
    'background-color': 'rgb(255, 255, 255)',
    ...everySide('margin-', '', 'auto'),
    ...everySide('padding-', '', '1em'),
    ...everySide('border-', '-width', 'medium'),
    ...everySide('border-', '-style', 'solid'),
    ...everySide('border-', '-color', 'currentcolor'),
  },
  label: { cursor: 'default' },
  fieldset: {
    ...block,
    'margin-left': '2px',
    'margin-right': '2px',
    'padding-top': '0.35em',
    'padding-bottom': '0.625em',
    'padding-left': '0.75em',
    'padding-right': '0.75em',
    'min-width': 'min-content',
    ...everySide('border-', '-width', '2px'),
    ...everySide('border-', '-style', 'groove'),
    ...everySide('border-', '-color', 'rgb(239, 239, 239)'),
  },
  legend: { ...block, 'padding-left': '2px', 'padding-right': '2px' },
  table: { display: 'table', 'box-sizing': 'border-box', 'text-indent': '0px', 'border-collapse': 'separate' },
  caption: { display: 'table-caption', 'text-align': '-webkit-center' },
  thead: rows('table-header-group'),
  tbody: rows('table-row-group'),
  tfoot: rows('table-footer-group'),
  tr: { display: 'table-row', 'vertical-align': 'inherit', ...inheritedLines },
  td: cell,
  th: { ...cell, ...bold, 'text-align': HEADER_ALIGNMENT },
};

const LINK: Declarations = { color: 'rgb(0, 0, 238)', 'text-decoration-line': 'underline', cursor: 'pointer' };
const NONE: Declarations = {};

const LISTS = new Set(['ul', 'ol', 'dl', 'menu', 'dir']);

/** Lists within lists have no margins of their own, and other markers the deeper they stand. */
function nestedList(tag: string, ancestors: readonly string[]): Declarations {
  const around = ancestors.filter((ancestor) => LISTS.has(ancestor));
  if (!LISTS.has(tag) || around.length === 0) return BY_TAG[tag] ?? NONE;
  const marked = around.filter((ancestor) => ancestor !== 'dl').length;
  const marker = tag !== 'ol' && tag !== 'dl' && marked > 0 ? { 'list-style-type': marked > 1 ? 'square' : 'circle' } : NONE;
  return { ...BY_TAG[tag], ...vertical('0px'), ...marker };
}

type Asked = Pick<PageElement, 'tag' | 'attributes'>;

/**
 * What the browser's sheet asks of an ancestor, as a word: its tag, whether it is open, and where its text begins.
 */
export function ancestorWord(element: Asked): string {
  const word = element.tag === 'details' && 'open' in element.attributes ? 'details[open]' : element.tag;
  const direction = saidDirection(element);
  return direction === undefined ? word : `${word}[${direction}]`;
}

function saidDirection({ tag, attributes }: Asked): string | undefined {
  const said = attributes.dir?.toLowerCase() ?? '';
  return ['ltr', 'rtl', 'auto'].includes(said) ? said : tag === 'bdi' ? 'auto' : undefined;
}

/** Whether the text of an element runs from right to left, as attributes say (HTML, "The dir attribute"). */
export function isRightToLeft(element: Asked, around: readonly string[]): boolean {
  const said = saidDirection(element) ?? around.map((word) => /\[(ltr|rtl|auto)\]$/.exec(word)?.[1]).find(Boolean);
  return said === 'rtl';
}

const tagOf = (word: string) => word.replace(/\[.*/, '');

/**
 * @param around of what it stands in, from the parent upwards, the words of `ancestorWord`
 * @param rightToLeft whether its text runs from right to left
 * @param isDisabled whether the document says so, of itself or of what it stands in
 */
export function browserDefaultFor(
  element: Asked,
  around: readonly string[],
  rightToLeft: boolean,
  isDisabled: boolean,
): Declarations {
  const { tag, attributes } = element;
  const usual =
    controlDefaultFor(tag, attributes) ??
    (tag === 'summary' && tagOf(around[0] ?? '') === 'details'
      ? summaryIn(around[0]!)
      : (tag === 'a' || tag === 'area') && 'href' in attributes
        ? linkOf(tag)
        : tag === 'rt' && tagOf(around[0] ?? '') === 'ruby'
          ? RUBY_TEXT
          : LISTS.has(tag)
            ? nestedList(tag, around.map(tagOf))
            : (BY_TAG[tag] ?? NONE));
  const disabled = isDisabled ? disabledDefaultFor(tag, attributes) : undefined;
  const asked = attributeDefaultsFor(element);
  const placed = rightToLeft && isLogical(element) ? turned(usual) : usual;
  return disabled || asked ? { ...placed, ...disabled, ...asked } : placed;
}

const linkOf = (tag: string): Declarations => (tag === 'a' ? LINK : { ...BY_TAG.area, cursor: 'pointer' });

const RUBY_TEXT: Declarations = { ...BY_TAG.rt, display: 'ruby-text', 'font-size': '50%' };

/** Elements whose room at one side is at the side where a line begins. */
const isLogical = ({ tag, attributes }: Asked) =>
  tag === 'dd' || (LISTS.has(tag) && tag !== 'dl') || (tag === 'input' && /^(date|time|month|week)/.test(attributes.type ?? ''));

const turned = (declarations: Declarations): Declarations =>
  Object.fromEntries(
    Object.entries(declarations).map(([name, value]) => [
      name.replace(
        /^(padding|margin)-(left|right)$/,
        (_, box: string, side: string) => `${box}-${side === 'left' ? 'right' : 'left'}`,
      ),
      value,
    ]),
  );

const summaryIn = (details: string): Declarations => ({
  display: 'list-item',
  'list-style-position': 'inside',
  'list-style-type': details.startsWith('details[open]') ? 'disclosure-open' : 'disclosure-closed',
});

/** What browsers give an element and let no sheet change (`!important` in their own sheet). */
export function browserForcedFor({ tag, attributes }: Asked): Declarations {
  if (tag === 'audio' && !('controls' in attributes)) return { display: 'none' };
  if (tag === 'iframe' || tag === 'embed' || tag === 'object') return clipped;
  return controlForcedFor(tag, attributes) ?? NONE;
}
