import { z } from 'zod';
import type { Project } from '@/core/document';
import type { Shot } from '@/core/lineup';
import { readProject } from '@/core/document';
import { postForAnswer, Refused, requestJson, streamLines } from '../requests/requests';
import { useSession } from '../state/store';
import { settled } from '../editing/sync';

/** What a request must say so that its answer fits what is on screen: edits are saved first. */
async function shownRevision(): Promise<{ projectId: string; revision: number }> {
  await settled();
  const { projectId, revision } = useSession.getState();
  return { projectId, revision };
}

const picturesSchema = z.object({
  pages: z.array(
    z.object({ page: z.string(), pictures: z.array(z.object({ digest: z.string(), findings: z.number().nullable() })) }),
  ),
});
export type PagePictures = z.infer<typeof picturesSchema>['pages'];

/** Small pictures of all pages; those without a count of faults are still being made. Undefined when edits came in between. */
export async function askPictures(shots: readonly Shot[]): Promise<PagePictures | undefined> {
  const { projectId, revision } = await shownRevision();
  try {
    const body = { revision, shots };
    return picturesSchema.parse(await requestJson(`/api/projects/${projectId}/pictures`, { method: 'POST', body })).pages;
  } catch (error) {
    if (error instanceof Refused && error.status === 409) return undefined;
    throw error;
  }
}

const revisionsSchema = z.object({
  current: z.number(),
  revisions: z.array(z.object({ revision: z.number(), at: z.string(), words: z.string() })),
});
export type Revisions = z.infer<typeof revisionsSchema>;

export async function askRevisions(): Promise<Revisions> {
  const { projectId } = await shownRevision();
  return revisionsSchema.parse(await requestJson(`/api/projects/${projectId}/revisions`));
}

export async function askEarlier(projectId: string, revision: number): Promise<Project> {
  const answer = (await requestJson(`/api/projects/${projectId}/revisions/${revision}`)) as { project: unknown };
  return readProject(answer.project);
}

const lineSchema = z.discriminatedUnion('type', [
  z.object({ type: z.literal('begun'), total: z.number(), identical: z.number() }),
  z.object({
    type: z.literal('compared'),
    count: z.number(),
    moved: z.array(z.object({ width: z.number(), count: z.number(), elements: z.array(z.string()) })),
  }),
  z.object({ type: z.literal('done') }),
  z.object({ type: z.literal('failed'), message: z.string() }),
]);
export type CompareLine = z.infer<typeof lineSchema>;

/** The lines of a comparison with an earlier revision, as they come. */
export async function* streamComparison(before: number, signal: AbortSignal, everywhere = false): AsyncGenerator<CompareLine> {
  const { projectId, revision } = await shownRevision();
  const { pageId, slice } = useSession.getState();
  const body = { page: pageId, before, revision, height: slice.height, pointer: slice.pointer, everywhere };
  for await (const line of streamLines(`/api/projects/${projectId}/compare`, body, signal)) yield lineSchema.parse(line);
}

/** The line-up as a file. */
export async function askSheet(wish: Readonly<Record<string, unknown>>, signal: AbortSignal): Promise<Blob> {
  const { projectId, revision } = await shownRevision();
  return (await postForAnswer(`/api/projects/${projectId}/sheet`, { ...wish, revision }, signal)).blob();
}
