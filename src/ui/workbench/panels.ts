import type { Panel, PanelName } from '../state/panels-slice';
import { PANEL_LIMITS } from '../state/panels-slice';
import { usePanels } from '../state/store';
import { recallGauge } from '../view/gauge-view';

const KEY = 'mill-pond-panels';
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
  recallGauge();
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
