import { z } from 'zod';
import { rehearsalInWords } from '@/core/behaviour';
import { announce } from '../editing/edits';
import { requestJson } from '../requests/requests';
import { savedRevision } from '../editing/saved-revision';
import { useSession } from '../state/store';

const rehearsalSchema = z.object({
  ...{ page: z.string(), name: z.string() },
  ...{ viewports: z.number(), built: z.number(), kept: z.number(), faults: z.array(z.string()) },
});
const answerSchema = z.object({ pages: z.array(rehearsalSchema) });

export interface Proven {
  readonly isFine: boolean;
  readonly sentences: readonly string[];
}

/** Has what is handed over tried in a browser; what was found is also announced. Never fails: what goes wrong is said. */
export async function rehearse(): Promise<Proven> {
  let proven: Proven;
  try {
    const revision = await savedRevision();
    const path = `/api/projects/${useSession.getState().project.id}/rehearsal`;
    const { pages } = answerSchema.parse(await requestJson(path, { method: 'POST', body: { revision } }));
    proven = {
      isFine: pages.every(({ faults }) => faults.length === 0),
      sentences: pages.length > 0 ? pages.map(rehearsalInWords) : ['Nothing is built later on any page that is handed over.'],
    };
  } catch (error) {
    proven = { isFine: false, sentences: [(error as Error).message] };
  }
  announce(proven.sentences.join(' '));
  return proven;
}
