import { z } from 'zod';
import { pageOf, treeIdSchema } from '@/core/document';
import { applyEdit, EditError, readEdit } from '@/core/edits';
import { pictureAround } from '@/server/browser/picture-around';
import { readBody } from '@/server/http/body';
import { HttpError } from '@/server/http/errors';
import { projectId } from '@/server/http/parameters';
import { route } from '@/server/http/route';
import { pageAtRevision } from '@/server/store/documents';

const pictureSchema = z.strictObject({
  page: treeIdSchema,
  revision: z.number().int().min(0),
  /** Absent for the page as it is. */
  edit: z.unknown().optional(),
  width: z.number().int().min(200).max(4_000),
  /** Around which it is cut from the page. */
  element: z.string().max(200).optional(),
  /** The rows with which lists are shown. */
  sample: z.string().max(60).optional(),
});

/** A page at a width as it would be after an edit that isn't made, as PNG. */
export const POST = route<{ id: string }>(async (request, parameters) => {
  const { page: pageId, revision, edit, width, element, sample } = await readBody(request, pictureSchema);
  const { project } = await pageAtRevision(projectId(parameters), revision, pageId, sample);
  const shown = edit === undefined ? project : afterEdit(project, edit);
  const page = pageOf(shown, pageId);
  if (!page) throw new HttpError(404, 'There is no such page after this edit.');
  const png = await pictureAround(shown, page, { width, element }, request.signal);
  return new Response(new Uint8Array(png), { headers: { 'content-type': 'image/png', 'cache-control': 'no-store' } });
});

function afterEdit(project: Parameters<typeof applyEdit>[0], edit: unknown) {
  try {
    return applyEdit(project, readEdit(edit)).document;
  } catch (error) {
    if (error instanceof EditError) throw new HttpError(422, error.message);
    throw error;
  }
}
