import { CUSTOM_PROPERTY } from './custom';

/**
 * The CSS properties that can be written here: longhands only, as the cascade works on longhands (CSS Cascade 5, 3).
 * `initial` is the initial value as a browser computes it; "currentcolor" stands for the element's own colour.
 */
export interface Property {
  readonly name: string;
  readonly label: string;
  readonly group: PropertyGroup;
  readonly inherited: boolean;
  readonly initial: string;
  readonly control: Control;
}

export const PROPERTY_GROUPS = [
  'Layout',
  'Flex and grid',
  'Size',
  'Space',
  'Position',
  'Type',
  'Colour and background',
  'Border',
  'Effects',
] as const;
export type PropertyGroup = (typeof PROPERTY_GROUPS)[number] | 'Variables';

export type Control =
  | { readonly kind: 'keyword'; readonly keywords: readonly string[] }
  | { readonly kind: 'length' }
  | { readonly kind: 'number' }
  | { readonly kind: 'colour' }
  | { readonly kind: 'text' };

const length: Control = { kind: 'length' };
const number: Control = { kind: 'number' };
const colour: Control = { kind: 'colour' };
const text: Control = { kind: 'text' };
const words = (list: string): Control => ({ kind: 'keyword', keywords: list.split(' ') });

type Row = readonly [name: string, label: string, control: Control, initial: string, inherited?: 'inherited'];

const CONTENT_POSITIONS = 'normal start center end flex-start flex-end space-between space-around space-evenly stretch';
const SELF_POSITIONS = 'auto normal start center end flex-start flex-end stretch baseline';
const LINE_STYLES = 'none solid dashed dotted double hidden';
const sides = ['top', 'right', 'bottom', 'left'] as const;
const corners = ['top-left', 'top-right', 'bottom-right', 'bottom-left'] as const;
const title = (side: string) => side.replace('-', ' ');

const ROWS: Readonly<Record<(typeof PROPERTY_GROUPS)[number], readonly Row[]>> = {
  Layout: [
    [
      'display',
      'Display',
      words(
        'block flex grid inline inline-block inline-flex inline-grid none list-item table table-row table-cell table-header-group table-row-group table-footer-group table-caption flow-root contents',
      ),
      'inline',
    ],
    ['visibility', 'Visibility', words('visible hidden collapse'), 'visible', 'inherited'],
    ['overflow-x', 'Overflow across', words('visible hidden clip auto scroll'), 'visible'],
    ['overflow-y', 'Overflow down', words('visible hidden clip auto scroll'), 'visible'],
    ['scroll-snap-type', 'Scrolling stops', text, 'none'],
    ['scroll-snap-align', 'Stops here at', words('none start center end'), 'none'],
    ['box-sizing', 'Box sizing', words('border-box content-box'), 'content-box'],
    ['float', 'Float', words('none left right'), 'none'],
    ['clear', 'Clear', words('none left right both'), 'none'],
    ['object-fit', 'Picture fit', words('fill contain cover none scale-down'), 'fill'],
    ['table-layout', 'Table layout', words('auto fixed'), 'auto'],
    ['border-collapse', 'Cell borders', words('separate collapse'), 'separate', 'inherited'],
  ],
  'Flex and grid': [
    ['flex-direction', 'Direction', words('row column row-reverse column-reverse'), 'row'],
    ['flex-wrap', 'Wrapping', words('nowrap wrap wrap-reverse'), 'nowrap'],
    ['justify-content', 'Along', words(CONTENT_POSITIONS), 'normal'],
    ['align-items', 'Across', words('normal start center end flex-start flex-end stretch baseline'), 'normal'],
    ['align-content', 'Lines across', words(CONTENT_POSITIONS), 'normal'],
    ['justify-items', 'Items along', words('legacy normal start center end stretch baseline'), 'legacy'],
    ['row-gap', 'Row gap', length, 'normal'],
    ['column-gap', 'Column gap', length, 'normal'],
    ['grid-template-columns', 'Columns', text, 'none'],
    ['grid-template-rows', 'Rows', text, 'none'],
    ['grid-auto-flow', 'Auto flow', words('row column dense'), 'row'],
    ['grid-auto-columns', 'Auto columns', text, 'auto'],
    ['grid-auto-rows', 'Auto rows', text, 'auto'],
    ['grid-column-start', 'Column start', text, 'auto'],
    ['grid-column-end', 'Column end', text, 'auto'],
    ['grid-row-start', 'Row start', text, 'auto'],
    ['grid-row-end', 'Row end', text, 'auto'],
    ['flex-grow', 'Grow', number, '0'],
    ['flex-shrink', 'Shrink', number, '1'],
    ['flex-basis', 'Basis', length, 'auto'],
    ['align-self', 'Own, across', words(SELF_POSITIONS), 'auto'],
    ['justify-self', 'Own, along', words(SELF_POSITIONS), 'auto'],
    ['order', 'Order', number, '0'],
  ],
  Size: [
    ['width', 'Width', length, 'auto'],
    ['height', 'Height', length, 'auto'],
    ['min-width', 'Least width', length, 'auto'],
    ['max-width', 'Most width', length, 'none'],
    ['min-height', 'Least height', length, 'auto'],
    ['max-height', 'Most height', length, 'none'],
    ['aspect-ratio', 'Aspect ratio', text, 'auto'],
  ],
  Space: [
    ...sides.map((side): Row => [`padding-${side}`, `Padding ${side}`, length, '0px']),
    ...sides.map((side): Row => [`margin-${side}`, `Margin ${side}`, length, '0px']),
  ],
  Position: [
    ['position', 'Position', words('static relative absolute fixed sticky'), 'static'],
    ...sides.map((side): Row => [side, side[0]!.toUpperCase() + side.slice(1), length, 'auto']),
    ['z-index', 'Stacking', number, 'auto'],
  ],
  Type: [
    ['font-family', 'Family', text, '"Times New Roman"', 'inherited'],
    ['font-size', 'Size', length, '16px', 'inherited'],
    ['font-weight', 'Weight', words('normal bold bolder lighter 300 400 500 600 700 800 900'), '400', 'inherited'],
    ['font-style', 'Slope', words('normal italic oblique'), 'normal', 'inherited'],
    ['line-height', 'Line height', length, 'normal', 'inherited'],
    ['letter-spacing', 'Letter spacing', length, 'normal', 'inherited'],
    ['word-spacing', 'Word spacing', length, '0px', 'inherited'],
    ['text-align', 'Align text', words('start left center right end justify'), 'start', 'inherited'],
    ['text-indent', 'Indent', length, '0px', 'inherited'],
    ['text-transform', 'Letters', words('none uppercase lowercase capitalize'), 'none', 'inherited'],
    ['text-decoration-line', 'Decoration', words('none underline line-through overline'), 'none'],
    ['content', 'Content', text, 'normal'],
    ['white-space', 'White space', words('normal nowrap pre pre-wrap pre-line'), 'normal', 'inherited'],
    ['text-wrap-style', 'Line balance', words('auto balance pretty stable'), 'auto', 'inherited'],
    ['overflow-wrap', 'Long words', words('normal break-word anywhere'), 'normal', 'inherited'],
    ['word-break', 'Word break', words('normal break-all keep-all'), 'normal', 'inherited'],
    ['hyphens', 'Hyphens', words('manual none auto'), 'manual', 'inherited'],
    ['text-overflow', 'Cut text', words('clip ellipsis'), 'clip'],
    ['vertical-align', 'Vertical align', text, 'baseline'],
    ['list-style-type', 'List marker', words('disc circle square decimal none'), 'disc', 'inherited'],
    ['list-style-position', 'Marker place', words('outside inside'), 'outside', 'inherited'],
  ],
  'Colour and background': [
    ['color', 'Text colour', colour, 'rgb(0, 0, 0)', 'inherited'],
    ['background-color', 'Background', colour, 'rgba(0, 0, 0, 0)'],
    ['background-image', 'Background layers', text, 'none'],
    ['background-size', 'Layer size', text, 'auto'],
    ['background-position', 'Layer place', text, '0% 0%'],
    ['background-repeat', 'Layer repeat', text, 'repeat'],
  ],
  Border: [
    ...sides.map((side): Row => [`border-${side}-width`, `Width ${side}`, length, 'medium']),
    ...sides.map((side): Row => [`border-${side}-style`, `Line ${side}`, words(LINE_STYLES), 'none']),
    ...sides.map((side): Row => [`border-${side}-color`, `Colour ${side}`, colour, 'currentcolor']),
    ...corners.map((corner): Row => [`border-${corner}-radius`, `Radius ${title(corner)}`, length, '0px']),
  ],
  Effects: [
    ['outline-width', 'Outline width', length, 'medium'],
    ['outline-style', 'Outline line', words('none auto solid dashed dotted double'), 'none'],
    ['outline-color', 'Outline colour', colour, 'currentcolor'],
    ['outline-offset', 'Outline distance', length, '0px'],
    ['opacity', 'Opacity', number, '1'],
    ['box-shadow', 'Shadow', text, 'none'],
    ['transform', 'Transform', text, 'none'],
    ['cursor', 'Pointer', words('auto default pointer text not-allowed'), 'auto', 'inherited'],
  ],
};

export const PROPERTIES: readonly Property[] = PROPERTY_GROUPS.flatMap((group) =>
  ROWS[group].map(([name, label, control, initial, inherited]) => ({
    name,
    label,
    group,
    control,
    initial,
    inherited: inherited === 'inherited',
  })),
);

const byName = new Map(PROPERTIES.map((property) => [property.name, property]));
const rank = new Map(PROPERTIES.map((property, index) => [property.name, index]));

/** Whether it is one of `PROPERTIES`. */
export function isProperty(name: string): boolean {
  return byName.has(name);
}

const custom = new Map<string, Property>();

/** A custom property is inherited and has no initial value (CSS Custom Properties 1, 2). */
function customProperty(name: string): Property {
  let property = custom.get(name);
  if (!property) {
    if (custom.size > 5_000) custom.clear();
    property = { name, label: name, group: 'Variables', inherited: true, initial: '', control: text };
    custom.set(name, property);
  }
  return property;
}

/** @throws Error when the property is neither one of `PROPERTIES` nor a custom one. */
export function propertyNamed(name: string): Property {
  const property = byName.get(name) ?? (CUSTOM_PROPERTY.test(name) ? customProperty(name) : undefined);
  if (!property) throw new Error(`"${name}" isn't a property known here.`);
  return property;
}

/** Position in the fixed order in which declarations are written and listed. */
export function propertyRank(name: string): number {
  return rank.get(name) ?? (CUSTOM_PROPERTY.test(name) ? -1 : Infinity);
}
