import { businessesAndOffers } from './businesses-and-offers.js';
import { coursesAndDates } from './courses-and-dates.js';
import { peopleAndPractices } from './people-and-practices.js';
import { placesToStay } from './places-to-stay.js';
import type { SiteStarter } from './site-starter.js';

export const SITE_STARTERS: readonly SiteStarter[] = [
  placesToStay,
  peopleAndPractices,
  coursesAndDates,
  businessesAndOffers,
];

export function findSiteStarter(name: string): SiteStarter | undefined {
  return SITE_STARTERS.find((starter) => starter.name === name);
}
