'use client';

import { useLineup } from '../state/store';
import type { ReaderChoice } from '../state/lineup-slice';
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import { MOTIONS, SCHEMES } from '@/core/breakpoints';
import { BUTTON, PANEL, SELECT } from '../theme/controls';

const TEXTS = [1, 1.15, 1.3, 1.5, 1.75, 2] as const;

/** The reader that all devices are taken to have. */
export function ReaderMenu() {
  const reader = useLineup((lineup) => lineup.reader);
  const put = (change: ReaderChoice) => useLineup.setState({ reader: { ...reader, ...change } });
  const changed = Object.values(reader).some((value) => value !== undefined);
  const row = 'flex items-center justify-between gap-2 py-0.5';
  return (
    <Popover>
      <PopoverButton className={`${BUTTON} ${changed ? 'border-reed bg-reed-tint' : ''}`}>Reader</PopoverButton>
      <PopoverPanel anchor="bottom start" className={PANEL}>
        <p className="m-0 pb-1.5 text-muted">What all devices are taken to have, in place of what each says.</p>
        <label className={row}>
          Colour scheme
          <select
            className={SELECT}
            value={reader.scheme ?? ''}
            onChange={(event) => put({ scheme: SCHEMES.find((one) => one === event.target.value) })}
          >
            <option value="">as the device</option>
            {SCHEMES.map((scheme) => (
              <option key={scheme}>{scheme}</option>
            ))}
          </select>
        </label>
        <label className={row}>
          Motion
          <select
            className={SELECT}
            value={reader.motion ?? ''}
            onChange={(event) => put({ motion: MOTIONS.find((one) => one === event.target.value) })}
          >
            <option value="">as the device</option>
            {MOTIONS.map((motion) => (
              <option key={motion}>{motion}</option>
            ))}
          </select>
        </label>
        <label className={row}>
          Text size
          <select
            className={SELECT}
            value={reader.text ?? ''}
            onChange={(event) => put({ text: event.target.value === '' ? undefined : Number(event.target.value) })}
          >
            <option value="">as the device</option>
            {TEXTS.map((text) => (
              <option key={text} value={text}>
                {Math.round(text * 100)}%
              </option>
            ))}
          </select>
        </label>
      </PopoverPanel>
    </Popover>
  );
}
