import subsetFont from 'subset-font';

/** As much of a font as some characters need, as WOFF2: their glyphs, what joins and moves them, all axes. */
export const fontFor = async (characters: string, bytes: Uint8Array): Promise<Uint8Array> =>
  new Uint8Array(await subsetFont(Buffer.from(bytes), characters, { targetFormat: 'woff2' }));
