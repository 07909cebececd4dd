import { PACKAGE_LIMITS } from '@/core/bring-in';
import { arrived } from './body';
import { HttpError } from './errors';

/** How long a package may take to arrive, ms. */
const ARRIVAL_MOST_MS = 120_000;

/** The ZIP that a request brings. @throws HttpError 415, 413 or 408 */
export async function readPackage(request: Request): Promise<Uint8Array> {
  if (!/^application\/zip\b/.test(request.headers.get('content-type') ?? ''))
    throw new HttpError(415, 'A package comes as a ZIP file.');
  const words = `A package is at most ${PACKAGE_LIMITS.sent / 1_000_000} MB.`;
  if (Number(request.headers.get('content-length') ?? 0) > PACKAGE_LIMITS.sent) throw new HttpError(413, words);
  return arrived(request, ARRIVAL_MOST_MS, PACKAGE_LIMITS.sent, words);
}
