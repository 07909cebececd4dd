let canvas: CanvasRenderingContext2D | null | undefined;
const known = new Map<string, number>();
/** Large enough that rounding to whole px doesn't matter. */
const SIZE = 100;
const MOST = 400;

/** The average width of the characters of a text, spaces included, as a share of the type's size. */
export function characterWidth(text: string, style: CSSStyleDeclaration): number {
  const sample = text.slice(0, MOST);
  const font = `${style.fontStyle} ${style.fontWeight} ${SIZE}px ${style.fontFamily}`;
  const key = `${font} ${style.letterSpacing} ${style.fontSize} ${sample}`;
  let width = known.get(key);
  if (width === undefined) {
    canvas ??= document.createElement('canvas').getContext('2d');
    if (!canvas) return 0.5;
    canvas.font = font;
    const spacing = (parseFloat(style.letterSpacing) || 0) / parseFloat(style.fontSize);
    width = canvas.measureText(sample).width / sample.length / SIZE + spacing;
    known.set(key, width);
  }
  return width;
}
