'use client';

import { useDeferredValue, useMemo, useState } from 'react';
import { bandAt } from '@/core/breakpoints';
import { laneNames } from '@/core/cascade';
import { readPseudo, whyNotOn } from '@/core/document';
import { PROPERTIES, PROPERTY_GROUPS, propertyNamed } from '@/core/styles';
import type { Property, PropertyGroup } from '@/core/styles';
import { ownerOf } from '@/core/edits';
import { ArrangedBox } from '../arrangements/ArrangedBox';
import { ListBox } from '../lists/ListBox';
import { DropBox } from '../swapping/DropBox';
import { SwapBox } from '../swapping/SwapBox';
import { PartBox } from '../parts/PartBox';
import {
  shownPseudo,
  steadyBandStart,
  steadyPage,
  steadyProject,
  toldHere,
  useSession,
  writeTarget,
  writtenTo,
} from '../state/store';
import { AnyDeclaration } from './AnyDeclaration';
import { COMPOSITES, compose } from './composites';
import type { Composite } from './composites';
import { fieldValue } from '../value-controls/field-value';
import type { FieldValue } from '../value-controls/field-value';
import { ElementActions } from './ElementActions';
import { PropertyRow } from './PropertyRow';
import { PictureFields } from '../pictures/PictureFields';
import { ContentFields } from '../value-controls/ContentFields';
import { groupControls } from '../value-controls/group-controls';
import { Proportions } from '../value-controls/Proportions';
import { StatePicker } from './StatePicker';
import { TargetPicker } from './TargetPicker';

type Item =
  | { readonly kind: 'one'; readonly property: Property }
  | { readonly kind: 'composite'; readonly composite: Composite; readonly properties: readonly Property[] };

/** The group's properties in order, those of a shorthand gathered where the first of them stands. */
function itemsOf(group: PropertyGroup): Item[] {
  const gathered = new Set<string>();
  return PROPERTIES.filter((property) => property.group === group).flatMap((property): Item[] => {
    const composite = COMPOSITES.find((one) => one.longhands.includes(property.name));
    if (!composite) return [{ kind: 'one', property }];
    if (gathered.has(composite.shorthand)) return [];
    gathered.add(composite.shorthand);
    return [{ kind: 'composite', composite, properties: PROPERTIES.filter((one) => composite.longhands.includes(one.name)) }];
  });
}

const GROUPS = PROPERTY_GROUPS.map((group) => ({ group, items: itemsOf(group) }));
const OPEN_FIRST: ReadonlySet<string> = new Set(['Layout', 'Flex and grid', 'Size', 'Space', 'Type']);

/** The values of what is selected, as they hold at the cursor, and where each comes from. */
export function Inspector() {
  const selection = useSession((session) => session.selection);
  const project = useSession(steadyProject);
  const page = useSession(steadyPage);
  // Crossing a breakpoint changes much here; the page and the cursor must not wait for it.
  const bandStart = useDeferredValue(useSession(steadyBandStart));
  const plainSlice = useSession((session) => session.slice);
  const told = useSession(toldHere);
  const slice = useDeferredValue(useMemo(() => (told ? { ...plainSlice, told } : plainSlice), [plainSlice, told]));
  const target = useSession(writeTarget);
  const pseudo = useSession(shownPseudo);
  const written = useSession(writtenTo);
  const [query, setQuery] = useState('');
  const [onlySet, setOnlySet] = useState(false);
  const [open, setOpen] = useState<ReadonlySet<string>>(OPEN_FIRST);
  const [unfolded, setUnfolded] = useState<ReadonlySet<string>>(new Set());

  const ids = useMemo(() => selection.filter((id) => id in page.elements), [selection, page]);
  const variables = useMemo(() => {
    const [id] = ids;
    if (!id) return [];
    return laneNames(project, page, id, pseudo)
      .filter((name) => name.startsWith('--'))
      .map(propertyNamed);
  }, [ids, project, page, pseudo]);
  const fields = useMemo(() => {
    if (ids.length === 0) return new Map<string, FieldValue>();
    const { home } = bandAt(project, bandStart, slice);
    const names = [...PROPERTIES.map(({ name }) => name), ...variables.map(({ name }) => name)];
    return new Map(
      names.map((name) => [name, fieldValue(project, page, ids, name, bandStart, home, target, slice, pseudo, written)]),
    );
  }, [ids, project, page, bandStart, target, slice, variables, pseudo, written]);

  const wanted = ({ name, label }: { name: string; label: string }) =>
    `${name} ${label}`.toLowerCase().includes(query.trim().toLowerCase());
  const visible = (field: FieldValue) => !onlySet || field.carriage !== 'default';
  const possible = ({ name }: Property) => whyNotOn(pseudo, name) === undefined;
  const flip = (set: ReadonlySet<string>, key: string) =>
    set.has(key) ? new Set([...set].filter((one) => one !== key)) : new Set([...set, key]);

  const row = (property: Property) => {
    const field = fields.get(property.name)!;
    return wanted(property) && visible(field) && possible(property) ? (
      <PropertyRow key={property.name} property={property.name} label={property.label} field={field} target={target} />
    ) : null;
  };
  const compositeRow = ({ composite, properties }: Extract<Item, { kind: 'composite' }>) => {
    const each = properties.map((property) => fields.get(property.name)!);
    const shown = properties.some(wanted) || wanted({ name: composite.shorthand, label: composite.label });
    if (!shown || !each.some(visible) || !properties.every(possible)) return null;
    const inOrder = composite.longhands.map((name) => fields.get(name)!);
    const values = inOrder.map((field) => field.value);
    const strongest = each.reduce((a, b) => (a.carriage === 'default' ? b : a));
    const field: FieldValue = {
      ...strongest,
      value: values.some((value) => value === undefined) ? undefined : compose(values as string[]),
      ownHere: each.some((one) => one.ownHere),
      story: each.map((one) => one.story).join(),
    };
    const unfold =
      unfolded.has(composite.shorthand) || (query !== '' && !wanted({ name: composite.shorthand, label: composite.label }));
    return (
      <div key={composite.shorthand} className="relative">
        <button
          type="button"
          aria-expanded={unfold}
          aria-label={`${composite.label}, each side`}
          className="absolute top-[3px] left-0 size-4 border-0 bg-transparent text-[9px] text-muted"
          onClick={() => setUnfolded(flip(unfolded, composite.shorthand))}
        >
          {unfold ? '▾' : '▸'}
        </button>
        <PropertyRow
          property={composite.shorthand}
          label={composite.label}
          field={field}
          target={target}
          properties={composite.longhands}
        />
        {unfold && <div className="border-l-2 border-line">{properties.map((property) => row(property))}</div>}
      </div>
    );
  };

  const shaped = useMemo(() => {
    const owners = ids.map((id) => ownerOf(page.elements[id]!, written) + pseudo);
    return { ids, owners, fields, target };
  }, [ids, page, written, pseudo, fields, target]);
  if (ids.length === 0)
    return (
      <>
        <TargetPicker />
        <p className="px-3.5 py-2 text-muted">
          Select something on the page or in the list of elements to see its values and where they come from.
        </p>
      </>
    );
  return (
    <>
      <TargetPicker />
      <div className="flex items-center gap-2 px-3.5 pb-2">
        <b className="min-w-0 flex-1 truncate">{ids.length === 1 ? page.elements[ids[0]!]!.name : `${ids.length} elements`}</b>
        <label className="flex items-center gap-1 text-muted">
          <input
            type="checkbox"
            className="accent-reed"
            checked={onlySet}
            onChange={(event) => setOnlySet(event.target.checked)}
          />{' '}
          only set ones
        </label>
      </div>
      {ids.length === 1 && <PartBox id={ids[0]!} />}
      <StatePicker ids={ids} />
      {ids.length > 1 && pseudo === '' && <Proportions shaped={shaped} />}
      <input
        aria-label="Find a property"
        placeholder="Find a property"
        className="mx-3.5 mb-2 h-[22px] rounded-[3px] border border-line-strong bg-well px-1.5"
        value={query}
        onChange={(event) => setQuery(event.target.value)}
      />
      <div className="part min-h-0 flex-1 overflow-auto pb-4" data-testid="values">
        {ids.length === 1 && query === '' && !onlySet && pseudo === '' && <ListBox id={ids[0]!} />}
        {ids.length === 1 && query === '' && !onlySet && pseudo === '' && <SwapBox id={ids[0]!} />}
        {ids.length === 1 && query === '' && !onlySet && pseudo === '' && <ArrangedBox id={ids[0]!} />}
        {ids.length === 1 && query === '' && !onlySet && pseudo === '' && <DropBox id={ids[0]!} />}
        {ids.length === 1 && query === '' && !onlySet && pseudo === '' && (
          <ContentFields id={ids[0]!}>
            <PictureFields id={ids[0]!} />
          </ContentFields>
        )}
        {GROUPS.map(({ group, items }) => {
          const rows = items.map((item) => (item.kind === 'one' ? row(item.property) : compositeRow(item))).filter(Boolean);
          if (rows.length === 0) return null;
          const unfold = open.has(group) || query !== '' || onlySet;
          return (
            <section key={group} aria-label={group} className="border-t border-line py-1">
              <h3 className="m-0">
                <button
                  type="button"
                  aria-expanded={unfold}
                  className="flex w-full items-center justify-between border-0 bg-transparent px-3.5 py-1 text-left font-semibold text-muted"
                  onClick={() => setOpen(flip(open, group))}
                >
                  {group} <span aria-hidden>{unfold ? '−' : '+'}</span>
                </button>
              </h3>
              {unfold && query === '' && !onlySet && readPseudo(pseudo).box === undefined && groupControls(group, shaped)}
              {unfold && rows}
            </section>
          );
        })}
        {variables.length > 0 && (
          <section aria-label="Variables" className="border-t border-line py-1">
            <h3 className="m-0 px-3.5 py-1 font-semibold text-muted">Variables</h3>
            {variables.map((property) => row(property))}
          </section>
        )}
        <ElementActions ids={ids} target={target} pseudo={pseudo} />
        <AnyDeclaration target={target} />
      </div>
    </>
  );
}
