import { useEffect, useMemo, useState } from 'react';
import { z } from 'zod';
import type { Slice } from '@/core/breakpoints';
import type { Page, Project } from '@/core/document';
import type { Fetched, PictureSizes } from '@/core/pictures';
import { behindOn, fetchedOn } from '@/core/pictures';
import { Refused, requestJson } from '../requests/requests';
import { shownPage, shownProject, useSession } from '../state/store';

const piecesSchema = z.array(z.object({ from: z.number(), slope: z.number(), offset: z.number() }));
const answerSchema = z.object({ images: z.record(z.string(), piecesSchema), behind: z.record(z.string(), z.number()) });

/** Ms without an edit after which pictures are measured anew. */
const PAUSE_MS = 600;

export interface Measurement {
  /** Undefined while nothing has been measured yet. */
  readonly sizes: PictureSizes | undefined;
  /** Why nothing can be said, in words. */
  readonly problem: string | undefined;
  readonly isMeasuring: boolean;
}

const hasPhotos = ({ pictures }: Project) => pictures.some(({ photo }) => photo);
const NONE: PictureSizes = { images: new Map(), behind: new Map() };

/** How wide the page at work shows its pictures, measured on the server whenever it has been saved. */
export function usePictureSizes(): Measurement {
  const id = useSession((session) => session.project.id);
  const page = useSession((session) => shownPage(session).id);
  const revision = useSession((session) => session.revision);
  const isSaved = useSession((session) => session.pending.length === 0);
  const needed = useSession((session) => hasPhotos(session.project));
  const [known, setKnown] = useState<{ page: string; sizes: PictureSizes; revision: number }>();
  const [problem, setProblem] = useState<string>();
  useEffect(() => {
    if (!needed || !isSaved) return undefined;
    let isLeft = false;
    const timer = setTimeout(() => {
      requestJson(`/api/projects/${id}/picture-sizes`, { method: 'POST', body: { page, revision } }).then(
        (answer) => {
          if (isLeft) return;
          const { images, behind } = answerSchema.parse(answer);
          const sizes = { images: new Map([[page, new Map(Object.entries(images))]]), behind: new Map(Object.entries(behind)) };
          setKnown({ page, sizes, revision });
          setProblem(undefined);
        },
        (error: Error) => {
          // Somebody else's edit comes in soon, and asks again.
          if (!isLeft && !(error instanceof Refused && error.status === 409)) setProblem(error.message);
        },
      );
    }, PAUSE_MS);
    return () => {
      isLeft = true;
      clearTimeout(timer);
    };
  }, [id, page, revision, isSaved, needed]);
  if (!needed) return { sizes: NONE, problem: undefined, isMeasuring: false };
  const sizes = known?.page === page ? known.sizes : undefined;
  return { sizes, problem, isMeasuring: problem === undefined && (sizes === undefined || known!.revision !== revision) };
}

export type FetchedAt = (width: number, density: number, slice: Slice) => readonly Fetched[];

/** What browsers fetch for the page at work, by width and density; undefined until it has been measured. */
export function useFetched({ sizes }: Measurement): FetchedAt | undefined {
  const project = useSession(shownProject);
  const page = useSession(shownPage);
  return useMemo(() => sizes && fetchedFor(project, page, sizes), [project, page, sizes]);
}

function fetchedFor(project: Project, page: Page, sizes: PictureSizes): FetchedAt {
  const known = new Map<string, readonly Fetched[]>();
  return (width, density, slice) => {
    const key = JSON.stringify([width, density, slice]);
    let fetched = known.get(key);
    if (!fetched) {
      const { height, pointer, scheme, motion, text } = slice;
      const viewport = { width, height, pointer, scheme, motion, text };
      fetched = fetchedOn(project, page, sizes, behindOn(project, page, slice), viewport, density);
      known.set(key, fetched);
    }
    return fetched;
  };
}

export const sumOf = (fetched: readonly Fetched[], what: 'bytes' | 'before'): number =>
  fetched.reduce((sum, one) => sum + one[what], 0);
