'use client';

import { useLineup } from '../state/store';
import { BeforeView } from './BeforeView';

import { CrossingView } from './CrossingView';
import { DevicesDialog } from './DevicesDialog';
import { DevicesView } from './DevicesView';
import { LineUpBar } from './LineUpBar';

import { PagesView } from './PagesView';
import { PictureSheetDialog } from './PictureSheetDialog';

/** The page on every target device, side by side; all pages; what a crossing changes; what has changed since. */
export function LineUp() {
  const tab = useLineup((lineup) => lineup.tab);
  return (
    <section aria-label="Line-up" className="relative z-[1] flex min-w-0 flex-1 flex-col bg-bed">
      <LineUpBar />
      {tab === 'devices' && <DevicesView />}
      {tab === 'pages' && <PagesView />}
      {tab === 'crossing' && <CrossingView />}
      {tab === 'before' && <BeforeView />}
      <DevicesDialog />
      <PictureSheetDialog />
    </section>
  );
}
