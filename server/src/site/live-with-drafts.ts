import type { Design } from '@plindo/core/design';
import { withDrafts } from '@plindo/core/design';
import type { Live } from '../live/live.js';

/** The same site, but with every draft in its place, for those who look at what they are designing. */
export function liveWithDrafts(live: Live): Live {
  const designs = (): readonly Design[] => withDrafts(live.designs(), live.drafts());
  return Object.create(live, { designs: { value: designs } }) as Live;
}
