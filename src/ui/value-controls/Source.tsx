'use client';

import { ClearButton } from '../origin/ClearButton';
import { gathered } from '../origin/composites';
import { OriginMark } from '../origin/OriginMark';
import type { Shaped } from './shape';

/** Where the value of a designed control comes from, and its end: as behind a plain field, which it stands for. */
export function Source({ shaped, label, properties }: { shaped: Shaped; label: string; properties: readonly string[] }) {
  const field = gathered(shaped.fields, properties);
  return (
    <span className="ml-auto flex shrink-0">
      <ClearButton label={label} properties={properties} target={shaped.target} shown={field.ownHere} />
      <OriginMark label={label} properties={properties} field={field} target={shaped.target} />
    </span>
  );
}
