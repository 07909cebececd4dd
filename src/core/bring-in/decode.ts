import { getBOMEncoding, labelToName, TextDecoder } from '@exodus/bytes/encoding.js';
import sniffHtml from 'html-encoding-sniffer';

/** A text as it was in a file, and how it was written there. */
export interface Decoded {
  readonly text: string;
  readonly encoding: string;
}

/** How much of a file is looked through for a declaration, in bytes (CSS Syntax 3, 3.2). */
const PRESCAN = 1_024;

const latin1 = (bytes: Uint8Array): string => Array.from(bytes, (byte) => String.fromCharCode(byte)).join('');

/** The encoding of a label (Encoding, 4.2); undefined where there is none of the name. */
const encodingOf = (label: string | null | undefined): string | undefined =>
  label ? (labelToName(label)?.toLowerCase() ?? undefined) : undefined;

/** UTF-16 can't be what a declaration says truly, or it couldn't have been read (HTML, 13.2.3.3; CSS Syntax 3, 3.2). */
const readable = (encoding: string | undefined) => (encoding?.startsWith('utf-16') ? 'utf-8' : encoding);

/** By the byte order mark, or what a document declares at its beginning (HTML, 13.2.3.2). */
const declared = (bytes: Uint8Array): string | undefined =>
  encodingOf(sniffHtml(bytes, { defaultEncoding: '' })) ??
  readable(encodingOf(/^<\?xml[^>]*encoding\s*=\s*["']([\w:-]+)/.exec(latin1(bytes.subarray(0, PRESCAN)))?.[1]));

/** The text of bytes in an encoding by its name; what the platform's own decoders make of some isn't what browsers do. */
export const decodeBytes = (bytes: Uint8Array, encoding: string): string => new TextDecoder(encoding).decode(bytes);

function isUtf8(bytes: Uint8Array): boolean {
  try {
    new TextDecoder('utf-8', { fatal: true }).decode(bytes);
    return true;
  } catch {
    return false;
  }
}

/** Nothing declared, and every second byte of the beginning is nothing: UTF-16 without a mark. */
function looksUtf16(bytes: Uint8Array): string | undefined {
  const start = bytes.subarray(0, 64);
  if (start.length < 8) return undefined;
  const zero = (from: number) => start.filter((byte, i) => i % 2 === from && byte === 0).length;
  const half = Math.floor(start.length / 2);
  if (zero(1) > half * 0.9 && zero(0) === 0) return 'utf-16le';
  if (zero(0) > half * 0.9 && zero(1) === 0) return 'utf-16be';
  return undefined;
}

/**
 * The text of an HTML file: by its byte order mark, by what it declares, as UTF-8 where it is well-formed UTF-8, else as
 * windows-1252 (HTML, 13.2.3.2; the last two are what browsers settle on for files without a declaration).
 */
export function decodeHtml(bytes: Uint8Array): Decoded {
  const encoding = declared(bytes) ?? looksUtf16(bytes) ?? (isUtf8(bytes) ? 'utf-8' : 'windows-1252');
  return { text: decodeBytes(bytes, encoding), encoding };
}

/** The text of a style sheet: by its mark, its `@charset`, or as the document that asks for it (CSS Syntax 3, 3.2). */
export function decodeCss(bytes: Uint8Array, environment: string): Decoded {
  const said = encodingOf(/^@charset "([^"]{1,60})";/.exec(latin1(bytes.subarray(0, PRESCAN)))?.[1]);
  const encoding = encodingOf(getBOMEncoding(bytes)) ?? readable(said) ?? looksUtf16(bytes) ?? environment;
  return { text: decodeBytes(bytes, encoding), encoding };
}
