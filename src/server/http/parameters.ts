import { randomBytes } from 'node:crypto';
import { z } from 'zod';
import { HttpError } from './errors';

/** The project's id in the path. @throws HttpError 404, since nothing can be filed under what isn't an id. */
export function projectId({ id }: { id: string }): string {
  if (!z.uuid().safeParse(id).success) throw new HttpError(404, 'There is no such project.');
  return id;
}

/** An id for a picture that comes into some project. */
export const newPictureId = (): string => `p${randomBytes(9).toString('hex')}`;
