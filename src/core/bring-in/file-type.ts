/** What a file in a package is, by its bytes where they tell, else by its ending. */
export type FileRole = 'page' | 'sheet' | 'picture' | 'font' | 'other';

const BY_ENDING: Readonly<Record<string, readonly [FileRole, string]>> = {
  ...{ html: ['page', 'text/html'], htm: ['page', 'text/html'], xhtml: ['page', 'text/html'], css: ['sheet', 'text/css'] },
  ...{
    png: ['picture', 'image/png'],
    jpg: ['picture', 'image/jpeg'],
    jpeg: ['picture', 'image/jpeg'],
    gif: ['picture', 'image/gif'],
  },
  ...{
    webp: ['picture', 'image/webp'],
    avif: ['picture', 'image/avif'],
    svg: ['picture', 'image/svg+xml'],
    ico: ['picture', 'image/x-icon'],
  },
  ...{ bmp: ['picture', 'image/bmp'], apng: ['picture', 'image/apng'] },
  ...{ woff2: ['font', 'font/woff2'], woff: ['font', 'font/woff'], ttf: ['font', 'font/ttf'], otf: ['font', 'font/otf'] },
};

const SIGNATURES: readonly (readonly [signature: string, FileRole, string])[] = [
  ['\u0089PNG\r\n\u001a\n', 'picture', 'image/png'],
  ['\u00ff\u00d8\u00ff', 'picture', 'image/jpeg'],
  ['GIF87a', 'picture', 'image/gif'],
  ['GIF89a', 'picture', 'image/gif'],
  ['BM', 'picture', 'image/bmp'],
  ['wOF2', 'font', 'font/woff2'],
  ['wOFF', 'font', 'font/woff'],
  ['OTTO', 'font', 'font/otf'],
  ['\u0000\u0001\u0000\u0000', 'font', 'font/ttf'],
];

/** What a file is, and its media type. */
export function fileType(path: string, bytes: Uint8Array): { readonly role: FileRole; readonly type: string } {
  const start = String.fromCharCode(...bytes.subarray(0, 16));
  const [, role, type] = SIGNATURES.find(([signature]) => start.startsWith(signature)) ?? [];
  const ending = /\.([a-z0-9]+)$/i.exec(path)?.[1]?.toLowerCase() ?? '';
  const [wanted, media] = BY_ENDING[ending] ?? ['other', 'application/octet-stream'];
  if (role && type && wanted !== 'page' && wanted !== 'sheet') return { role, type };
  if (/^RIFF[\s\S]{4}WEBP/.test(start)) return { role: 'picture', type: 'image/webp' };
  if (/^[\s\S]{4}ftypavi[fs]/.test(start)) return { role: 'picture', type: 'image/avif' };
  return { role: wanted, type: media };
}
