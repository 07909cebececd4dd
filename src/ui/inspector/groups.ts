import type { Carriage } from '@/core/cascade';
import { isHeldOrPinned, PLACED_BY, PROPERTIES, PROPERTY_GROUPS, readShadows, readTracks } from '@/core/styles';
import type { Property, PropertyGroup, Standing } from '@/core/styles';
import { whyNoEffect } from '@/core/styles';
import type { Shaped } from '../value-controls/shape';
import { valueOf } from '../value-controls/shape';
import type { Composite } from '../origin/composites';
import { COMPOSITES } from '../origin/composites';

export type Item =
  | { readonly kind: 'one'; readonly property: Property }
  | { readonly kind: 'composite'; readonly composite: Composite; readonly properties: readonly Property[] };

/** The group's properties in order, those of a shorthand gathered where the first of them stands. */
function itemsOf(group: PropertyGroup): Item[] {
  const found = new Set<string>();
  return PROPERTIES.filter((property) => property.group === group).flatMap((property): Item[] => {
    const composite = COMPOSITES.find((one) => one.longhands.includes(property.name));
    if (!composite) return [{ kind: 'one', property }];
    if (found.has(composite.shorthand)) return [];
    found.add(composite.shorthand);
    return [{ kind: 'composite', composite, properties: PROPERTIES.filter((one) => composite.longhands.includes(one.name)) }];
  });
}

export const GROUPS = PROPERTY_GROUPS.map((group) => ({ group, items: itemsOf(group) }));

export const propertiesOf = (item: Item): readonly string[] =>
  item.kind === 'one' ? [item.property.name] : item.composite.longhands;

/** What is written now and then; it is one press away as long as nothing is set. */
const SELDOM = new Set(
  (
    'scroll-snap-type scroll-snap-align box-sizing float clear align-content grid-auto-flow grid-auto-columns grid-auto-rows ' +
    'grid-column-start grid-column-end grid-row-start grid-row-end flex-basis order justify-items justify-self min-height max-height aspect-ratio font-style ' +
    'word-spacing text-indent text-transform text-decoration-line content white-space text-wrap-style overflow-wrap word-break hyphens ' +
    'text-overflow vertical-align list-style-position background-size background-position background-repeat z-index transform cursor ' +
    'outline-width outline-style outline-color outline-offset'
  ).split(' '),
);

const is = (values: string) => {
  const list = new Set(values.split(' '));
  return (value: string) => list.has(value);
};
const PLACES = is('normal start center end flex-start flex-end space-between space-around space-evenly');
const HELD_BY = [...PLACED_BY, 'margin-top', 'margin-right', 'margin-bottom', 'margin-left'];
const isPlaced = (_: string, shaped: Shaped) =>
  isHeldOrPinned(Object.fromEntries(HELD_BY.map((name) => [name, valueOf(shaped, name)])));

/** By property: whether a designed control shows and writes such a value, so that a plain field would say it twice. */
const DESIGNED: ReadonlyMap<string, (value: string, shaped: Shaped) => boolean> = new Map<
  string,
  (value: string, shaped: Shaped) => boolean
>([
  ['display', is('block flex grid')],
  ['visibility', is('visible hidden')],
  ['overflow-x', is('visible hidden auto')],
  ['overflow-y', (value, shaped) => value === valueOf(shaped, 'overflow-x')],
  ['flex-direction', () => true],
  ['flex-wrap', () => true],
  ['justify-content', PLACES],
  ['align-items', is('normal stretch start center end flex-start flex-end baseline')],
  [
    'justify-items',
    (value, shaped) =>
      /grid/.test(valueOf(shaped, 'display')) && /^(legacy|normal|stretch|start|center|end|baseline)$/.test(value),
  ],
  ['grid-template-columns', (value) => readTracks(value) !== undefined],
  ['grid-template-rows', (value) => readTracks(value) !== undefined],
  ['min-height', is('auto 50svh 100svh')],
  ['text-align', is('start left center right end justify')],
  ['opacity', (value) => /^[\d.]+%?$/.test(value)],
  ['box-shadow', (value) => readShadows(value) !== undefined],
  ...PLACED_BY.map((name) => [name, isPlaced] as const),
  ...['background-color', 'background-image', 'background-size', 'background-position', 'background-repeat'].map(
    (name) => [name, (value: string) => value !== '' && !/var\(/.test(value)] as const,
  ),
]);
/** Of these one control stands for all sides, if they are alike. */
const ALIKE = new Set(['border-width', 'border-style', 'border-color', 'border-radius']);

/** Whether a designed control of the group stands for a plain field. */
function isDesigned(item: Item, shaped: Shaped): boolean {
  const values = propertiesOf(item).map((name) => valueOf(shaped, name));
  if (item.kind === 'composite' && ALIKE.has(item.composite.shorthand)) return new Set(values).size === 1 && values[0] !== '';
  return propertiesOf(item).every((name, i) => DESIGNED.get(name)?.(values[i]!, shaped) ?? false);
}

/** Why a property does nothing on anything of what is selected. */
export function noEffectOn(name: string, standings: readonly Standing[]): string | undefined {
  const whys = standings.map((standing) => whyNoEffect(name, standing));
  return whys.every((why) => why !== undefined) ? whys[0] : undefined;
}

/** What somebody wrote for this element, not for all of its kind or above it. */
const WRITTEN: ReadonlySet<Carriage> = new Set(['hidden', 'set', 'carried', 'part', 'shared', 'imported']);

/** How a field is shown: at once, or one press away. */
export type Place = 'atOnce' | 'more';

export function placeOf(item: Item, shaped: Shaped, standings: readonly Standing[], controls: boolean): Place {
  const names = propertiesOf(item);
  const isIdle = names.every((name) => noEffectOn(name, standings) !== undefined);
  // The controls of what does nothing here aren't shown either.
  if (controls && !isIdle && isDesigned(item, shaped)) return 'more';
  if (names.some((name) => WRITTEN.has(shaped.fields.get(name)!.carriage))) return 'atOnce';
  if (isIdle) return 'more';
  return names.every((name) => SELDOM.has(name)) ? 'more' : 'atOnce';
}
