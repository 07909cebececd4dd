/** The widths that a gauge shows, px. */
export interface Domain {
  readonly from: number;
  readonly to: number;
}

export const FULL: Domain = { from: 240, to: 2560 };
/** The narrowest domain has this ratio of its ends. */
const CLOSEST = 1.08;

export interface Scale {
  /** Place of a width in px along the axis; widths outside the domain land outside the range. */
  readonly x: (width: number) => number;
  /** The width at a place. */
  readonly width: (x: number) => number;
  readonly domain: Domain;
  readonly length: number;
}

/** Logarithmic in width: each doubling takes the same room, so that narrow widths get more of it. */
export function gaugeScale(domain: Domain, length: number): Scale {
  const low = Math.log(domain.from);
  const span = Math.log(domain.to) - low;
  return {
    domain,
    length,
    x: (width) => ((Math.log(Math.max(width, 1)) - low) / span) * length,
    width: (x) => Math.exp(low + (length === 0 ? 0 : x / length) * span),
  };
}

/** The part of an interval that lies on the axis, as place and length; undefined where none does. */
export function place(scale: Scale, from: number, below: number): { left: number; width: number } | undefined {
  const left = Math.max(0, scale.x(Math.max(from, scale.domain.from)));
  const right = Math.min(scale.length, below === Infinity ? scale.length : scale.x(below));
  return right > left && from < scale.domain.to ? { left, width: right - left } : undefined;
}

/** The domain zoomed around a width, kept inside the full one. */
export function zoomed(domain: Domain, around: number, factor: number): Domain {
  const centre = Math.min(domain.to, Math.max(domain.from, around));
  const from = Math.max(FULL.from, centre * (domain.from / centre) ** factor);
  const to = Math.min(FULL.to, centre * (domain.to / centre) ** factor);
  return to / from < CLOSEST ? domain : { from, to };
}

const STEPS = [1, 2, 5, 10, 20, 40, 80, 100, 160, 200, 320, 400, 640, 800] as const;

/** Round widths to name on the scale, at least `room` px apart. */
export function ticks(scale: Scale, room = 52): number[] {
  const result: number[] = [];
  let last = -Infinity;
  for (let width = Math.ceil(scale.domain.from); width <= scale.domain.to;) {
    const here = scale.x(width);
    const step = STEPS.find((one) => scale.x(width + one) - here >= room) ?? 800;
    const round = Math.ceil(width / step) * step;
    if (round > scale.domain.to) break;
    if (scale.x(round) - last >= room * 0.9) {
      result.push(round);
      last = scale.x(round);
      width = round + step;
    } else width = round + 1;
  }
  return result;
}
