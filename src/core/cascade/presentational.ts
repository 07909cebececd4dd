import type { Declarations, PageElement } from '../document/element';
import type { Page } from '../document/project';
import { parentOf } from '../document/tree';
import { computedColour } from '../styles/colour';
import { everySide } from './control-defaults';

/*
 * What attributes of another age say of how an element looks (HTML, 15, "presentational hints"): weaker than all style sheets but the
 * browser's. Limited to the properties known here.
 */

type Attributes = PageElement['attributes'];

/** A length as attributes say it: px without a unit, or percent (HTML, 2.3.4.4); undefined for none. */
function dimension(value: string | undefined, nonZero = false): string | undefined {
  const [, number, percent] = /^\s*\+?(\d+(?:\.\d*)?|\.\d+)(%)?/.exec(value ?? '') ?? [];
  if (number === undefined || (nonZero && Number(number) === 0)) return undefined;
  return `${Number(number)}${percent ?? 'px'}`;
}

/** A colour as attributes say it (HTML, 2.3.6); undefined for none, and for what only old browsers made one of. */
function colour(value: string | undefined): string | undefined {
  const text = value?.trim().toLowerCase() ?? '';
  if (text === '' || text === 'transparent') return undefined;
  if (/^#?[0-9a-f]{6}$/.test(text)) return computedColour(`#${text.replace('#', '')}`);
  return /^(#[0-9a-f]{3}|[a-z]+)$/.test(text) ? computedColour(text) : undefined;
}

/** Attributes are read in turn; the first word that is known counts. */
const WEBKIT: Readonly<Record<string, string>> = {
  center: '-webkit-center',
  middle: '-webkit-center',
  left: '-webkit-left',
  right: '-webkit-right',
};

const FONT_SIZES = ['x-small', 'small', 'medium', 'large', 'x-large', 'xx-large', 'xxx-large'];

function font({ size, color, face }: Attributes): Record<string, string> {
  const [, sign, digits] = /^\s*([+-])?(\d+)/.exec(size ?? '') ?? [];
  const asked =
    digits === undefined ? undefined : sign === '+' ? 3 + Number(digits) : sign === '-' ? 3 - Number(digits) : Number(digits);
  return said({
    'font-size': asked === undefined ? undefined : FONT_SIZES[Math.max(1, Math.min(7, asked)) - 1],
    color: colour(color),
    'font-family': face?.trim() || undefined,
  });
}

const said = (declarations: Record<string, string | undefined>): Record<string, string> =>
  Object.fromEntries(Object.entries(declarations).filter((entry): entry is [string, string] => entry[1] !== undefined));

function borderOf(attributes: Attributes): number {
  if (!('border' in attributes)) return 0;
  const value = /^\s*\+?(\d+)/.exec(attributes.border!)?.[1];
  return value === undefined ? 1 : Number(value);
}

function table(attributes: Attributes): Record<string, string> {
  const border = borderOf(attributes);
  const align = attributes.align?.toLowerCase();
  const lines = said({ c: colour(attributes.bordercolor) }).c;
  return {
    ...('border' in attributes && everySide('border-', '-width', `${border}px`)),
    ...(border > 0 && everySide('border-', '-style', lines ? 'solid' : 'outset')),
    ...(lines && everySide('border-', '-color', lines)),
    ...(align === 'center' && { 'margin-left': 'auto', 'margin-right': 'auto' }),
    ...((align === 'left' || align === 'right') && { float: align }),
    ...said({
      width: dimension(attributes.width, true),
      height: dimension(attributes.height),
      'background-color': colour(attributes.bgcolor),
    }),
  };
}

/** The table that a part of one belongs to. */
function tableOf(page: Page, element: PageElement): PageElement | undefined {
  let at = parentOf(page, element.id);
  while (at && /^(t(r|body|head|foot)|colgroup)$/.test(at.tag)) at = parentOf(page, at.id);
  return at?.tag === 'table' ? at : undefined;
}

function tablePart(attributes: Attributes): Record<string, string> {
  const align = attributes.align?.toLowerCase();
  const valign = attributes.valign?.toLowerCase();
  return said({
    'text-align':
      align === undefined
        ? undefined
        : align === 'absmiddle'
          ? 'center'
          : (WEBKIT[align] ?? (/^(justify|start|end)$/.test(align) ? align : undefined)),
    'vertical-align': valign !== undefined && /^(top|middle|bottom|baseline)$/.test(valign) ? valign : undefined,
    'background-color': colour(attributes.bgcolor),
    height: dimension(attributes.height),
  });
}

function cell(page: Page, element: PageElement): Record<string, string> {
  const { attributes } = element;
  const around = tableOf(page, element)?.attributes ?? {};
  const border = borderOf(around);
  const padding = /^\s*\+?(\d+)/.exec(around.cellpadding ?? '')?.[1];
  return {
    ...(border > 0 && { ...everySide('border-', '-width', '1px'), ...everySide('border-', '-style', 'inset') }),
    ...(padding !== undefined && everySide('padding-', '', `${padding}px`)),
    ...tablePart(attributes),
    ...said({
      width: dimension(attributes.width, true),
      height: dimension(attributes.height, true),
      'white-space': 'nowrap' in attributes ? 'nowrap' : undefined,
    }),
  };
}

function picture(attributes: Attributes): Record<string, string> {
  const align = attributes.align?.toLowerCase() ?? '';
  const [across, along] = [dimension(attributes.hspace), dimension(attributes.vspace)];
  const border = 'border' in attributes ? borderOf(attributes) : 0;
  const upright: Readonly<Record<string, string>> = {
    ...{
      top: 'top',
      middle: '-webkit-baseline-middle',
      center: 'middle',
      absmiddle: 'middle',
      bottom: 'baseline',
      absbottom: 'bottom',
      texttop: 'text-top',
    },
    ...{ left: 'top', right: 'top' },
  };
  return {
    ...(across && { 'margin-left': across, 'margin-right': across }),
    ...(along && { 'margin-top': along, 'margin-bottom': along }),
    ...('border' in attributes && everySide('border-', '-width', `${border}px`)),
    ...('border' in attributes && everySide('border-', '-style', 'solid')),
    ...(/^(left|right)$/.test(align) && { float: align }),
    ...said({ 'vertical-align': upright[align] }),
  };
}

function rule(attributes: Attributes): Record<string, string> {
  const align = attributes.align?.toLowerCase();
  const tint = colour(attributes.color);
  const size = /^\s*\+?(\d+)/.exec(attributes.size ?? '')?.[1];
  const flat = 'noshade' in attributes || tint !== undefined;
  return {
    ...(align === 'left' && { 'margin-left': '0px', 'margin-right': 'auto' }),
    ...(align === 'right' && { 'margin-left': 'auto', 'margin-right': '0px' }),
    ...(align === 'center' && { 'margin-left': 'auto', 'margin-right': 'auto' }),
    ...said({ width: dimension(attributes.width) }),
    ...(flat && everySide('border-', '-style', 'solid')),
    ...(tint && { ...everySide('border-', '-color', tint), 'background-color': tint }),
    ...(flat && !tint && { ...everySide('border-', '-color', 'rgb(128, 128, 128)'), 'background-color': 'rgb(128, 128, 128)' }),
    ...(size !== undefined && (Number(size) < 2 ? { 'border-bottom-width': '0px' } : { height: `${Number(size) - 2}px` })),
  };
}

const MARKERS: Readonly<Record<string, string>> = {
  1: 'decimal',
  a: 'lower-alpha',
  A: 'upper-alpha',
  i: 'lower-roman',
  I: 'upper-roman',
};
const marker = (type: string | undefined) =>
  type === undefined
    ? undefined
    : (MARKERS[type] ?? (/^(disc|circle|square|none)$/i.test(type) ? type.toLowerCase() : undefined));

/** The text colour that the body gives to links that nobody has followed. */
function linkColour(page: Page, { attributes }: PageElement): Record<string, string> {
  return 'href' in attributes ? said({ color: colour(page.elements[page.root]?.attributes.link) }) : {};
}

const aligned = (attributes: Attributes, words: Readonly<Record<string, string>>): Record<string, string> => {
  const align = attributes.align?.toLowerCase();
  return said({
    'text-align':
      align === undefined
        ? undefined
        : (words[align] ?? (/^(left|right|center|justify|start|end)$/.test(align) ? align : undefined)),
  });
};

/** What the attributes of an element, and of a table that it is a cell of, say of its look. */
export function presentationalFor(page: Page, element: PageElement): Declarations {
  const { tag, attributes } = element;
  switch (tag) {
    case 'body':
      return said({ 'background-color': colour(attributes.bgcolor), color: colour(attributes.text), ...margins(attributes) });
    case 'table':
      return table(attributes);
    case 'td':
    case 'th':
      return cell(page, element);
    case 'tr':
    case 'tbody':
    case 'thead':
    case 'tfoot':
      return tablePart(attributes);
    case 'col':
    case 'colgroup':
      return { ...tablePart(attributes), ...said({ width: dimension(attributes.width) }) };
    case 'iframe':
      return frame(attributes);
    case 'font':
      return font(attributes);
    case 'img':
      return picture(attributes);
    case 'input':
      return attributes.type?.toLowerCase() === 'image' ? picture(attributes) : {};
    case 'hr':
      return rule(attributes);
    case 'div':
    case 'p':
      return aligned(attributes, WEBKIT);
    case 'h1':
    case 'h2':
    case 'h3':
    case 'h4':
    case 'h5':
    case 'h6':
      return aligned(attributes, { middle: 'center' });
    case 'caption':
      return /^(left|right|center|justify)$/i.test(attributes.align ?? '')
        ? { 'text-align': attributes.align!.toLowerCase() }
        : {};
    case 'br':
      return said({
        clear: /^all$/i.test(attributes.clear ?? '')
          ? 'both'
          : /^(left|right|both)$/i.test(attributes.clear ?? '')
            ? attributes.clear!.toLowerCase()
            : undefined,
      });
    case 'ul':
    case 'ol':
    case 'li':
      return said({ 'list-style-type': marker(attributes.type) });
    case 'a':
      return linkColour(page, element);
    case 'pre':
      return 'wrap' in attributes ? { 'white-space': 'pre-wrap' } : {};
    default:
      return {};
  }
}

/** An embedded page has no line around it where its attribute comes to no number but 0; otherwise it keeps the browser's. */
const frame = ({ frameborder }: Attributes): Record<string, string> =>
  frameborder !== undefined && !parseInt(frameborder, 10) ? everySide('border-', '-width', '0px') : {};

function margins({
  leftmargin,
  rightmargin,
  topmargin,
  bottommargin,
  marginwidth,
  marginheight,
}: Attributes): Record<string, string> {
  return said({
    'margin-left': dimension(marginwidth ?? leftmargin),
    'margin-right': dimension(marginwidth ?? rightmargin),
    'margin-top': dimension(marginheight ?? topmargin),
    'margin-bottom': dimension(marginheight ?? bottommargin),
  });
}
