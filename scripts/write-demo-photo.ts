import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import type { Photo } from '@/core/document';
import { PHOTO_TYPES } from '@/core/document';
import { rectangleFor } from '@/core/pictures';
import { readPicture } from '@/server/pictures/read-picture';
import type { Kept } from '@/server/pictures/renditions';
import { renditionsOf } from '@/server/pictures/renditions';

/*
 * Paints the demo's picture of the shop and cuts it for narrow screens, and writes all files of both into `src/demo/photos`. To be run by
 * hand after the drawing has changed: npx tsx scripts/write-demo-photo.ts
 */
const [WIDTH, HEIGHT] = [1800, 1125];
const folder = join(process.cwd(), 'src/demo/photos');

const houses = Array.from({ length: 9 }, (_, i) => {
  const x = i * 215 - 60;
  const top = 250 + ((i * 67) % 120);
  const colour = ['#c9b79a', '#b7a58c', '#d3c3a8', '#ab9c86', '#bfae95'][i % 5]!;
  const windows = Array.from({ length: 6 }, (_, n) => {
    const [wx, wy] = [x + 28 + (n % 3) * 62, top + 60 + Math.floor(n / 3) * 130];
    return `<rect x="${wx}" y="${wy}" width="34" height="62" rx="3" fill="#54626a"/><rect x="${wx + 4}" y="${wy + 4}" width="26" height="24" fill="#8ea3ab"/>`;
  }).join('');
  return `<rect x="${x}" y="${top}" width="212" height="${900 - top}" fill="${colour}"/><path d="M${x - 8} ${top}l114 -74 114 74z" fill="#7a4b3d"/>${windows}`;
}).join('');

const tools = Array.from({ length: 9 }, (_, i) => {
  const x = 690 + i * 36;
  return `<rect x="${x}" y="${600 + ((i * 37) % 40)}" width="9" height="120" rx="3" fill="${i % 3 ? '#6d4c33' : '#3f4a4f'}"/><rect x="${x - 7}" y="${592 + ((i * 37) % 40)}" width="24" height="18" rx="4" fill="#2f3a3d"/>`;
}).join('');

const scene = `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDTH}" height="${HEIGHT}">
<defs>
<linearGradient id="sky" x1="0" y1="0" x2="0" y2="1"><stop offset="0" stop-color="#b8cdd3"/><stop offset="0.6" stop-color="#e9e3d2"/></linearGradient>
<linearGradient id="street" x1="0" y1="0" x2="0" y2="1"><stop offset="0" stop-color="#8b8577"/><stop offset="1" stop-color="#5f5b52"/></linearGradient>
<radialGradient id="lamp"><stop offset="0" stop-color="#fff3c4" stop-opacity="0.9"/><stop offset="1" stop-color="#fff3c4" stop-opacity="0"/></radialGradient>
<radialGradient id="sun" cx="0.18" cy="0.1" r="0.9"><stop offset="0" stop-color="#fff6df" stop-opacity="0.5"/><stop offset="1" stop-color="#2b3a44" stop-opacity="0.05"/></radialGradient>
</defs>
<rect width="${WIDTH}" height="${HEIGHT}" fill="url(#sky)"/>${houses}
<rect y="880" width="${WIDTH}" height="245" fill="url(#street)"/><rect y="872" width="${WIDTH}" height="26" fill="#a39b8a"/>
<rect x="600" y="330" width="600" height="560" fill="#1f6a5c"/><rect x="600" y="330" width="600" height="96" fill="#174f45"/>
<rect x="640" y="356" width="520" height="44" rx="6" fill="#e9dfc6"/><rect x="668" y="372" width="300" height="12" rx="6" fill="#174f45"/><rect x="990" y="372" width="140" height="12" rx="6" fill="#b06a2c"/>
<path d="M590 426h620l40 92H550z" fill="#e6d9bd"/>${Array.from({ length: 8 }, (_, i) => `<path d="M${595 + i * 78} 426h39l${(i - 4) * 5 + 6} 92h-${44}z" fill="#2c8573"/>`).join('')}
<rect x="640" y="540" width="390" height="230" fill="#f2d79b"/><rect x="640" y="540" width="390" height="230" fill="none" stroke="#123f37" stroke-width="14"/>${tools}
<circle cx="835" cy="620" r="190" fill="url(#lamp)"/>
<rect x="1060" y="560" width="110" height="330" fill="#123f37"/><rect x="1078" y="580" width="74" height="150" fill="#e8c987"/><circle cx="1148" cy="760" r="7" fill="#d8b25a"/>
<rect x="640" y="790" width="390" height="100" fill="#174f45"/>
<g><circle cx="1330" cy="652" r="32" fill="#c98f6b"/><path d="M1296 646a34 34 0 0 1 68 0z" fill="#4a3226"/><path d="M1300 872h26v28h-30zM1334 872h26l4 28h-30z" fill="#2c3538"/><path d="M1290 700q40 -30 80 0l22 190h-124z" fill="#8c3f31"/><rect x="1386" y="520" width="14" height="380" fill="#b79a5c"/><rect x="1440" y="520" width="14" height="380" fill="#b79a5c"/>${Array.from({ length: 7 }, (_, i) => `<rect x="1386" y="${560 + i * 48}" width="68" height="10" fill="#b79a5c"/>`).join('')}</g>
<g fill="#4c6b3f"><circle cx="520" cy="790" r="52"/><circle cx="480" cy="820" r="44"/><circle cx="560" cy="824" r="40"/></g><path d="M452 842h140l-16 66h-108z" fill="#a3563d"/>
<rect width="${WIDTH}" height="${HEIGHT}" fill="url(#sun)"/></svg>`;

const grain = sharp({
  create: { width: WIDTH, height: HEIGHT, channels: 3, background: '#808080', noise: { type: 'gaussian', mean: 128, sigma: 16 } },
});
const painted = await sharp(Buffer.from(scene))
  .blur(0.8)
  .composite([{ input: await grain.blur(0.7).png().toBuffer(), blend: 'soft-light' }])
  .jpeg({ quality: 88, mozjpeg: true })
  .toBuffer();

function write(kept: Kept) {
  for (const [hash, { type, bytes }] of kept)
    writeFileSync(join(folder, `${hash}.${PHOTO_TYPES[type as keyof typeof PHOTO_TYPES]}`), bytes);
}

rmSync(folder, { recursive: true, force: true });
mkdirSync(folder);
const { picture, files } = await readPicture(painted, 'shop-front-street.jpg', 'pstreet');
write(files);
const of = [WIDTH, HEIGHT] as [number, number];
const focus: [number, number] = [50, 56];
const crop = { ...rectangleFor(of, { ratio: 6 / 5, focus, zoom: 1.15 }), of, focus };
const cut = await renditionsOf(painted, 'image/jpeg', { width: WIDTH, height: HEIGHT }, crop);
write(cut.files);
const photos: Photo[] = [picture as Photo, { id: 'pstreetcut', fileName: 'shop-front-street-cut.jpg', photo: cut.photo }];
writeFileSync(join(folder, 'photos.json'), `${JSON.stringify(photos, null, 2)}\n`);
