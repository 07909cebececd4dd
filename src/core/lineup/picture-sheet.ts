import { escapeAttribute, escapeText } from '../render/markup';
import type { Packed, Size } from './pack';
import { packFrames } from './pack';

/** One device on a sheet. */
export interface SheetFrame extends Size {
  readonly title: string;
  /** Size and holding, in words. */
  readonly note: string;
  /** The height of the viewport, where the frame shows more than that. CSS px. */
  readonly screenful?: number | undefined;
  /** Why not all of the page shows. */
  readonly cut?: string | undefined;
  /** The page as a whole document without scripts. */
  readonly document: string;
}

export interface SheetOptions {
  readonly title: string;
  /** In words, as it stands on the sheet. */
  readonly date: string;
  readonly zoom: number;
  readonly fontFaces: string;
  /** What frames may do; nothing unless the sheet is only made to be measured. */
  readonly sandbox?: string;
}

const MARGIN = 40;
const HEAD = 56;
const GAP = 28;
const CAPTION = 40;
/** Room for a title, however few frames there are. */
const TITLE_LEAST = 640;

/** Widths that are tried, as multiples of the square root of what the frames cover. */
const TRIED = Array.from({ length: 24 }, (_, i) => 0.8 + i * 0.06);
/** The most that a sheet is as broad as high, or as high as broad. */
const LONGEST_SIDE = 2.4;

/** The frames packed into the room that leaves the least of it empty, among those that are about as broad as high. */
function packedBest(items: readonly Size[]): Packed {
  const area = items.reduce((sum, { width, height }) => sum + (width + GAP) * (height + GAP), 0);
  const all = TRIED.map((factor) => packFrames(items, Math.sqrt(area) * factor, GAP));
  const stretched = ({ width, height }: Size) => Math.max(width / height, height / width) > LONGEST_SIDE;
  const some = all.filter((one) => !stretched(one));
  return (some.length > 0 ? some : all).reduce((best, one) => (one.width * one.height < best.width * best.height ? one : best));
}

export interface LaidSheet extends Size {
  readonly html: string;
}

/**
 * A line-up as one self-contained HTML document: titled and dated, each page live in a frame that runs no scripts and
 * loads nothing.
 */
export function layLineupSheet(frames: readonly SheetFrame[], options: SheetOptions): LaidSheet {
  const { title, date, zoom, fontFaces, sandbox = '' } = options;
  const packed = packedBest(frames.map(({ width, height }) => ({ width: width * zoom, height: height * zoom + CAPTION })));
  const width = Math.ceil(Math.max(TITLE_LEAST, packed.width + 2 * MARGIN));
  const height = Math.ceil(packed.height + 2 * MARGIN + HEAD);
  const figures = frames.map((frame, i) => {
    const { left, top } = packed.places[i]!;
    const [w, h] = [frame.width * zoom, frame.height * zoom];
    const fold =
      frame.screenful !== undefined && frame.screenful < frame.height ? `<i style="top:${frame.screenful * zoom}px"></i>` : '';
    return `<figure style="left:${left + MARGIN}px;top:${top + MARGIN + HEAD}px;width:${w}px">
<figcaption><b>${escapeText(frame.title)}</b><span>${escapeText(frame.note)}${frame.cut ? ` · ${escapeText(frame.cut)}` : ''}</span></figcaption>
<div style="width:${w}px;height:${h}px"><iframe sandbox="${sandbox}" title="${escapeAttribute(frame.title)}" style="width:${frame.width}px;height:${frame.height}px;transform:scale(${zoom})" srcdoc="${escapeAttribute(frame.document)}"></iframe>${fold}</div>
</figure>`;
  });
  const html = `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>${escapeText(title)}</title>
<style>
${fontFaces}
@page { margin: 0; size: ${width}px ${height}px; }
html { background: #e3e2d9; color: #1f2b29; font: 13px/1.4 "Schibsted Grotesk Variable", sans-serif; -webkit-print-color-adjust: exact; print-color-adjust: exact; }
body { position: relative; margin: 0; width: ${width}px; height: ${height}px; overflow: hidden; }
header { position: absolute; inset: ${MARGIN - 12}px ${MARGIN}px auto; display: flex; align-items: baseline; gap: 16px; }
h1 { margin: 0; font-size: 22px; }
time { color: #5f6964; font-family: "Spline Sans Mono Variable", monospace; }
figure { position: absolute; margin: 0; }
figcaption { height: ${CAPTION}px; overflow: hidden; white-space: nowrap; }
figcaption b, figcaption span { display: block; overflow: hidden; text-overflow: ellipsis; }
figcaption span { color: #5f6964; font: 11px/1.4 "Spline Sans Mono Variable", monospace; }
figure div { position: relative; overflow: hidden; background: #fff; box-shadow: 0 0 0 1px #c9c2b2; }
iframe { position: absolute; inset: 0 auto auto 0; border: 0; transform-origin: 0 0; background: #fff; }
i { position: absolute; inset: 0 0 auto; border-top: 2px dashed #8a5c0f; }
</style>
</head>
<body>
<header><h1>${escapeText(title)}</h1><time>${escapeText(date)}</time></header>
${figures.join('\n')}
</body>
</html>
`;
  return { html, width, height };
}
