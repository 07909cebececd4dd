import { splitOutside } from './lists';

/** One layer of a background, the topmost first; below all of them lies the colour. */
export interface BackgroundLayer {
  /** A gradient or `url(picture:…)`. */
  readonly image: string;
  readonly size: string;
  readonly position: string;
  readonly repeat: string;
}

const PROPERTY = {
  image: 'background-image',
  size: 'background-size',
  position: 'background-position',
  repeat: 'background-repeat',
} as const;

/** Layers of the four properties. Shorter lists are repeated, as browsers do (CSS Backgrounds 3, 2.10). */
export function readLayers(values: Readonly<Record<string, string>>): BackgroundLayer[] {
  const images = splitOutside(values[PROPERTY.image] ?? 'none', ',');
  if (images.length === 1 && images[0]!.toLowerCase() === 'none') return [];
  const list = (part: keyof typeof PROPERTY, initial: string) => splitOutside(values[PROPERTY[part]] ?? initial, ',');
  const [sizes, positions, repeats] = [list('size', 'auto'), list('position', '0% 0%'), list('repeat', 'repeat')];
  const turn = (values: readonly string[], i: number) => values[i % values.length]!;
  return images.map((image, i) => ({ image, size: turn(sizes, i), position: turn(positions, i), repeat: turn(repeats, i) }));
}

/** The four properties of layers. */
export function writeLayers(layers: readonly BackgroundLayer[]): Record<string, string> {
  const list = (part: keyof BackgroundLayer, none: string) =>
    layers.length === 0
      ? none
      : new Set(layers.map((layer) => layer[part])).size === 1 && part !== 'image'
        ? layers[0]![part]
        : layers.map((layer) => layer[part]).join(', ');
  return {
    [PROPERTY.image]: list('image', 'none'),
    [PROPERTY.size]: list('size', 'auto'),
    [PROPERTY.position]: list('position', '0% 0%'),
    [PROPERTY.repeat]: list('repeat', 'repeat'),
  };
}

export interface Gradient {
  readonly kind: 'linear' | 'radial';
  /** Degrees; 0 goes up, 90 to the right. Linear ones only. */
  readonly angle: number;
  readonly stops: readonly { readonly colour: string; /** Percent. */ readonly at: number }[];
}

const TOWARDS: Readonly<Record<string, number>> = { 'to top': 0, 'to right': 90, 'to bottom': 180, 'to left': 270 };

/** A gradient with stops in percent; undefined for pictures and for gradients written in another way. */
export function readGradient(image: string): Gradient | undefined {
  const match = /^(linear|radial)-gradient\((.*)\)$/is.exec(image.trim());
  if (!match) return undefined;
  const kind = match[1]!.toLowerCase() as Gradient['kind'];
  const parts = splitOutside(match[2]!, ',');
  const first = parts[0]?.toLowerCase().replace(/\s+/g, ' ') ?? '';
  let angle = 180;
  if (kind === 'linear' && (first in TOWARDS || /^-?[\d.]+deg$/.test(first))) {
    angle = TOWARDS[first] ?? parseFloat(first);
    parts.shift();
  } else if (kind === 'radial' && /^(circle|ellipse)( at center)?$/.test(first)) parts.shift();
  const stops = parts.map((part, i) => {
    const words = splitOutside(part, ' ');
    const place = words[1] ?? `${(100 * i) / Math.max(1, parts.length - 1)}%`;
    return words.length > 2 || !/^-?[\d.]+%$/.test(place) ? undefined : { colour: words[0]!, at: parseFloat(place) };
  });
  if (stops.length < 2 || stops.some((stop) => stop === undefined)) return undefined;
  return { kind, angle, stops: stops as Gradient['stops'] };
}

export function writeGradient({ kind, angle, stops }: Gradient): string {
  const list = stops.map(({ colour, at }) => `${colour} ${Math.round(at * 100) / 100}%`).join(', ');
  return kind === 'linear' ? `linear-gradient(${Math.round(angle * 10) / 10}deg, ${list})` : `radial-gradient(circle, ${list})`;
}
