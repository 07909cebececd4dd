'use client';

import { useState } from 'react';
import type { Picture } from '@/core/document';
import { pictureData } from '@/core/render';
import type { BackgroundLayer, Gradient } from '@/core/styles';
import { checkNewValue, readGradient, writeGradient } from '@/core/styles';
import { useSession } from '../state/store';
import { BUTTON, SIGN_BUTTON } from '../theme/controls';
import { CheckedField } from './CheckedField';
import { ColourField } from './ColourField';
import { FocusPad } from './FocusPad';

interface Props {
  readonly layer: BackgroundLayer;
  readonly pictures: readonly Picture[];
  readonly write: (layer: BackgroundLayer) => string | undefined;
}

const PARTS = [
  ['size', 'Size', ['auto', 'cover', 'contain', '100% 100%', '50%']],
  ['position', 'Place', ['50% 50%', '0% 0%', '100% 100%', 'center top']],
  ['repeat', 'Repeat', ['no-repeat', 'repeat', 'repeat-x', 'repeat-y', 'space', 'round']],
] as const;

/** What one background layer is made of. */
export function LayerFields({ layer, pictures, write }: Props) {
  const gradient = readGradient(layer.image);
  const shown = /^url\(picture:(p[a-z0-9]+)\)$/.exec(layer.image)?.[1];
  const checked = (property: string, value: string, next: BackgroundLayer) => {
    const result = checkNewValue(property, value);
    return result.ok && !value.includes(',')
      ? write(next)
      : result.ok
        ? 'One layer has one value; leave the comma out.'
        : result.message;
  };
  return (
    <div className="flex flex-col gap-0.5 border-t border-line p-1">
      {gradient && <GradientFields gradient={gradient} write={(next) => write({ ...layer, image: writeGradient(next) })} />}
      {!gradient && (
        <label className="flex items-center gap-1">
          <span className="w-12 shrink-0 text-muted">{shown ? 'Picture' : 'Image'}</span>
          {shown ? (
            <select
              className="h-[22px] min-w-0 flex-1 rounded-[3px] border border-line-strong bg-well"
              value={shown}
              onChange={(event) => write({ ...layer, image: `url(picture:${event.target.value})` })}
            >
              {pictures.map(({ id, fileName }) => (
                <option key={id} value={id}>
                  {fileName}
                </option>
              ))}
            </select>
          ) : (
            <CheckedField label="Image" value={layer.image} write={(image) => checkedImage(image, layer, write)} />
          )}
        </label>
      )}
      {shown && <LayerFocus layer={layer} picture={pictures.find(({ id }) => id === shown)} write={write} />}
      {PARTS.map(([part, label, list]) => (
        <label key={part} className="flex items-start gap-1">
          <span className="w-12 shrink-0 pt-0.5 text-muted">{label}</span>
          <CheckedField
            label={`Layer ${label.toLowerCase()}`}
            value={layer[part]}
            list={list}
            write={(value) => checked(`background-${part}`, value, { ...layer, [part]: value })}
          />
        </label>
      ))}
    </div>
  );
}

/** The place of a picture behind an element, by what of it must stay in sight where it is cut. */
function LayerFocus({ layer, picture, write }: Pick<Props, 'layer' | 'write'> & { readonly picture: Picture | undefined }) {
  const project = useSession((session) => session.project);
  const [held, setHeld] = useState<[number, number]>();
  if (!picture?.photo) return null;
  const { width, height } = picture.photo;
  const said = /^([\d.]+)% ([\d.]+)%$/.exec(layer.position);
  const focus = held ?? (said ? ([Number(said[1]), Number(said[2])] as const) : ([50, 50] as const));
  return (
    <FocusPad
      label="What must stay in sight"
      image={pictureData(project).picture(picture.id)}
      of={[width, height]}
      rectangle={{ x: 0, y: 0, width, height }}
      focus={focus}
      most={[210, 150]}
      change={setHeld}
      put={([x, y]) => {
        write({ ...layer, position: `${x}% ${y}%` });
        setHeld(undefined);
      }}
    />
  );
}

function checkedImage(image: string, layer: BackgroundLayer, write: Props['write']): string | undefined {
  const result = checkNewValue('background-image', image);
  return result.ok ? write({ ...layer, image }) : result.message;
}

function GradientFields({ gradient, write }: { gradient: Gradient; write: (gradient: Gradient) => string | undefined }) {
  const { kind, angle, stops } = gradient;
  const change = (i: number, part: Partial<Gradient['stops'][number]>) =>
    write({ ...gradient, stops: stops.with(i, { ...stops[i]!, ...part }) });
  return (
    <>
      {kind === 'linear' && (
        <label className="flex items-center gap-1">
          <span className="w-12 shrink-0 text-muted">Angle</span>
          <input
            type="range"
            aria-label="Angle, degrees"
            min={0}
            max={360}
            step={5}
            value={((angle % 360) + 360) % 360}
            className="min-w-0 flex-1 accent-reed"
            onChange={(event) => write({ ...gradient, angle: Number(event.target.value) })}
          />
          <span className="w-9 text-right font-mono">{angle}°</span>
        </label>
      )}
      {stops.map((stop, i) => (
        <span key={i} className="flex items-start gap-1">
          <ColourField label={`Stop ${i + 1}`} value={stop.colour} write={(colour) => change(i, { colour })} />
          <CheckedField
            label={`Stop ${i + 1} at, percent`}
            className="w-14 shrink-0"
            value={`${stop.at}%`}
            write={(text) => {
              const at = Number(text.replace('%', ''));
              return text.trim() === '' || !Number.isFinite(at) ? 'A place is a percentage.' : change(i, { at });
            }}
          />
          <button
            type="button"
            className={SIGN_BUTTON}
            disabled={stops.length <= 2}
            aria-label={`Remove stop ${i + 1}`}
            onClick={() => write({ ...gradient, stops: stops.toSpliced(i, 1) })}
          >
            ×
          </button>
        </span>
      ))}
      <button
        type="button"
        className={`${BUTTON} self-start`}
        onClick={() => {
          const [a, b] = stops.slice(-2) as [Gradient['stops'][number], Gradient['stops'][number]];
          write({ ...gradient, stops: [...stops.slice(0, -1), { colour: a.colour, at: (a.at + b.at) / 2 }, b] });
        }}
      >
        Add stop
      </button>
    </>
  );
}
