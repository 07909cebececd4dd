export type PanelName = 'outline' | 'inspector' | 'gauge';

export interface Panel {
  readonly size: number;
  readonly open: boolean;
}

export const PANEL_LIMITS: Readonly<Record<PanelName, { readonly least: number; readonly most: number; readonly size: number }>> =
  {
    outline: { least: 160, most: 420, size: 216 },
    inspector: { least: 230, most: 460, size: 300 },
    gauge: { least: 150, most: 560, size: 284 },
  };

/** Sizes of the workbench's parts and which are folded away; remembered in this browser. */
export const ALL_PANELS: Readonly<Record<PanelName, Panel>> = {
  outline: { size: PANEL_LIMITS.outline.size, open: true },
  inspector: { size: PANEL_LIMITS.inspector.size, open: true },
  gauge: { size: PANEL_LIMITS.gauge.size, open: true },
};
