'use client';

import type { Shadow } from '@/core/styles';
import { checkNewValue, FIRST_SHADOW, readShadows, writeShadows } from '@/core/styles';
import { BUTTON, SIGN_BUTTON } from '../theme/controls';
import { CheckedField } from './CheckedField';
import { ColourField } from './ColourField';
import type { Shaped } from './shape';
import { shape, valueOf } from './shape';
import { Source } from './Source';

const LENGTHS = [
  ['x', 'Across'],
  ['y', 'Down'],
  ['blur', 'Blur'],
  ['spread', 'Spread'],
] as const;

/** Shadows, the topmost first. */
export function ShadowList({ shaped }: { shaped: Shaped }) {
  const shadows = readShadows(valueOf(shaped, 'box-shadow') || 'none');
  if (!shadows) return null;
  const write = (next: readonly Shadow[]) => shape(shaped, 'Shadow', { 'box-shadow': writeShadows(next) });
  return (
    <section aria-label="Shadows" data-stands-for="box-shadow" className="py-1 pr-1.5 pl-3.5">
      <div className="flex items-center">
        <h4 className="m-0 font-normal">Shadows</h4>
        <Source shaped={shaped} label="Shadow" properties={['box-shadow']} />
      </div>
      {shadows.map((shadow, i) => (
        <div key={i} role="group" aria-label={`Shadow ${i + 1}`} className="mb-1 rounded-[3px] border border-line bg-well p-1">
          <div className="grid grid-cols-4 gap-1">
            {LENGTHS.map(([part, label]) => (
              <label key={part} className="min-w-0 text-xs text-muted">
                {label}
                <CheckedField
                  label={`Shadow ${i + 1} ${label.toLowerCase()}`}
                  value={shadow[part]}
                  write={(value) => {
                    const next = shadows.with(i, { ...shadow, [part]: value });
                    const checked = checkNewValue('box-shadow', writeShadows(next));
                    return checked.ok && !/[\s,]/.test(value) ? write(next) : `"${value}" isn't a length.`;
                  }}
                />
              </label>
            ))}
          </div>
          <span className="flex items-center gap-1 pt-1">
            <ColourField
              label={`Shadow ${i + 1} colour`}
              value={shadow.colour}
              write={(colour) => write(shadows.with(i, { ...shadow, colour }))}
            />
            <label className="flex shrink-0 items-center gap-1 text-xs">
              <input
                type="checkbox"
                className="accent-reed"
                checked={shadow.inset}
                onChange={(event) => write(shadows.with(i, { ...shadow, inset: event.target.checked }))}
              />
              inside
            </label>
            <button
              type="button"
              className={SIGN_BUTTON}
              aria-label={`Remove shadow ${i + 1}`}
              onClick={() => write(shadows.toSpliced(i, 1))}
            >
              ×
            </button>
          </span>
        </div>
      ))}
      <button type="button" className={BUTTON} onClick={() => write([FIRST_SHADOW, ...shadows])}>
        + shadow
      </button>
    </section>
  );
}
