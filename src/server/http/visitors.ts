import { HttpError } from './errors';

const LOOPBACK = ['127.0.0.1', 'localhost', '[::1]'];

/**
 * The hosts under which this program is spoken to: where it listens on loopback, and those that MILLPOND_HOSTS names,
 * separated by commas, for a server in front of it.
 * @param address what it listens on, "127.0.0.1:4170"; without one any port of loopback will do
 */
export function isOurHost(host: string, address = process.env.MILLPOND_ADDRESS, more = process.env.MILLPOND_HOSTS): boolean {
  const named = (more ?? '').split(',').map((one) => one.trim().toLowerCase());
  const asked = host.toLowerCase();
  if (asked !== '' && named.includes(asked)) return true;
  const [, name, port] = /^(\[[0-9a-f:.]+\]|[^:]+)(?::(\d+))?$/.exec(asked) ?? [];
  if (name === undefined || !LOOPBACK.includes(name)) return false;
  const ours = address === undefined ? undefined : /:(\d+)$/.exec(address)?.[1];
  return ours === undefined || (port ?? '80') === ours;
}

/**
 * Lets in only requests that were meant for this program and come from its own pages or from no page at all: there is no
 * log-in to tell people apart by, so a page of another site must neither change nor read anything. Host against DNS
 * rebinding (RFC 9110, 7.2), Origin (RFC 6454), and Fetch Metadata (W3C), which browsers send with reads too.
 * @throws HttpError 421 or 403
 */
export function requireOurs(headers: Headers): void {
  if (!isOurHost(headers.get('host') ?? ''))
    throw new HttpError(421, 'This program is not served under that name. MILLPOND_HOSTS lets in further ones.');
  const site = headers.get('sec-fetch-site');
  if (site !== null && site !== 'same-origin' && site !== 'none') throw new HttpError(403, ELSEWHERE);
  const origin = headers.get('origin');
  if (origin !== null && hostOf(origin) !== headers.get('host')) throw new HttpError(403, ELSEWHERE);
}

const ELSEWHERE = 'Requests from other sites are not answered.';

function hostOf(origin: string): string {
  try {
    return new URL(origin).host;
  } catch {
    return '';
  }
}
