'use client';

import { useDeferredValue, useMemo, useRef, useState } from 'react';
import { bandAt } from '@/core/breakpoints';
import { laneNames } from '@/core/cascade';
import { propertyNamed } from '@/core/styles';
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
import { fieldValue } from '../origin/field-value';
import { LazyFields } from '../origin/lazy-fields';
import { ElementActions } from './ElementActions';
import { GroupLooks } from './group-looks';
import { GROUPS } from './groups';
import { PropertyRow } from './PropertyRow';
import { PictureFields } from '../pictures/PictureFields';
import { ContentFields } from '../value-controls/ContentFields';
import { Proportions } from '../value-controls/Proportions';
import { StatePicker } from './StatePicker';
import { SectionLinks } from './SectionLinks';
import { SetHere } from './SetHere';
import { useSame } from './use-same';
import { standingKey, useStandings } from './use-standings';
import { isWanted, ValueGroup } from './ValueGroup';
import { TourOffer } from '../tour/GaugeTour';

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
  const sections = useRef<HTMLDivElement>(null);

  const ids = useSame(useMemo(() => selection.filter((id) => id in page.elements), [selection, page]));
  const custom = useMemo(() => {
    const [id] = ids;
    return id ? laneNames(project, page, id, pseudo).filter((name) => name.startsWith('--')) : [];
  }, [ids, project, page, pseudo]);
  const variables = useMemo(() => custom.map(propertyNamed), [custom]);
  const fields = useMemo(() => {
    const { home } = bandAt(project, bandStart, slice);
    return new LazyFields((name) => fieldValue(project, page, ids, name, bandStart, home, target, slice, pseudo, written));
  }, [ids, project, page, bandStart, target, slice, pseudo, written]);
  const standings = useSame(useStandings(project, page, ids, bandStart, slice, pseudo, fields), standingKey);
  const owners = useSame(
    useMemo(() => ids.map((id) => ownerOf(page.elements[id]!, written) + pseudo), [ids, page, written, pseudo]),
  );
  const shaped = useMemo(() => ({ ids, owners, fields, target }), [ids, owners, fields, target]);
  const [looks] = useState(() => new GroupLooks());
  const look = useMemo(
    () => ({ shaped, standings, pseudo, query: query.trim().toLowerCase(), onlySet }),
    [shaped, standings, pseudo, query, onlySet],
  );
  if (ids.length === 0) return <NothingSelected />;
  const [id] = ids as [string];
  const plain = ids.length === 1 && look.query === '' && !onlySet && pseudo === '';
  const rows = variables.filter((property) => isWanted(property, look));
  return (
    <>
      <div className="flex items-center gap-2 px-3.5 pt-2 pb-1.5">
        <b className="min-w-0 flex-1 truncate">{ids.length === 1 ? page.elements[id]!.name : `${ids.length} elements`}</b>
        <label className="flex shrink-0 items-center gap-1 text-muted">
          <input
            type="checkbox"
            className="accent-reed"
            checked={onlySet}
            onChange={(event) => setOnlySet(event.target.checked)}
          />{' '}
          only set ones
        </label>
      </div>
      <StatePicker ids={ids} />
      <input
        aria-label="Find a property"
        placeholder="Find a property"
        className="mx-3.5 mb-1 h-[24px] shrink-0 rounded-[3px] border border-line-strong bg-well px-1.5"
        value={query}
        onChange={(event) => setQuery(event.target.value)}
      />
      {look.query === '' && <SectionLinks within={sections} />}
      <div ref={sections} className="part min-h-0 flex-1 overflow-auto border-t border-line pb-4" data-testid="values">
        {look.query === '' && <SetHere shaped={shaped} within={sections} />}
        {ids.length === 1 && (
          <div className="pt-2 empty:hidden">
            <PartBox id={id} />
          </div>
        )}
        {ids.length > 1 && pseudo === '' && <Proportions shaped={shaped} />}
        {plain && (
          <ContentFields id={id}>
            <PictureFields id={id} />
          </ContentFields>
        )}
        {GROUPS.map(({ group, items }) => (
          <ValueGroup key={group} group={group} items={items} look={looks.of(group, look, fields)} />
        ))}
        {rows.length > 0 && (
          <section aria-label="Variables" className="border-t border-line py-1">
            <h3 className="m-0 px-3.5 py-1 font-semibold text-muted">Variables</h3>
            {rows.map(({ name, label }) => (
              <PropertyRow key={name} property={name} label={label} field={fields.get(name)} target={target} />
            ))}
          </section>
        )}
        {plain && (
          <section aria-label="Swapping and arranging" data-section="More" className="border-t border-line py-1">
            <h3 className="m-0 px-3.5 py-1 font-semibold text-muted" tabIndex={-1}>
              Swapping and arranging
            </h3>
            <div className="flex flex-wrap gap-1 px-3.5 pb-1.5">
              <SwapBox id={id} />
              <ListBox id={id} />
              <DropBox id={id} />
              <ArrangedBox id={id} />
            </div>
          </section>
        )}
        <ElementActions ids={ids} target={target} pseudo={pseudo} />
        <AnyDeclaration target={target} />
      </div>
    </>
  );
}

function NothingSelected() {
  return (
    <div className="px-3.5 py-3">
      <h3 className="m-0 pb-1">Nothing is selected</h3>
      <p className="m-0 text-muted">
        Press something on the page or in the list of elements: its values stand here then, each with where it comes from.
      </p>
      <TourOffer />
    </div>
  );
}
