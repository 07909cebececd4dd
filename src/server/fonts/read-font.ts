import * as fontkit from 'fontkit';
import type { Font } from 'fontkit';
import type { FontFace, ProjectFile } from '@/core/document';
import { hashOf } from '../store/files';
import { fontFor } from './subset';
import { fallbackFor } from './fallback';

/** Why a file can't be taken as a font, in a sentence. */
export class UnreadableFont extends Error {
  override readonly name = 'UnreadableFont';
}

export const FONT_BYTES_MOST = 10_000_000;

/** The media type by the first bytes (WOFF 2, 3; OpenType, "Organization of an OpenType Font"). */
function typeOf(bytes: Uint8Array): string | undefined {
  const tag = Buffer.from(bytes.subarray(0, 4)).toString('latin1');
  if (tag === 'wOF2') return 'font/woff2';
  if (tag === 'wOFF') return 'font/woff';
  if (tag === 'OTTO') return 'font/otf';
  if (tag === 'true' || tag === '\u0000\u0001\u0000\u0000') return 'font/ttf';
  return undefined;
}

/**
 * A font file as a project has it: its family, weight and style, what it says of its licence, and what stands in for it.
 * @throws UnreadableFont with what is wrong with it
 */
export async function readFont(bytes: Uint8Array, fileName: string): Promise<ProjectFile & { readonly font: FontFace }> {
  const type = typeOf(bytes);
  if (type === undefined) throw new UnreadableFont(`${fileName} isn’t a font: it must be WOFF2, WOFF, TTF or OTF.`);
  let font: Font;
  try {
    const made = fontkit.create(Buffer.from(bytes));
    if (!('glyphForCodePoint' in made)) throw new Error('a collection');
    font = made;
    // What is handed over is made by this: better to hear of trouble now.
    await fontFor('A', bytes);
  } catch {
    throw new UnreadableFont(`${fileName} can’t be read: it is damaged, cut off, or a collection of several fonts.`);
  }
  const hash = hashOf(bytes);
  const { wght } = font.variationAxes as Readonly<Record<string, { readonly min: number; readonly max: number } | undefined>>;
  const os2 = font['OS/2'] as unknown as {
    readonly usWeightClass?: number;
    readonly fsSelection?: { readonly italic?: boolean };
  };
  const weight = wght ? `${inRange(wght.min)} ${inRange(wght.max)}` : String(inRange(os2.usWeightClass ?? 400));
  const isItalic = os2.fsSelection?.italic === true || font.italicAngle !== 0;
  const family = (nameOf(font, 'preferredFamily') ?? font.familyName ?? fileName.replace(/\.\w+$/, ''))
    .replace(/["'\\,;{}<>\u0000-\u001f]/g, ' ')
    .trim()
    .slice(0, 80);
  return {
    path: `fonts/added/${hash.slice(0, 16)}.${type.slice(5)}`,
    ...{ type, hash, bytes: bytes.length },
    font: {
      family: family || 'Font',
      weight,
      style: isItalic ? 'italic' : 'normal',
      licence: [nameOf(font, 'license'), nameOf(font, 'licenseURL')].filter(Boolean).join('\n').slice(0, 2_000),
      fallback: fallbackFor(font),
    },
  };
}

const inRange = (weight: number) => Math.min(1_000, Math.max(1, Math.round(weight)));

function nameOf(font: Font, name: string): string | undefined {
  try {
    return (font as unknown as { getName: (key: string) => string | null }).getName(name) ?? undefined;
  } catch {
    return undefined;
  }
}
