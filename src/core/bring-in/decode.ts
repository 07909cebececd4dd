/** A text as it was in a file, and how it was written there. */
export interface Decoded {
  readonly text: string;
  readonly encoding: string;
}

/** How much of a file is looked through for a declaration, in bytes (HTML, 13.2.3.2). */
const PRESCAN = 1_024;

const BOMS: readonly (readonly [encoding: string, bytes: readonly number[]])[] = [
  ['utf-8', [0xef, 0xbb, 0xbf]],
  ['utf-16be', [0xfe, 0xff]],
  ['utf-16le', [0xff, 0xfe]],
];

const bomOf = (bytes: Uint8Array) => BOMS.find(([, mark]) => mark.every((one, i) => bytes[i] === one))?.[0];

/** The encoding of a label (Encoding, 4.2); undefined where there is none of the name. */
function encodingOf(label: string | undefined): string | undefined {
  if (!label) return undefined;
  try {
    return new TextDecoder(label.trim()).encoding;
  } catch {
    return undefined;
  }
}

/** What a document declares at its beginning; UTF-16 there can't be true, or it couldn't have been read (HTML, 13.2.3.3). */
function declared(bytes: Uint8Array): string | undefined {
  const start = latin1(bytes.subarray(0, PRESCAN)).replace(/<!--[\s\S]*?-->/g, '');
  const meta =
    /<meta\s[^>]*?charset\s*=\s*["']?\s*([\w:-]+)/i.exec(start)?.[1] ??
    /^\s*<\?xml[^>]*encoding\s*=\s*["']([\w:-]+)/i.exec(start)?.[1];
  const encoding = encodingOf(meta);
  return encoding?.startsWith('utf-16') ? 'utf-8' : encoding;
}

const latin1 = (bytes: Uint8Array): string => Array.from(bytes, (byte) => String.fromCharCode(byte)).join('');

/** What windows-1252 has from 80 to 9F; not every platform's decoder knows it (Encoding, index windows-1252). */
const C1 = '€\u0081‚ƒ„…†‡ˆ‰Š‹Œ\u008dŽ\u008f\u0090‘’“”•–—˜™š›œ\u009džŸ';

/** The text of bytes in an encoding by its name. */
export function decodeBytes(bytes: Uint8Array, encoding: string): string {
  const text = new TextDecoder(encoding).decode(bytes);
  return encoding === 'windows-1252' ? text.replace(/[\u0080-\u009f]/g, (one) => C1[one.charCodeAt(0) - 0x80]!) : text;
}

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
  const encoding = bomOf(bytes) ?? declared(bytes) ?? looksUtf16(bytes) ?? (isUtf8(bytes) ? 'utf-8' : 'windows-1252');
  return { text: decodeBytes(bytes, encoding), encoding };
}

/** The text of a style sheet: by its mark, its `@charset`, or as the document that asks for it (CSS Syntax 3, 3.2). */
export function decodeCss(bytes: Uint8Array, environment: string): Decoded {
  const charset = encodingOf(/^@charset "([^"]{1,60})";/.exec(latin1(bytes.subarray(0, PRESCAN)))?.[1]);
  const said = charset?.startsWith('utf-16') ? 'utf-8' : charset;
  const encoding = bomOf(bytes) ?? said ?? looksUtf16(bytes) ?? environment;
  return { text: decodeBytes(bytes, encoding), encoding };
}
