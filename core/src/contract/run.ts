import type { ExpiryEffects } from '../listings/index.js';

/** What another zone would do to the listings of a kind. */
export interface ZoneEffects {
  readonly kindId: number;
  /** What many of its listings are called. */
  readonly many: string;
  readonly effects: ExpiryEffects;
}
