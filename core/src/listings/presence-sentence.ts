import type { ReadContext } from '../structure/index.js';
import type { Formats } from '../values/index.js';
import { momentWords } from './expiry/expiry-words.js';
import type { ShownParts } from './listing.js';

/**
 * Since when or until when visitors see a listing, with the zone and how far that is from now; '' for one whose status
 * keeps it from them, or that has no window.
 */
export function presenceSentence({ status, shownFrom, leavesAt }: ShownParts, context: ReadContext): string {
  if (status !== 'live') return '';
  const { nowInMs, formats } = context;
  const told = (moment: number): string =>
    `${momentWords(moment, formats)} (${formats.zone}), ${distance(moment, context)}`;
  if (leavesAt !== null && leavesAt <= nowInMs) return `Left the site ${told(leavesAt)}.`;
  if (shownFrom !== null && shownFrom > nowInMs) return `Comes to the site on ${told(shownFrom)}.`;
  return leavesAt === null ? '' : `Leaves the site ${told(leavesAt)}.`;
}

const MINUTE_IN_MS = 60_000;
const STEPS = [
  { unit: 'minute', inMs: MINUTE_IN_MS, upTo: 120 },
  { unit: 'hour', inMs: 60 * MINUTE_IN_MS, upTo: 48 },
  { unit: 'day', inMs: 1440 * MINUTE_IN_MS, upTo: Infinity },
] as const;

/** "in 3 days", "2 hours ago". */
function distance(moment: number, { nowInMs, formats }: { nowInMs: number; formats: Formats }): string {
  const away = moment - nowInMs;
  const step = STEPS.find(({ inMs, upTo }) => Math.abs(away) / inMs < upTo) ?? STEPS[2];
  return formats.relative(Math.trunc(away / step.inMs), step.unit);
}
