import { business } from './business.js';
import { comingDate } from './coming-date.js';
import { person } from './person.js';
import { placeToStay } from './place-to-stay.js';
import { placeToVisit } from './place-to-visit.js';
import { plainRow } from './plain-row.js';
import { thingForHire } from './thing-for-hire.js';
import { wordsOnPicture } from './words-on-picture.js';
import type { CardStarter, StarterKind } from './starter.js';
import { fitOf } from './starter.js';

/** The cards to begin with. */
export const CARD_STARTERS: readonly CardStarter[] = [
  placeToStay,
  placeToVisit,
  comingDate,
  person,
  business,
  thingForHire,
  wordsOnPicture,
  plainRow,
];

/** The cards to begin with, those first that fit a kind best. */
export function cardStartersFor(kind: StarterKind): CardStarter[] {
  const fits = new Map(CARD_STARTERS.map((starter) => [starter, fitOf(starter, kind)]));
  return [...CARD_STARTERS].sort((a, b) => fits.get(b)! - fits.get(a)!);
}
