/* How the program looks in this browser; the server reads it, too, so that nothing flashes up otherwise first. */

export const THEMES = ['system', 'light', 'dark'] as const;
export type Theme = (typeof THEMES)[number];
export const DENSITIES = ['close', 'roomy'] as const;
export type Density = (typeof DENSITIES)[number];

export interface Looks {
  readonly theme: Theme;
  readonly density: Density;
}

export const THEME_COOKIE = 'mill-pond-theme';
export const DENSITY_COOKIE = 'mill-pond-density';
const YEAR_S = 365 * 24 * 3600;

/** What was chosen; whatever can't be read counts as nothing. */
export const readLooks = (theme: string | undefined, density: string | undefined): Looks => ({
  theme: THEMES.find((one) => one === theme) ?? 'system',
  density: DENSITIES.find((one) => one === density) ?? 'close',
});

/** What is chosen now, as the page says. */
export function shownLooks(): Looks {
  const { theme, density } = document.documentElement.dataset;
  return readLooks(theme, density);
}

export function chooseLooks(change: Partial<Looks>): void {
  const { theme, density } = { ...shownLooks(), ...change };
  Object.assign(document.documentElement.dataset, { theme, density });
  for (const [name, value] of [
    [THEME_COOKIE, theme],
    [DENSITY_COOKIE, density],
  ])
    document.cookie = `${name}=${value}; path=/; max-age=${YEAR_S}; samesite=lax`;
}
