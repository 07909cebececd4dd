import { z } from 'zod';
import { SCROLLBARS, SET_MOST } from '@/core/devices';
import { nameSchema, pageOf, treeIdSchema, slugOf } from '@/core/document';
import { FORMATS, makeSheet } from '@/server/browser/picture-sheet';
import { database } from '@/server/db/client';
import { HttpError } from '@/server/http/errors';
import { projectId } from '@/server/http/parameters';
import { readBody } from '@/server/http/body';
import { route } from '@/server/http/route';
import { viewportSchema } from '@/server/http/viewport';
import { loadProject } from '@/server/store/documents';

const TYPES = { png: 'image/png', pdf: 'application/pdf', html: 'text/html; charset=utf-8' } as const;

const sheetSchema = z.strictObject({
  page: treeIdSchema,
  revision: z.number().int().min(0),
  format: z.enum(FORMATS, 'A sheet is a PNG, a PDF or HTML.'),
  title: nameSchema,
  whole: z.boolean(),
  density: z.number().min(1, 'A density is 1 to 3.').max(3, 'A density is 1 to 3.'),
  zoom: z.number().min(0.1, 'A zoom is 10% to 100%.').max(1, 'A zoom is 10% to 100%.'),
  devices: z
    .array(
      z.strictObject({ title: nameSchema, note: z.string().max(200), viewport: viewportSchema, scrollbar: z.enum(SCROLLBARS) }),
    )
    .min(1, 'There is no device to put on the sheet.')
    .max(SET_MOST, `At most ${SET_MOST} devices fit on a sheet.`),
});

/** The line-up of a page as PNG, PDF or self-contained HTML. */
export const POST = route<{ id: string }>(async (request, parameters) => {
  const { page: pageId, revision, devices, ...wish } = await readBody(request, sheetSchema);
  const { project, revision: now } = await loadProject(database(), projectId(parameters));
  if (now !== revision) throw new HttpError(409, 'The project has changed since. Make the sheet again.');
  const page = pageOf(project, pageId);
  if (!page) throw new HttpError(404, 'There is no such page.');
  return new Response(await makeSheet(project, page, devices, wish, request.signal), {
    headers: {
      'content-type': TYPES[wish.format],
      'content-disposition': `attachment; filename="${slugOf(wish.title)}.${wish.format}"`,
      // Opened from here or kept, it never runs as a part of this program.
      'content-security-policy':
        "sandbox; default-src 'none'; style-src 'unsafe-inline'; img-src data:; font-src data:; frame-src 'self'",
    },
  });
});
