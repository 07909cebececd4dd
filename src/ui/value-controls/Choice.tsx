'use client';

import type { ReactNode } from 'react';
import type { Shaped } from './shape';
import { Source } from './Source';
import { markShape, shape } from './shape';

export interface Option {
  readonly value: string;
  readonly label: string;
  readonly sign: ReactNode;
  readonly values: Readonly<Record<string, string>>;
}

interface Props {
  readonly label: string;
  readonly shaped: Shaped;
  readonly current: string;
  readonly options: readonly Option[];
  /** The properties that it stands for, in place of plain fields. */
  readonly properties: readonly string[];
}

/** More of them stand below their label, so that they stay in one row. */
const BESIDE_MOST = 5;

/** Values of a property as small diagrams, side by side. What is chosen now is pressed in. */
export function Choice({ label, shaped, current, options, properties }: Props) {
  const many = options.length > BESIDE_MOST;
  return (
    <div
      role="group"
      aria-label={label}
      data-stands-for={properties.join(' ')}
      className={`flex items-center gap-0.5 py-px pr-1.5 pl-3.5 ${many ? 'flex-wrap' : ''}`}
    >
      <span className={`shrink-0 truncate ${many ? 'basis-full pt-1' : 'w-[88px]'}`}>{label}</span>
      <span className="flex flex-wrap gap-0.5">
        {options.map(({ value, label: name, sign, values }) => (
          <button
            key={value}
            type="button"
            aria-pressed={value === current}
            aria-label={`${label}: ${name}`}
            title={name}
            className={`flex h-6 min-w-6 items-center justify-center rounded-[3px] border px-0.5 ${value === current ? 'border-reed bg-reed-tint' : 'border-line bg-well hover:border-edge'}`}
            onClick={() => shape(shaped, `${label}: ${name}`, values)}
            onFocus={() => markShape(shaped, values)}
            onPointerEnter={() => markShape(shaped, values)}
            onBlur={() => markShape(shaped, undefined)}
            onPointerLeave={() => markShape(shaped, undefined)}
          >
            {sign}
          </button>
        ))}
      </span>
      <Source shaped={shaped} label={label} properties={properties} />
    </div>
  );
}
