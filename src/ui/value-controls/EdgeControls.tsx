'use client';

import { longhandsOf } from '@/core/styles';
import { CheckedField } from './CheckedField';
import { ColourField } from './ColourField';
import type { Shaped } from './shape';
import { shape, valueOf } from './shape';
import { Source } from './Source';

const STYLES = ['none', 'solid', 'dashed', 'dotted', 'double'] as const;
const ROW = 'flex items-center gap-1 py-px pr-1.5 pl-3.5';
const SELECT = 'h-[22px] rounded-[3px] border border-line-strong bg-well';

/** The value that all parts of a shorthand share; empty where they differ. */
function shared(shaped: Shaped, shorthand: string): string {
  const values = new Set(longhandsOf(shorthand).map((name) => valueOf(shaped, name)));
  return values.size === 1 ? [...values][0]! : '';
}

/** One line around the whole box, and its corners. Sides that differ are edited below. */
export function EdgeControls({ shaped }: { shaped: Shaped }) {
  const style = shared(shaped, 'border-style');
  const write = (property: string) => (value: string) => shape(shaped, 'Border', { [property]: value });
  return (
    <div role="group" aria-label="Line around" data-stands-for="border-width border-style border-color border-radius">
      <div className={ROW}>
        <span className="w-[87px] shrink-0">Line around</span>
        <CheckedField
          label="Line width"
          className="w-14 shrink-0"
          value={shared(shaped, 'border-width')}
          write={write('border-width')}
        />
        <select
          aria-label="Line style"
          className={SELECT}
          value={style}
          onChange={(event) => {
            const width = shared(shaped, 'border-width');
            // A style alone would draw a line of the browser's middle width, which nobody asked for.
            const first = style === 'none' && (width === 'medium' || width === '0px') && { 'border-width': '1px' };
            shape(shaped, 'Border', { ...first, 'border-style': event.target.value });
          }}
        >
          {style === '' && <option value="">several</option>}
          {STYLES.map((one) => (
            <option key={one}>{one}</option>
          ))}
        </select>
        <Source
          shaped={shaped}
          label="Line around"
          properties={[...longhandsOf('border-width'), ...longhandsOf('border-style')]}
        />
      </div>
      <div className={ROW}>
        <span className="w-[87px] shrink-0">Its colour</span>
        <ColourField label="Line colour" value={shared(shaped, 'border-color')} write={write('border-color')} />
        <Source shaped={shaped} label="Colour of the line" properties={longhandsOf('border-color')} />
      </div>
      <div className={ROW}>
        <span className="w-[87px] shrink-0">Corners</span>
        <CheckedField
          label="Radius of all corners"
          className="w-20 shrink-0"
          value={shared(shaped, 'border-radius')}
          list={['0px', '4px', '8px', '16px', '50%']}
          write={write('border-radius')}
        />
        <Source shaped={shaped} label="Corners" properties={longhandsOf('border-radius')} />
      </div>
    </div>
  );
}

/** How much shows through, by a slider. */
export function OpacityControl({ shaped }: { shaped: Shaped }) {
  const value = valueOf(shaped, 'opacity');
  const percent = Math.round((value.endsWith('%') ? parseFloat(value) / 100 : parseFloat(value)) * 100);
  return (
    <div className={ROW} data-stands-for="opacity">
      <span className="w-[87px] shrink-0">Opacity</span>
      <input
        type="range"
        aria-label="Opacity, percent"
        min={0}
        max={100}
        className="min-w-0 flex-1 accent-reed"
        value={Number.isNaN(percent) ? 100 : percent}
        onChange={(event) => shape(shaped, 'Opacity', { opacity: String(Number(event.target.value) / 100) }, 'opacity')}
      />
      <span className="w-10 text-right font-mono">{Number.isNaN(percent) ? '–' : `${percent}%`}</span>
      <Source shaped={shaped} label="Opacity" properties={['opacity']} />
    </div>
  );
}
