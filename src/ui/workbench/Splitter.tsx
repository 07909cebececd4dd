'use client';

import { usePanels } from '../state/store';
import { PANEL_LIMITS } from '../state/panels-slice';
import type { PanelName } from '../state/panels-slice';
import { followPointer } from '../input/follow-pointer';

import { setPanel } from './panels';

interface Props {
  readonly panel: PanelName;
  readonly label: string;
  /** Which way the panel grows when the pointer moves right or down. */
  readonly grows: 1 | -1;
  readonly across: boolean;
}

/** The edge of a panel: drag it, step it with the arrows, Enter folds the panel away. */
export function Splitter({ panel, label, grows, across }: Props) {
  const { size, open } = usePanels((panels) => panels[panel]);
  if (!open) return null;
  const { least, most } = PANEL_LIMITS[panel];
  return (
    <div
      role="separator"
      tabIndex={0}
      aria-label={label}
      aria-orientation={across ? 'vertical' : 'horizontal'}
      aria-valuemin={least}
      aria-valuemax={most}
      aria-valuenow={size}
      className={`relative z-10 shrink-0 touch-none hover:bg-reed focus-visible:bg-reed ${across ? '-mx-[2px] w-[4px] cursor-col-resize' : '-my-[2px] h-[4px] cursor-row-resize'}`}
      onPointerDown={(event) =>
        followPointer(event, ({ dx, dy }) => setPanel(panel, { size: size + grows * (across ? dx : dy) }))
      }
      onKeyDown={(event) => {
        const by = {
          ArrowRight: across ? 8 : 0,
          ArrowLeft: across ? -8 : 0,
          ArrowDown: across ? 0 : 8,
          ArrowUp: across ? 0 : -8,
        }[event.key];
        if (event.key === 'Enter') setPanel(panel, { open: false });
        else if (by) setPanel(panel, { size: size + grows * by });
        else return;
        event.preventDefault();
        event.stopPropagation();
      }}
    />
  );
}
