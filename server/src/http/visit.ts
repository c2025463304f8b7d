import type { Request } from 'express';
import type { Visit } from '../services/views/counted-visits.js';
import { sessionSecret } from './session.js';

/** Who asks, as far as counting needs it. A session that has ended counts as one: nobody asks the store for it here. */
export function visitOf(request: Request): Visit {
  const { headers, ip = '' } = request;
  return { headers, address: ip, isSignedIn: sessionSecret(request) !== null };
}
