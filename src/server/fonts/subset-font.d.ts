declare module 'subset-font' {
  export default function subsetFont(
    font: Buffer,
    text: string,
    options?: { readonly targetFormat?: 'sfnt' | 'woff' | 'woff2' },
  ): Promise<Buffer>;
}
