import type { Live } from '../live/live.js';

/** How long something that was made for visitors holds. */
export interface Stretch {
  /** Of all that they see; with another one anything may look different. */
  readonly revision: number;
  /** The moment from which on it may look different though nothing was changed, in milliseconds since 1970. */
  readonly until: number;
}

/** For what is begun to be made now. */
export function stretchNow(live: Live): Stretch {
  return { revision: live.revision, until: live.holdsUntil(live.nowInMs()) };
}

export function holds({ revision, until }: Stretch, live: Live): boolean {
  return revision === live.revision && until > live.nowInMs();
}
