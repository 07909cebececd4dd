'use client';

import { useRef, useState } from 'react';
import type { BackgroundLayer } from '@/core/styles';
import { readGradient, readLayers, writeGradient, writeLayers } from '@/core/styles';
import { followPointer } from '../input/follow-pointer';
import { useSession } from '../state/store';
import { BUTTON, SIGN_BUTTON } from '../theme/controls';
import { ColourField } from './ColourField';
import { LayerFields } from './LayerFields';
import type { Shaped } from './shape';
import { shape, valueOf } from './shape';
import { Source } from './Source';

const PROPERTIES = ['background-image', 'background-size', 'background-position', 'background-repeat'];
const NEW_LAYER = { size: 'auto', position: '50% 50%', repeat: 'no-repeat' } as const;

const called = ({ image }: BackgroundLayer, pictures: readonly { id: string; fileName: string }[]) => {
  const gradient = readGradient(image);
  if (gradient) return gradient.kind === 'linear' ? 'Linear gradient' : 'Radial gradient';
  return pictures.find(({ id }) => image.includes(`picture:${id})`))?.fileName ?? 'Layer';
};

/** The background's layers, the topmost first, in an order that can be dragged; below all of them lies the colour. */
export function BackgroundLayers({ shaped }: { shaped: Shaped }) {
  const pictures = useSession((session) => session.project.pictures);
  const [open, setOpen] = useState<number>();
  const [onto, setOnto] = useState<number>();
  const list = useRef<HTMLOListElement>(null);
  const values = Object.fromEntries(PROPERTIES.map((name) => [name, valueOf(shaped, name)]));
  if (PROPERTIES.some((name) => values[name] === '' || /var\(/.test(values[name]!)))
    return <p className="m-0 px-3.5 py-1 text-xs text-muted">The layers differ or hold variables; edit them as values.</p>;
  const layers = readLayers(values);
  const write = (next: readonly BackgroundLayer[], what = 'Background layers') => shape(shaped, what, writeLayers(next));
  const moved = (from: number, to: number) => {
    const rest = layers.toSpliced(from, 1);
    return rest.toSpliced(to, 0, layers[from]!);
  };

  const drag = (event: React.PointerEvent<HTMLElement>, from: number) => {
    let to = from;
    followPointer(
      event,
      ({ y }) => {
        const rows = [...(list.current?.querySelectorAll('[data-layer]') ?? [])].map((row) => row.getBoundingClientRect());
        const past = rows.filter(({ top, height }) => y > top + height / 2).length;
        to = past > from ? past - 1 : past;
        setOnto(to);
      },
      (wasDrag) => {
        setOnto(undefined);
        if (!wasDrag || to === from) return;
        setOpen(undefined);
        write(moved(from, to), 'Order of background layers');
      },
      () => setOnto(undefined),
    );
  };
  const picture = pictures[0];
  return (
    <section
      aria-label="Background layers"
      data-stands-for={[...PROPERTIES, 'background-color'].join(' ')}
      className="py-1 pr-1.5 pl-3.5"
    >
      <div className="flex items-center">
        <h4 className="m-0 font-normal">Layers, topmost first</h4>
        <Source shaped={shaped} label="Background layers" properties={PROPERTIES} />
      </div>
      <ol ref={list} className="m-0 list-none p-0">
        {layers.map((layer, i) => (
          <li
            key={i}
            data-layer={i}
            className={`my-0.5 rounded-[3px] border bg-well ${onto === i ? 'border-amber-ink' : 'border-line'}`}
          >
            <div className="flex items-center gap-1 pr-0.5">
              <button
                type="button"
                aria-label={`Layer ${i + 1} of ${layers.length}: drag, or Alt and arrows, to put it elsewhere`}
                className="h-6 w-4 shrink-0 cursor-grab touch-none border-0 bg-transparent p-0 text-muted"
                onPointerDown={(event) => drag(event, i)}
                onKeyDown={(event) => {
                  const to = i + (event.key === 'ArrowUp' ? -1 : event.key === 'ArrowDown' ? 1 : 0);
                  if (!event.altKey || to === i || to < 0 || to >= layers.length) return;
                  event.preventDefault();
                  event.stopPropagation();
                  write(moved(i, to), 'Order of background layers');
                  list.current?.querySelectorAll('button')[0]?.focus();
                }}
              >
                ⠿
              </button>
              <span
                aria-hidden
                className="h-4 w-7 shrink-0 rounded-[2px] border border-line"
                style={readGradient(layer.image) ? { backgroundImage: layer.image } : { background: 'var(--paper)' }}
              />
              <button
                type="button"
                aria-expanded={open === i}
                className="min-w-0 flex-1 truncate border-0 bg-transparent p-0 text-left"
                onClick={() => setOpen(open === i ? undefined : i)}
              >
                {called(layer, pictures)}
              </button>
              <button
                type="button"
                className={SIGN_BUTTON}
                aria-label={`Remove layer ${i + 1}`}
                onClick={() => {
                  write(layers.toSpliced(i, 1));
                  setOpen(undefined);
                }}
              >
                ×
              </button>
            </div>
            {open === i && <LayerFields layer={layer} pictures={pictures} write={(next) => write(layers.with(i, next))} />}
          </li>
        ))}
      </ol>
      <div className="flex items-center gap-1 py-0.5">
        <span className="w-14 shrink-0 text-muted">Colour</span>
        <ColourField
          label="Background colour"
          value={valueOf(shaped, 'background-color')}
          write={(value) => shape(shaped, 'Background colour', { 'background-color': value }, 'pick')}
        />
        <Source shaped={shaped} label="Background" properties={['background-color']} />
      </div>
      <span className="flex flex-wrap gap-1 pt-0.5">
        {(['linear', 'radial'] as const).map((kind) => (
          <button
            key={kind}
            type="button"
            className={BUTTON}
            onClick={() => {
              const stops = [
                { colour: 'rgba(28, 107, 94, 0.5)', at: 0 },
                { colour: 'rgba(28, 107, 94, 0)', at: 100 },
              ];
              write([{ ...NEW_LAYER, image: writeGradient({ kind, angle: 180, stops }) }, ...layers]);
              setOpen(0);
            }}
          >
            + {kind}
          </button>
        ))}
        {picture && (
          <button
            type="button"
            className={BUTTON}
            onClick={() => {
              write([{ ...NEW_LAYER, size: 'cover', image: `url(picture:${picture.id})` }, ...layers]);
              setOpen(0);
            }}
          >
            + picture
          </button>
        )}
      </span>
    </section>
  );
}
