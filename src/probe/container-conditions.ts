import { argumentsFrom, lengthOf, unitsWith } from './length-math';

/** A size that a condition on containers asks for. */
interface Asked {
  /** Of a container whose type is so large, px. */
  readonly px: (em: number, rem: number) => number | undefined;
}

export interface ContainerConditions {
  readonly sizes: readonly Asked[];
  /** Widths in shares of heights. */
  readonly ratios: readonly number[];
  /** Whether heights are asked for too. */
  readonly tall: boolean;
  /** Something is asked for of which it isn't known when it begins. */
  readonly unknown: boolean;
}

const LENGTH = /(?<![\w.-])([\d.]+(?:e[+-]?\d+)?[a-z]+)\b/gi;

/** All sizes that conditions on containers ask for (CSS Conditional 5, 6): too many do no harm, too few would. */
export function containerConditions(texts: readonly string[]): ContainerConditions {
  const sizes: Asked[] = [];
  const ratios = new Set<number>();
  let unknown = false;
  const size = (text: string) => {
    const px = (em: number, rem: number) => lengthOf(text, (unit) => (unit === 'rem' ? rem : unitsWith(em)(unit)));
    if (px(16, 16) === undefined) unknown = true;
    else sizes.push({ px });
  };
  for (const text of texts) {
    let rest = text;
    if (/\b(style|scroll-state)\(/i.test(text)) unknown = true;
    for (let call = /(?<![\w-])(calc|min|max|clamp)\(/i.exec(rest); call; call = /(?<![\w-])(calc|min|max|clamp)\(/i.exec(rest)) {
      const inside = argumentsFrom(rest, call.index + call[0].length);
      if (!inside) break;
      size(rest.slice(call.index, inside.end + 1));
      rest = rest.slice(0, call.index) + rest.slice(inside.end + 1);
    }
    for (const [, a, b] of rest.matchAll(/([\d.]+)\s*\/\s*([\d.]+)/g)) ratios.add(Number(a) / Number(b));
    for (const [, a] of rest.matchAll(/aspect-ratio\s*[:<>=]+\s*([\d.]+)\s*(?=\))/g)) ratios.add(Number(a));
    if (/orientation/.test(rest)) ratios.add(1);
    for (const [, length] of rest.matchAll(LENGTH)) size(length!);
  }
  const tall = texts.some((text) => /height|block-size|aspect-ratio|orientation/.test(text));
  return { sizes, ratios: [...ratios], tall, unknown };
}

const number = (text: string) => parseFloat(text) || 0;

/** Used sizes of a container's content box, px; no transform counts. */
function contentSize(style: CSSStyleDeclaration): readonly [width: number, height: number] {
  const less = (...sides: string[]) =>
    style.boxSizing === 'border-box'
      ? sides.reduce(
          (sum, side) =>
            sum + number(style.getPropertyValue(`padding-${side}`)) + number(style.getPropertyValue(`border-${side}-width`)),
          0,
        )
      : 0;
  return [number(style.width) - less('left', 'right'), number(style.height) - less('top', 'bottom')];
}

/** How far each container is from each size that is asked for, px. */
export function gapsOf(
  containers: readonly HTMLElement[],
  { sizes, ratios, tall }: ContainerConditions,
  window: Window,
): Float64Array {
  const rem = number(window.getComputedStyle(window.document.documentElement).fontSize);
  const gaps: number[] = [];
  for (const container of containers) {
    const style = window.getComputedStyle(container);
    const [width, height] = contentSize(style);
    const em = number(style.fontSize);
    for (const { px } of sizes) {
      gaps.push(width - px(em, rem)!);
      if (tall) gaps.push(height - px(em, rem)!);
    }
    for (const ratio of ratios) gaps.push(width - height * ratio);
  }
  return Float64Array.from(gaps);
}
