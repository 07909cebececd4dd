'use client';

import { memo, useState } from 'react';
import type { Pseudo } from '@/core/document';
import { readPseudo, whyNotOn } from '@/core/document';
import type { Property, PropertyGroup, Standing } from '@/core/styles';
import { groupControls } from '../value-controls/group-controls';
import type { Shaped } from '../value-controls/shape';
import { gathered } from '../origin/composites';
import type { Item } from './groups';
import { noEffectOn, placeOf, propertiesOf } from './groups';
import { PropertyRow } from './PropertyRow';

/** What is looked at, and what of it is wanted. */
export interface ValueLook {
  readonly shaped: Shaped;
  readonly standings: readonly Standing[];
  readonly pseudo: Pseudo;
  /** In small letters; empty where nothing is looked for. */
  readonly query: string;
  readonly onlySet: boolean;
}

const OPEN_FIRST: ReadonlySet<string> = new Set(['Layout', 'Flex and grid', 'Size', 'Space', 'Type']);

const isNamed = ({ name, label }: { name: string; label: string }, query: string) =>
  `${name} ${label}`.toLowerCase().includes(query);

/** Whether a property is looked for, and can be where it's written. */
export function isWanted(property: Property, { shaped, pseudo, query, onlySet }: ValueLook): boolean {
  return (
    isNamed(property, query) &&
    whyNotOn(pseudo, property.name) === undefined &&
    (!onlySet || shaped.fields.get(property.name)!.carriage !== 'default')
  );
}

function isItemWanted(item: Item, look: ValueLook): boolean {
  if (item.kind === 'one') return isWanted(item.property, look);
  const { composite, properties } = item;
  return (
    properties.every(({ name }) => whyNotOn(look.pseudo, name) === undefined) &&
    (properties.some((one) => isNamed(one, look.query)) ||
      isNamed({ name: composite.shorthand, label: composite.label }, look.query)) &&
    (!look.onlySet || properties.some(({ name }) => look.shaped.fields.get(name)!.carriage !== 'default'))
  );
}

/** One group of properties: the controls made for them, the fields that matter for this element, the others one press away. */
export const ValueGroup = memo(function ValueGroup({
  group,
  items,
  look,
}: {
  group: PropertyGroup;
  items: readonly Item[];
  look: ValueLook;
}) {
  const [open, setOpen] = useState(OPEN_FIRST.has(group));
  const [all, setAll] = useState(false);
  const { shaped, standings, query, onlySet, pseudo } = look;
  const searching = query !== '' || onlySet;
  const controls = !searching && readPseudo(pseudo).box === undefined;
  const wanted = items.filter((item) => isItemWanted(item, look));
  if (wanted.length === 0) return null;
  const unfold = open || searching;
  const atOnce = searching || !unfold ? wanted : wanted.filter((item) => placeOf(item, shaped, standings, controls) === 'atOnce');
  const more = wanted.filter((item) => !atOnce.includes(item));
  const shown = all ? wanted : atOnce;
  return (
    <section aria-label={group} data-section={group} className="border-t border-line py-1 first:border-t-0">
      <h3 className="m-0">
        <button
          type="button"
          aria-expanded={unfold}
          className="flex min-h-6 w-full items-center justify-between border-0 bg-transparent px-3.5 py-0.5 text-left font-semibold text-muted"
          onClick={() => setOpen(!open)}
        >
          {group} <span aria-hidden>{unfold ? '−' : '+'}</span>
        </button>
      </h3>
      {unfold && controls && groupControls(group, shaped)}
      {unfold && shown.map((item) => <ItemRow key={propertiesOf(item).join()} item={item} look={look} />)}
      {unfold && more.length > 0 && (
        <button
          type="button"
          aria-expanded={all}
          className="relative ml-[102px] min-h-6 border-0 bg-transparent px-1 text-left text-xs text-muted underline decoration-line-strong underline-offset-2 hover:text-ink"
          onClick={() => setAll(!all)}
        >
          {all ? 'Fewer' : `${more.length} more`}
          <span className="sr-only"> of {group}</span>
        </button>
      )}
    </section>
  );
});

function ItemRow({ item, look }: { item: Item; look: ValueLook }) {
  const { fields, target } = look.shaped;
  if (item.kind === 'composite') return <CompositeRow item={item} look={look} />;
  const { name, label } = item.property;
  return <PropertyRow property={name} label={label} field={fields.get(name)!} target={target} noEffect={whyIdle(item, look)} />;
}

/** Said only of what is written: what could be written doesn't have to be spoken of. */
function whyIdle(item: Item, { shaped, standings }: ValueLook): string | undefined {
  const names = propertiesOf(item);
  if (names.every((name) => shaped.fields.get(name)!.ownHere === false)) return undefined;
  const whys = names.map((name) => noEffectOn(name, standings));
  return whys.every((why) => why !== undefined) ? whys[0] : undefined;
}

/** A shorthand as one field, its longhands folded away beneath. */
function CompositeRow({ item, look }: { item: Extract<Item, { kind: 'composite' }>; look: ValueLook }) {
  const { composite, properties } = item;
  const { fields, target } = look.shaped;
  const [unfolded, setUnfolded] = useState(false);
  const unfold = unfolded || (look.query !== '' && !isNamed({ name: composite.shorthand, label: composite.label }, look.query));
  return (
    <div className="relative">
      <button
        type="button"
        aria-expanded={unfold}
        aria-label={`${composite.label}, each side`}
        className="absolute top-px left-0 h-6 w-4 border-0 bg-transparent text-[9px] text-muted"
        onClick={() => setUnfolded(!unfolded)}
      >
        {unfold ? '▾' : '▸'}
      </button>
      <PropertyRow
        property={composite.shorthand}
        label={composite.label}
        field={gathered(fields, composite.longhands)}
        target={target}
        properties={composite.longhands}
        noEffect={whyIdle(item, look)}
      />
      {unfold && (
        <div className="border-l-2 border-line">
          {properties
            .filter((property) => isWanted(property, look))
            .map(({ name, label }) => (
              <PropertyRow key={name} property={name} label={label} field={fields.get(name)!} target={target} />
            ))}
        </div>
      )}
    </div>
  );
}
