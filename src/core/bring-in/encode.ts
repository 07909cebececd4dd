import { decodeBytes } from './decode';

/** Bytes that a single-byte encoding has for characters beyond ASCII (Encoding, 5), worked out from how they are read. */
function reversed(encoding: string): ReadonlyMap<string, number> {
  return new Map(Array.from({ length: 128 }, (_, i) => [decodeBytes(new Uint8Array([128 + i]), encoding), 128 + i] as const));
}

const SINGLE_BYTE = /^(windows-\d+|iso-8859-\d+(-i)?|koi8-[ru]|macintosh|ibm866|x-mac-cyrillic)$/;

/**
 * A text as bytes in the encoding that its file had, so that what stayed the same is the same bytes. What the encoding has no byte for is
 * written as a character reference. Encodings of several bytes other than UTF-8 and UTF-16 become UTF-8.
 * @param bom whether the file began with a byte order mark
 */
export function encodeHtml(text: string, encoding: string, bom: boolean): Uint8Array {
  if (encoding === 'utf-16le' || encoding === 'utf-16be') {
    const bytes = new Uint8Array(2 * (text.length + (bom ? 1 : 0)));
    const view = new DataView(bytes.buffer);
    [...(bom ? ['\ufeff'] : []), ...text.split('')].forEach((unit, i) =>
      view.setUint16(2 * i, unit.charCodeAt(0), encoding === 'utf-16le'),
    );
    return bytes;
  }
  if (!SINGLE_BYTE.test(encoding)) return new TextEncoder().encode((bom ? '\ufeff' : '') + text);
  const table = reversed(encoding);
  const bytes: number[] = [];
  for (const character of text) {
    const code = character.codePointAt(0)!;
    const byte = code < 128 ? code : table.get(character);
    if (byte !== undefined) bytes.push(byte);
    else for (const one of `&#x${code.toString(16)};`) bytes.push(one.charCodeAt(0));
  }
  return new Uint8Array(bytes);
}
