'use client';

import type { ReactNode } from 'react';
import type { Option } from './Choice';
import { Choice } from './Choice';
import type { Shaped } from './shape';
import { valueOf } from './shape';

const screen = (filled: number): ReactNode => (
  <svg viewBox="0 0 16 16" className="size-4" aria-hidden>
    <rect x="2.5" y="0.5" width="11" height="15" className="fill-none stroke-current" />
    <rect x="4" y="2" width="8" height={filled} className="fill-current" />
  </svg>
);

/** The small viewport: what is seen while a phone's bars are there (CSS Values 4, 6.1.2.1). */
const OPTIONS: readonly Option[] = [
  { value: 'auto', label: 'as its content', values: { 'min-height': 'auto' }, sign: screen(4) },
  { value: '50svh', label: 'at least half the screen', values: { 'min-height': '50svh' }, sign: screen(7) },
  { value: '100svh', label: 'at least the screen', values: { 'min-height': '100svh' }, sign: screen(12) },
];

/** A section as tall as the screen, or half of it; more where its content needs more. */
export const ScreenHeight = ({ shaped }: { shaped: Shaped }) => (
  <Choice label="Tall" shaped={shaped} current={valueOf(shaped, 'min-height')} options={OPTIONS} properties={['min-height']} />
);
