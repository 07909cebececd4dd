import type { Declarations, PageElement } from '../document/element';

/**
 * What browsers give an element before anybody's sheet (HTML, "Rendering"), limited to the properties known here and
 * written as longhands. Checked against Chromium element by element by the property-based test beside the resolver.
 */
const block = { display: 'block' };
const vertical = (margin: string) => ({ 'margin-top': margin, 'margin-bottom': margin });
const heading = (size: string, margin: string) => ({ ...block, 'font-size': size, 'font-weight': 'bold', ...vertical(margin) });
const bold = { 'font-weight': 'bold' };
const italic = { 'font-style': 'italic' };
const monospace = { 'font-family': 'monospace' };
const everySide = (prefix: string, suffix: string, value: string) =>
  Object.fromEntries(['top', 'right', 'bottom', 'left'].map((side) => [`${prefix}${side}${suffix}`, value]));
const list = { ...block, ...vertical('1em'), 'padding-left': '40px' };
const cell = { display: 'table-cell', 'vertical-align': 'inherit', ...everySide('padding-', '', '1px') };
const inheritedLines = everySide('border-', '-color', 'inherit');
const rows = (display: string) => ({ display, 'vertical-align': 'middle', ...inheritedLines });

const control: Declarations = {
  display: 'inline-block',
  'text-indent': '0px',
  'text-transform': 'none',
  'word-spacing': '0px',
  'letter-spacing': 'normal',
  'line-height': 'normal',
  'text-align': 'start',
  'font-family': 'Arial',
  'font-size': '13.3333px',
  'font-weight': '400',
  'font-style': 'normal',
};
const field: Declarations = {
  ...control,
  color: 'rgb(0, 0, 0)',
  cursor: 'text',
  'background-color': 'rgb(255, 255, 255)',
  ...everySide('border-', '-width', '2px'),
  ...everySide('border-', '-style', 'inset'),
  ...everySide('border-', '-color', 'rgb(118, 118, 118)'),
};
const lineField: Declarations = { ...field, ...everySide('padding-', '', '1px'), 'padding-left': '2px', 'padding-right': '2px' };
const box: Declarations = {
  ...control,
  color: 'rgb(0, 0, 0)',
  cursor: 'default',
  'margin-top': '3px',
  'margin-right': '3px',
  'margin-bottom': '3px',
  'margin-left': '4px',
};

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
  ul: { ...list, 'list-style-type': 'disc' },
  ol: { ...list, 'list-style-type': 'decimal' },
  li: { display: 'list-item', 'text-align': 'match-parent' },
  strong: { 'font-weight': 'bolder' },
  b: { 'font-weight': 'bolder' },
  em: italic,
  i: italic,
  small: { 'font-size': 'smaller' },
  mark: { 'background-color': 'rgb(255, 255, 0)', color: 'rgb(0, 0, 0)' },
  code: monospace,
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
  img: { 'overflow-x': 'clip', 'overflow-y': 'clip' },
  button: {
    ...control,
    color: 'rgb(0, 0, 0)',
    cursor: 'default',
    'text-align': 'center',
    'box-sizing': 'border-box',
    'padding-top': '1px',
    'padding-bottom': '1px',
    'padding-left': '6px',
    'padding-right': '6px',
    'background-color': 'rgb(239, 239, 239)',
    ...everySide('border-', '-width', '2px'),
    ...everySide('border-', '-style', 'outset'),
    ...everySide('border-', '-color', 'rgb(0, 0, 0)'),
  },
  textarea: {
    ...field,
    'white-space': 'pre-wrap',
    'overflow-wrap': 'break-word',
    ...everySide('padding-', '', '2px'),
    ...everySide('border-', '-width', '1px'),
    ...everySide('border-', '-style', 'solid'),
    ...monospace,
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
  th: { ...cell, ...bold, 'text-align': 'center' },
};

const LINK: Declarations = { color: 'rgb(0, 0, 238)', 'text-decoration-line': 'underline', cursor: 'pointer' };
const NONE: Declarations = {};

/**
 * What the exported sheet sets for whole kinds of elements before any class, so that pages start from the same ground:
 * border-box sizing, no page margin, pictures that don't outgrow their box, form controls in the page's type.
 * The doubled `monospace` keeps browsers from shrinking the type, as they do for the single word.
 */
export const FOUNDATION: readonly { readonly tags: readonly string[] | '*'; readonly declarations: Declarations }[] = [
  { tags: '*', declarations: { 'box-sizing': 'border-box' } },
  { tags: ['body'], declarations: everySide('margin-', '', '0') },
  { tags: ['code', 'pre'], declarations: { 'font-family': 'monospace, monospace' } },
  { tags: ['img'], declarations: { height: 'auto', 'max-width': '100%' } },
  {
    tags: ['button', 'input', 'textarea'],
    declarations: {
      'font-family': 'inherit',
      'font-size': 'inherit',
      'font-weight': 'inherit',
      'font-style': 'inherit',
      'line-height': 'inherit',
      'letter-spacing': 'inherit',
      'text-transform': 'inherit',
      color: 'inherit',
    },
  },
];

const foundationByTag = new Map<string, Declarations>();

export function foundationFor(tag: string): Declarations {
  let declarations = foundationByTag.get(tag);
  if (!declarations) {
    declarations = Object.assign(
      {},
      ...FOUNDATION.filter(({ tags }) => tags === '*' || tags.includes(tag)).map((rule) => rule.declarations),
    ) as Declarations;
    foundationByTag.set(tag, declarations);
  }
  return declarations;
}

const dateField: Declarations = { ...field, ...everySide('padding-', '', '0px'), 'padding-left': '1px', cursor: 'default' };
const radio: Declarations = { ...box, 'margin-left': '5px', 'margin-bottom': '0px' };
const BY_INPUT_TYPE: Readonly<Record<string, Declarations>> = { checkbox: box, radio, date: dateField };

const LISTS = new Set(['ul', 'ol', 'dl']);

/** Lists within lists have no margins of their own, and other markers the deeper they stand. */
function nestedList(tag: string, ancestors: readonly string[]): Declarations {
  const around = ancestors.filter((ancestor) => LISTS.has(ancestor));
  if (!LISTS.has(tag) || around.length === 0) return BY_TAG[tag] ?? NONE;
  const marked = around.filter((ancestor) => ancestor !== 'dl').length;
  const marker = tag === 'ul' && marked > 0 ? { 'list-style-type': marked > 1 ? 'square' : 'circle' } : NONE;
  return { ...BY_TAG[tag], ...vertical('0px'), ...marker };
}

/** @param ancestors tags from the parent upwards */
export function browserDefaultFor(element: Pick<PageElement, 'tag' | 'attributes'>, ancestors: readonly string[]): Declarations {
  if (element.tag === 'a') return 'href' in element.attributes ? LINK : NONE;
  if (element.tag === 'input') return BY_INPUT_TYPE[element.attributes.type ?? 'text'] ?? lineField;
  return LISTS.has(element.tag) ? nestedList(element.tag, ancestors) : (BY_TAG[element.tag] ?? NONE);
}

const CLIPPED: Declarations = { 'overflow-x': 'clip', 'overflow-y': 'clip' };
const UNADORNED: Declarations = {
  ...everySide('padding-', '', '0px'),
  ...everySide('border-', '-width', 'medium'),
  ...everySide('border-', '-style', 'none'),
  ...everySide('border-', '-color', 'currentcolor'),
};
const round = (radius: string) =>
  Object.fromEntries(
    ['top-left', 'top-right', 'bottom-right', 'bottom-left'].map((corner) => [`border-${corner}-radius`, radius]),
  );
const FORCED_BY_INPUT_TYPE: Readonly<Record<string, Declarations>> = {
  checkbox: { ...UNADORNED, ...round('0px') },
  radio: { ...UNADORNED, ...round('50%') },
};

/** What browsers give an element and let no sheet change (`!important` in their own sheet). */
export function browserForcedFor(element: Pick<PageElement, 'tag' | 'attributes'>): Declarations {
  if (element.tag !== 'input') return NONE;
  return FORCED_BY_INPUT_TYPE[element.attributes.type ?? 'text'] ?? CLIPPED;
}
