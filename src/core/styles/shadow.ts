import { splitOutside } from './lists';

/** One shadow (CSS Backgrounds 3, 7.1); lengths as written. */
export interface Shadow {
  readonly inset: boolean;
  readonly x: string;
  readonly y: string;
  readonly blur: string;
  readonly spread: string;
  readonly colour: string;
}

export const FIRST_SHADOW: Shadow = {
  inset: false,
  x: '0px',
  y: '2px',
  blur: '8px',
  spread: '0px',
  colour: 'rgba(0, 0, 0, 0.2)',
};

/** The shadows of a `box-shadow`, topmost first; undefined where one can't be taken apart. */
export function readShadows(value: string): Shadow[] | undefined {
  if (/^none$/i.test(value.trim())) return [];
  const shadows = splitOutside(value, ',').map((text): Shadow | undefined => {
    const parts = splitOutside(text, ' ');
    const inset = parts.some((part) => /^inset$/i.test(part));
    const lengths = parts.filter((part) => /^[+-]?[\d.]/.test(part) || /^(calc|min|max|clamp)\(/i.test(part));
    const colours = parts.filter((part) => !/^inset$/i.test(part) && !lengths.includes(part));
    if (lengths.length < 2 || lengths.length > 4 || colours.length > 1) return undefined;
    const [x, y, blur = '0px', spread = '0px'] = lengths as [string, string, string?, string?];
    return { inset, x, y, blur, spread, colour: colours[0] ?? 'currentcolor' };
  });
  return shadows.some((shadow) => shadow === undefined) ? undefined : (shadows as Shadow[]);
}

export function writeShadows(shadows: readonly Shadow[]): string {
  if (shadows.length === 0) return 'none';
  return shadows
    .map(({ inset, x, y, blur, spread, colour }) => `${inset ? 'inset ' : ''}${x} ${y} ${blur} ${spread} ${colour}`)
    .join(', ');
}
