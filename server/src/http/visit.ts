import type { Request } from 'express';
import type { Visit } from '../services/views/counted-visits.js';
import { sessionSecret } from './session.js';

/** Who asks, as far as counting needs it. A session that has ended counts as one: nobody asks the store for it here. */
export function visitOf(request: Request): Visit {
  const { headers, ip = '' } = request;
  return { headers, address: ip, isSignedIn: sessionSecret(request) !== null };
}

/** A host name has at most so many characters (RFC 1035, 2.3.4). */
const LONGEST_HOST = 253;

/**
 * The host of the site whose link led to a page, by Referer (RFC 9110, 10.1.3), of which nothing else is kept; '' for none. Null for
 * who comes from another page of this site, also where the browser says only that (Sec-Fetch-Site of Fetch Metadata, W3C).
 */
export function arrivedFrom({ headers }: Pick<Request, 'headers'>): string | null {
  const { referer = '', host = '' } = headers;
  const from = URL.canParse(referer) ? new URL(referer) : null;
  const isWithin = headers['sec-fetch-site'] === 'same-origin' || from?.host === host.toLowerCase();
  if (isWithin) return null;
  const isSite = from && /^https?:$/.test(from.protocol) && from.hostname.length <= LONGEST_HOST;
  return isSite ? from.hostname.replace(/^www\./, '') : '';
}
