import { create } from 'zustand';

export type PanelName = 'outline' | 'inspector' | 'gauge';

interface Panel {
  readonly size: number;
  readonly open: boolean;
}

export const PANEL_LIMITS: Readonly<
  Record<PanelName, { readonly least: number; readonly most: number; readonly size: number }>
> = {
  outline: { least: 160, most: 420, size: 216 },
  inspector: { least: 230, most: 460, size: 300 },
  gauge: { least: 150, most: 560, size: 284 },
};

const KEY = 'mill-pond-panels';

const initial = (): Record<PanelName, Panel> => ({
  outline: { size: PANEL_LIMITS.outline.size, open: true },
  inspector: { size: PANEL_LIMITS.inspector.size, open: true },
  gauge: { size: PANEL_LIMITS.gauge.size, open: true },
});

/** Sizes of the workbench's parts and which are folded away; remembered in this browser. */
export const usePanels = create<Record<PanelName, Panel>>(initial);

function clamp(name: PanelName, size: number): number {
  return Math.round(Math.min(PANEL_LIMITS[name].most, Math.max(PANEL_LIMITS[name].least, size)));
}

export function setPanel(name: PanelName, change: Partial<Panel>): void {
  usePanels.setState((panels) => ({
    [name]: { ...panels[name], ...change, ...(change.size !== undefined && { size: clamp(name, change.size) }) },
  }));
  localStorage.setItem(KEY, JSON.stringify(usePanels.getState()));
}

/** Reads what was remembered; anything unreadable counts as nothing. */
export function recallPanels(): void {
  try {
    const kept = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<Record<PanelName, Partial<Panel>>>;
    for (const name of Object.keys(PANEL_LIMITS) as PanelName[]) {
      const size = kept[name]?.size;
      const open = kept[name]?.open;
      usePanels.setState((panels) => ({
        [name]: {
          size: typeof size === 'number' ? clamp(name, size) : panels[name].size,
          open: typeof open === 'boolean' ? open : panels[name].open,
        },
      }));
    }
  } catch {
    localStorage.removeItem(KEY);
  }
}
