import { HttpError } from '@/server/http/errors';
import { route } from '@/server/http/route';
import { pictureBytes } from '@/server/store/page-pictures';

/** One small picture. What it shows never changes: another page has another digest. */
export const GET = route<{ digest: string }>(async (_, { digest }) => {
  if (!/^[0-9a-f]{40}$/.test(digest)) throw new HttpError(404, 'There is no such picture.');
  return new Response(new Uint8Array(await pictureBytes(digest)), {
    headers: { 'content-type': 'image/png', 'cache-control': 'private, max-age=31536000, immutable' },
  });
});
