'use client';

import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import { useState } from 'react';
import type { Density, Looks, Theme } from './preferences';
import { useAlive } from './use-alive';
import { chooseLooks, DENSITIES, shownLooks, THEMES } from './preferences';

const THEME_WORDS: Readonly<Record<Theme, string>> = { system: 'As the system', light: 'Light', dark: 'Dark' };
const DENSITY_WORDS: Readonly<Record<Density, string>> = {
  close: 'Close: much on one screen',
  roomy: 'Roomy: larger words and buttons',
};

/** Theme and density, kept in this browser. */
export function LooksMenu({ className }: { className: string }) {
  const isAlive = useAlive();
  return (
    <Popover>
      <PopoverButton disabled={!isAlive} className={className}>
        Looks
      </PopoverButton>
      <PopoverPanel
        anchor="bottom end"
        className="z-40 w-64 rounded-[4px] border border-line-strong bg-sheet p-3 text-sm focus:outline-none"
      >
        <LooksFields />
      </PopoverPanel>
    </Popover>
  );
}

function LooksFields() {
  const [looks, setLooks] = useState(shownLooks);
  const choose = (change: Partial<Looks>) => {
    chooseLooks(change);
    setLooks(shownLooks());
  };
  return (
    <>
      <Radios legend="Theme" all={THEMES} words={THEME_WORDS} chosen={looks.theme} choose={(theme) => choose({ theme })} />
      <Radios
        legend="Density"
        all={DENSITIES}
        words={DENSITY_WORDS}
        chosen={looks.density}
        choose={(density) => choose({ density })}
      />
    </>
  );
}

interface RadiosProps<T extends string> {
  readonly legend: string;
  readonly all: readonly T[];
  readonly words: Readonly<Record<T, string>>;
  readonly chosen: T;
  readonly choose: (one: T) => void;
}

function Radios<T extends string>({ legend, all, words, chosen, choose }: RadiosProps<T>) {
  return (
    <fieldset className="m-0 border-0 p-0 pb-2">
      <legend className="p-0 font-semibold">{legend}</legend>
      {all.map((one) => (
        <label key={one} className="flex min-h-6 items-center gap-2">
          <input type="radio" name={legend} className="accent-reed" checked={one === chosen} onChange={() => choose(one)} />
          {words[one]}
        </label>
      ))}
    </fieldset>
  );
}
