const known = new Map<string, readonly number[]>();
let canvas: CanvasRenderingContext2D | null | undefined;

/** A computed colour as red, green, blue (0 to 255) and alpha (0 to 1). */
export function colourOf(css: string): readonly number[] {
  let colour = known.get(css);
  if (!colour) {
    const plain = /^rgba?\(([\d.]+), ([\d.]+), ([\d.]+)(?:, ([\d.]+))?\)$/.exec(css);
    colour = plain ? [plain[1], plain[2], plain[3], plain[4] ?? '1'].map(Number) : painted(css);
    known.set(css, colour);
  }
  return colour;
}

/** Any other notation is painted and looked at. */
function painted(css: string): readonly number[] {
  if (canvas === undefined) {
    const element = document.createElement('canvas');
    element.width = element.height = 1;
    canvas = element.getContext('2d', { willReadFrequently: true });
  }
  if (!canvas) return [0, 0, 0, 1];
  canvas.clearRect(0, 0, 1, 1);
  canvas.fillStyle = css;
  canvas.fillRect(0, 0, 1, 1);
  const [red, green, blue, alpha] = canvas.getImageData(0, 0, 1, 1).data;
  return [red!, green!, blue!, alpha! / 255];
}
