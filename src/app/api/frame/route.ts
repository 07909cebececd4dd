import { BUNDLED_FONTS } from '@/core/render';
import { fontData } from '@/server/browser/fonts';
import { pageScript } from '@/server/browser/script';
import { route } from '@/server/http/route';

export const dynamic = 'force-dynamic';

/** What a preview frame is made with: the probe's script, and the bundled fonts as data. */
export const GET = route(async () =>
  Response.json({
    script: await pageScript('frame'),
    fonts: Object.fromEntries(BUNDLED_FONTS.map((font) => [font.file, fontData(font)])),
  }),
);
