'use client';

import dynamic from 'next/dynamic';
import { memo, useState } from 'react';
import type { At } from '@/core/breakpoints';
import { propertyNamed } from '@/core/styles';
import { addedFonts, BUNDLED_FONTS, familyValue } from '@/core/render';
import { writeValue } from '../view/actions';
import { shownPseudo, useSession } from '../state/store';
import type { FieldValue } from '../origin/field-value';
import { ClearButton } from '../origin/ClearButton';
import { OriginMark } from '../origin/OriginMark';
import { UnitSwitch } from '../value-controls/UnitSwitch';
import { measuredLength } from '../stage/measured-length';
import { ValueField } from './ValueField';

/** What is often written where there is no fixed list of words. */
const SUGGESTED: Readonly<Record<string, readonly string[]>> = {
  'aspect-ratio': ['auto', '1', '4 / 3', '3 / 2', '16 / 9', '2 / 3'],
  'font-family': BUNDLED_FONTS.map(
    ({ family, weights }) => `"${family}", ${weights.endsWith('900') ? 'sans-serif' : 'monospace'}`,
  ),
};

// The chart is much code for what is seldom opened.
const FluidPanel = dynamic(() => import('../value-controls/FluidPanel').then((module) => module.FluidPanel), { ssr: false });

interface Props {
  readonly property: string;
  readonly label: string;
  readonly field: FieldValue;
  readonly target: At;
  /** What clearing takes away: the property itself unless it stands for several. */
  readonly properties?: readonly string[];
  /** Why it does nothing on what is selected. */
  readonly noEffect?: string | undefined;
}

/** Label, field, clear, origin. */
export const PropertyRow = memo(function PropertyRow({
  property,
  label,
  field,
  target,
  properties = [property],
  noEffect,
}: Props) {
  const files = useSession((session) => (property === 'font-family' ? session.project.files : undefined));
  const suggested = files
    ? [...addedFonts({ files }).map(({ font }) => familyValue(font)), ...SUGGESTED[property]!]
    : SUGGESTED[property];
  const control = properties.length === 1 ? propertyNamed(property).control : undefined;
  // Belongs to what was selected when it was opened.
  const [growing, setGrowing] = useState<readonly string[]>();
  const grows = useSession((session) => growing !== undefined && growing === session.selection);
  const pseudo = useSession(shownPseudo);
  const write = (value: string) => writeValue(property, value, target);
  const length = control?.kind === 'length';
  return (
    <>
      <div className="flex items-start gap-0.5 py-px pr-1.5 pl-3.5">
        <span className="w-[88px] shrink-0 truncate pt-0.5" title={property}>
          {label}
        </span>
        <ValueField
          key={`${target} ${pseudo}`}
          property={property}
          label={label}
          value={field.value}
          faint={field.carriage === 'default'}
          target={target}
          keywords={control?.kind === 'keyword' ? control.keywords : suggested}
          colour={control?.kind === 'colour'}
        />
        {length && field.value !== undefined && (
          <UnitSwitch
            property={property}
            label={label}
            value={field.value}
            write={write}
            grow={() => setGrowing(useSession.getState().selection)}
          />
        )}
        <ClearButton label={label} properties={properties} target={target} shown={field.ownHere} />
        <OriginMark label={label} properties={properties} field={field} target={target} />
      </div>
      {noEffect && <p className="m-0 pb-0.5 pl-[102px] text-xs text-muted">No effect: {noEffect}.</p>}
      {grows && (
        <FluidPanel
          property={property}
          label={label}
          value={field.value ?? ''}
          measured={measuredLength(property)}
          write={write}
          close={() => setGrowing(undefined)}
        />
      )}
    </>
  );
}, sameRow);

function sameRow(a: Props, b: Props): boolean {
  return (
    a.property === b.property &&
    a.target === b.target &&
    a.properties === b.properties &&
    a.noEffect === b.noEffect &&
    a.field.story === b.field.story
  );
}
