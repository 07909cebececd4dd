'use client';

import { useState } from 'react';
import { MOTIONS, POINTERS, SCHEMES } from '@/core/breakpoints';
import type { Device } from '@/core/devices';
import { DEVICE_GROUPS, deviceSchema, GROUP_NAMES, SCROLLBARS } from '@/core/devices';
import { commit } from '../editing/edits';
import { BUTTON } from '../theme/controls';

const FIELD = 'h-[24px] rounded-[3px] border border-edge bg-well px-1.5 text-ink';
const ROW = 'flex items-center justify-between gap-3 py-[3px]';

interface Fields {
  readonly name: string;
  readonly width: string;
  readonly height: string;
  readonly density: string;
  readonly bars: string;
  /** In percent. */
  readonly text: string;
}

const fieldsOf = ({ name, width, height, density, bars, text }: Device): Fields => ({
  name,
  width: String(width),
  height: String(height),
  density: String(density),
  bars: String(bars),
  text: String(Math.round((text ?? 1) * 100)),
});

const number = (text: string) => (text.trim() === '' ? NaN : Number(text));

/** One device to look at and change. What can't be is said, and nothing is kept then. */
export function DeviceForm({ device, onDone }: { readonly device: Device; readonly onDone: () => void }) {
  const [fields, setFields] = useState(() => fieldsOf(device));
  const [rest, setRest] = useState<Device>(device);
  const [problem, setProblem] = useState<string>();
  const put = (change: Partial<Fields>) => setFields({ ...fields, ...change });
  const save = (event: React.FormEvent) => {
    event.preventDefault();
    const text = number(fields.text) / 100;
    const { text: _, scheme, motion, ...plain } = rest;
    const result = deviceSchema.safeParse({
      ...plain,
      name: fields.name,
      width: number(fields.width),
      height: number(fields.height),
      density: number(fields.density),
      bars: number(fields.bars),
      ...(scheme === 'dark' && { scheme }),
      ...(motion === 'reduced' && { motion }),
      ...(text !== 1 && { text }),
    });
    const wrong = result.success ? commit({ type: 'saveDevice', device: result.data }) : result.error.issues[0]!.message;
    setProblem(wrong);
    if (!wrong) onDone();
  };
  const sizes = [
    ['width', 'Width', 'px'],
    ['height', 'Height', 'px'],
    ['density', 'Density', 'device px each'],
    ['bars', 'Browser’s bars', 'px of the height'],
    ['text', 'Reader’s text size', '%'],
  ] as const;
  const choices = [
    ['pointer', 'Pointer', POINTERS],
    ['scrollbar', 'Scrollbar', SCROLLBARS],
    ['scheme', 'Colour scheme', SCHEMES],
    ['motion', 'Motion', MOTIONS],
  ] as const;
  return (
    <form onSubmit={save} aria-label="Device" noValidate>
      <label className={ROW}>
        Name
        <input className={`${FIELD} w-[190px]`} value={fields.name} onChange={(event) => put({ name: event.target.value })} />
      </label>
      <label className={ROW}>
        Group
        <select
          className={`${FIELD} w-[190px]`}
          value={rest.group}
          onChange={(event) => setRest({ ...rest, group: event.target.value as Device['group'] })}
        >
          {DEVICE_GROUPS.map((group) => (
            <option key={group} value={group}>
              {GROUP_NAMES[group]}
            </option>
          ))}
        </select>
      </label>
      {sizes.map(([id, label, unit]) => (
        <label key={id} className={ROW}>
          {label}
          <span className="flex items-center gap-1.5 text-muted">
            {unit}
            <input
              className={`${FIELD} w-[84px] text-right font-mono`}
              inputMode="decimal"
              value={fields[id]}
              onChange={(event) => put({ [id]: event.target.value })}
            />
          </span>
        </label>
      ))}
      {choices.map(([id, label, options]) => (
        <label key={id} className={ROW}>
          {label}
          <select
            className={`${FIELD} w-[120px]`}
            value={rest[id] ?? options[0]}
            onChange={(event) => setRest({ ...rest, [id]: event.target.value })}
          >
            {options.map((option) => (
              <option key={option}>{option}</option>
            ))}
          </select>
        </label>
      ))}
      <label className="flex items-center gap-2 py-1">
        <input
          type="checkbox"
          className="accent-reed"
          checked={rest.turns}
          onChange={(event) => setRest({ ...rest, turns: event.target.checked })}
        />
        People turn it on its side
      </label>
      {problem && (
        <p role="alert" className="m-0 py-1 text-rust">
          {problem}
        </p>
      )}
      <div className="flex gap-2 pt-2">
        <button type="submit" className="rounded-[4px] border-0 bg-reed px-3 py-1 font-semibold text-on-reed">
          Keep device
        </button>
        <button type="button" className={BUTTON} onClick={onDone}>
          Leave it
        </button>
      </div>
    </form>
  );
}
