import { isbot } from 'isbot';
import type { IncomingHttpHeaders } from 'node:http';

/** What is known of who asks for a page. It is never kept. */
export interface Visit {
  readonly headers: IncomingHttpHeaders;
  readonly address: string;
  readonly isSignedIn: boolean;
}

/**
 * Whether somebody who looks at a page counts: no known robot (by the list of the library isbot), nobody who is signed in, no
 * browser that fetches ahead (Sec-Purpose of the Fetch standard), and nobody who asks not to be watched (DNT of Tracking
 * Preference Expression, Sec-GPC of Global Privacy Control, both W3C).
 */
export function isCounted({ headers, isSignedIn }: Visit): boolean {
  const agent = headers['user-agent'] ?? '';
  const purpose = [headers['sec-purpose'], headers['purpose'], headers['x-moz']].join();
  const isAhead = /prefetch|prerender|preview/i.test(purpose);
  const objects = headers['dnt'] === '1' || headers['sec-gpc'] === '1';
  return !isSignedIn && !isAhead && !objects && agent !== '' && !isbot(agent);
}
