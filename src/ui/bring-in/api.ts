import { z } from 'zod';
import { PACKAGE_LIMITS } from '@/core/bring-in/unzip';
import type { LeftOut } from '@/core/document';
import { REASONS } from '@/core/document';
import type { Edit } from '@/core/edits';
import { answerLines, postBytes } from '../requests/requests';

const leftOutSchema = z.object({
  reason: z.enum(Object.keys(REASONS) as [LeftOut['reason'], ...LeftOut['reason'][]]),
  file: z.string(),
  line: z.number().optional(),
  what: z.string(),
});
const reportSchema = z.object({
  pages: z.array(z.object({ name: z.string(), file: z.string(), elements: z.number(), leftOut: z.number() })),
  sheets: z.number(),
  files: z.number(),
  refused: z.array(z.object({ file: z.string(), why: z.string() })),
  leftOut: z.array(leftOutSchema),
});
export type BringInReport = z.infer<typeof reportSchema>;

const lineSchema = z.discriminatedUnion('type', [
  z.object({ type: z.literal('read'), done: z.number(), total: z.number() }),
  z.object({ type: z.literal('report'), report: reportSchema }),
  z.object({ type: z.literal('made'), id: z.uuid() }),
  z.object({ type: z.literal('edit'), edit: z.custom<Edit>((one) => typeof one === 'object' && one !== null) }),
  z.object({ type: z.literal('failed'), message: z.string() }),
]);
export type BringInLine = z.infer<typeof lineSchema>;

/**
 * Sends a package, to the open project or for one of its own.
 * @param project its id; undefined for a new one
 * @throws Refused with the server's words
 */
export async function* sendPackage(zip: Blob, project: string | undefined, signal: AbortSignal): AsyncGenerator<BringInLine> {
  if (zip.size > PACKAGE_LIMITS.sent) {
    const mb = Math.round(zip.size / 1_000_000);
    return yield {
      type: 'failed',
      message: `That is ${mb} MB; at most ${PACKAGE_LIMITS.sent / 1_000_000} MB can be brought in at once.`,
    };
  }
  const path = project === undefined ? '/api/projects/bring-in' : `/api/projects/${project}/bring-in`;
  for await (const line of answerLines(await postBytes(path, zip, 'application/zip', signal))) yield lineSchema.parse(line);
}
