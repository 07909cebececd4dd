import { randomBytes } from 'node:crypto';
import { NextResponse } from 'next/server';
import type { NextRequest } from 'next/server';
import { isOurHost } from '@/server/http/visitors';

const development = process.env.NODE_ENV === 'development';

/**
 * The policy of the program's own pages. Scripts run by their nonce alone. Preview frames are `srcdoc` documents and
 * take over this policy, so it must allow inline styles, data pictures and fonts; each frame narrows it further with a
 * policy of its own (see ui/stage/frame-document.ts).
 */
const policyWith = (nonce: string) =>
  [
    "default-src 'self'",
    "img-src 'self' data: blob:",
    "font-src 'self' data:",
    "style-src 'self' 'unsafe-inline'",
    `script-src 'self' 'nonce-${nonce}'${development ? " 'unsafe-eval'" : ''}`,
    "worker-src 'self' blob:",
    // Pages in quirks mode; each is sandboxed.
    "frame-src 'self' blob:",
    "connect-src 'self'",
    "object-src 'none'",
    "frame-ancestors 'none'",
    "base-uri 'none'",
    "form-action 'self'",
  ].join('; ');

/** Pages, as opposed to what they ask for: see `server/http/route.ts` for that. */
export function proxy(request: NextRequest): NextResponse {
  if (!isOurHost(request.headers.get('host') ?? ''))
    return new NextResponse('This program is not served under that name.\n', { status: 421 });
  const policy = policyWith(randomBytes(16).toString('base64'));
  // Next puts the nonce that it finds in the request's policy on its own scripts.
  const headers = new Headers(request.headers);
  headers.set('content-security-policy', policy);
  const answer = NextResponse.next({ request: { headers } });
  answer.headers.set('content-security-policy', policy);
  return answer;
}

export const config = { matcher: ['/((?!api/|_next/).*)'] };
