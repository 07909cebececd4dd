'use client';

import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import { useState } from 'react';
import type { Density, Looks, Theme } from './preferences';
import { chooseLooks, DENSITIES, shownLooks, THEMES } from './preferences';

const THEME_WORDS: Readonly<Record<Theme, string>> = { system: 'As the system', light: 'Light', dark: 'Dark' };
const DENSITY_WORDS: Readonly<Record<Density, string>> = {
  close: 'Close: much on one screen',
  roomy: 'Roomy: larger words and buttons',
};

/** Theme and density, kept in this browser. */
export function LooksMenu({ className }: { className: string }) {
  return (
    <Popover>
      <PopoverButton className={className}>Looks</PopoverButton>
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
      <fieldset className="m-0 border-0 p-0">
        <legend className="p-0 font-semibold">Theme</legend>
        {THEMES.map((theme) => (
          <label key={theme} className="flex min-h-6 items-center gap-2">
            <input
              type="radio"
              name="theme"
              className="accent-reed"
              checked={looks.theme === theme}
              onChange={() => choose({ theme })}
            />
            {THEME_WORDS[theme]}
          </label>
        ))}
      </fieldset>
      <fieldset className="m-0 border-0 p-0 pt-2">
        <legend className="p-0 font-semibold">Density</legend>
        {DENSITIES.map((density) => (
          <label key={density} className="flex min-h-6 items-center gap-2">
            <input
              type="radio"
              name="density"
              className="accent-reed"
              checked={looks.density === density}
              onChange={() => choose({ density })}
            />
            {DENSITY_WORDS[density]}
          </label>
        ))}
      </fieldset>
    </>
  );
}
