'use client';

import { formatHex, parse } from 'culori';
import { checkNewValue } from '@/core/styles';
import { CheckedField } from './CheckedField';

interface Props {
  readonly label: string;
  readonly value: string;
  readonly write: (value: string) => string | undefined;
}

/** A colour picked or typed. */
export function ColourField({ label, value, write }: Props) {
  return (
    <span className="flex min-w-0 items-center gap-1">
      <input
        type="color"
        aria-label={`${label}: pick`}
        className="size-[18px] shrink-0 cursor-pointer appearance-none border border-edge bg-transparent p-0 [&::-webkit-color-swatch]:border-0 [&::-webkit-color-swatch-wrapper]:p-0"
        value={parse(value)?.alpha === 0 ? '#ffffff' : (formatHex(parse(value)) ?? '#000000')}
        onChange={(event) => write(event.target.value)}
      />
      <CheckedField
        label={label}
        value={value}
        write={(typed) => {
          const checked = checkNewValue('color', typed);
          return checked.ok ? write(typed) : checked.message;
        }}
      />
    </span>
  );
}
