import { z } from 'zod';
import type { Picture } from '@/core/document';
import { freePictureName, pictureSchema } from '@/core/document';
import { loadFiles } from '../bring-in/files';
import { commit } from '../editing/edits';
import { postBytes, requestJson } from '../requests/requests';
import { useSession } from '../state/store';
import type { Cut } from '@/core/pictures';

const answerSchema = z.object({ picture: pictureSchema, notes: z.array(z.string()) });

/** What became of a file that was to be a picture. */
export interface Taken {
  readonly name: string;
  readonly picture?: Picture;
  /** What is wrong with it, or what should be known of it, in sentences. */
  readonly words: readonly string[];
}

/** Whether a file is a picture by its name. Which kind it is its bytes say. */
export const isPictureName = (name: string): boolean => /\.(png|jpe?g|webp|avif|svg|gif|bmp|tiff?|heic)$/i.test(name);

/** A picture that the server has read, under a name that is free, with what frames show of it known. */
async function arrived(picture: Picture): Promise<Picture> {
  const { project } = useSession.getState();
  const named = {
    ...picture,
    fileName: freePictureName(
      project.pictures.map((one) => one.fileName),
      picture.fileName,
    ),
  };
  await loadFiles({ ...project, pictures: [named] });
  return named;
}

async function send(file: Blob, name: string, signal: AbortSignal): Promise<Taken> {
  const { project } = useSession.getState();
  const path = `/api/projects/${project.id}/uploads?name=${encodeURIComponent(name)}`;
  const response = await postBytes(path, file, 'application/octet-stream', signal);
  const { picture, notes } = answerSchema.parse(await response.json());
  const same = useSession.getState().project.pictures.find((one) => isSame(one, picture));
  if (same) return { name, picture: same, words: [`${name} is in the project already, as ${same.fileName}.`] };
  const named = await arrived(picture);
  const wrong = commit({ type: 'addPicture', picture: named });
  return wrong ? { name, words: [wrong] } : { name, picture: named, words: notes };
}

const isSame = (a: Picture, b: Picture) => (a.photo ? a.photo.hash === b.photo?.hash && !a.photo.crop : a.svg === b.svg);

/**
 * Reads files on the server, one after the other, and takes them into the project as pictures.
 * @param told what became of each, as soon as it is known
 */
export async function addPictures(
  files: readonly { readonly name: string; readonly file: Blob }[],
  told: (taken: Taken) => void,
  signal: AbortSignal,
): Promise<void> {
  for (const { name, file } of files) {
    if (signal.aborted) return;
    told(
      await send(file, name, signal).catch((error: Error) => ({ name, words: [signal.aborted ? 'Stopped.' : error.message] })),
    );
  }
}

/** Cuts a picture anew on the server. @throws Refused */
export async function cutOut(picture: string, cut: Cut): Promise<Picture> {
  const { project } = useSession.getState();
  const answer = await requestJson(`/api/projects/${project.id}/uploads/crop`, { method: 'POST', body: { picture, cut } });
  return arrived(answerSchema.parse(answer).picture);
}
