import { createWriteStream } from 'node:fs';
import { join } from 'node:path';
import { finished } from 'node:stream/promises';
import { listingPath } from '@plindo/core/page';
import { dayNumberAt } from '@plindo/core/time';
import { Dice } from '@plindo/core/values';
import type { Assembly } from '@plindo/server/assemble';
import type { PlayedSite, PlayedVisit } from './visits.js';
import { visitsOf } from './visits.js';

const DAYS = 400;
/** How many visits a plain day has in the first month, and how many the last one. */
const VISITS_AT_FIRST = 50;
const VISITS_AT_LAST = 110;
/** So many days are written at once. */
const DAYS_A_WRITING = 14;
/** Where the stand-in writes down what it played, one visit a line (JSON). */
export const RECORD = 'visitors.jsonl';

type Parts = Pick<Assembly, 'services'>;

/** Plays those who have looked at the guide in the last thirteen months, up to yesterday, and writes down what each did. */
export async function playVisitors({ services }: Parts, folder: string): Promise<void> {
  const { live, views } = services;
  const dice = new Dice(1851);
  const site = siteToPlay({ services }, dice);
  const today = dayNumberAt(live.nowInMs(), site.zone);
  const addressOf = addressesOf({ services });
  const record = createWriteStream(join(folder, RECORD));
  for (let ago = DAYS; ago >= 1; ago--) {
    const visits = VISITS_AT_LAST - ((VISITS_AT_LAST - VISITS_AT_FIRST) * ago) / DAYS;
    for (const visit of visitsOf(site, today - ago, visits, dice)) {
      const address = addressOf(visit.address);
      if (address === null) continue;
      const who = { ...requestOf(visit), isSignedIn: false };
      views.note(who, { address, arrivedFrom: visit.from }, visit.at);
      record.write(lineOf(visit));
    }
    if (ago % DAYS_A_WRITING === 1) await views.write();
  }
  record.end();
  await finished(record);
  await live.views.readAll();
}

/** The listings of the guide, in an order of how often they are looked at. */
export function siteToPlay({ services: { live } }: Parts, dice: Dice): PlayedSite {
  const listings = live.kinds().map((kind) => {
    const catalog = live.catalog(kind.id)!;
    const rows = [...catalog.onSiteAt(live.nowInMs()).toRows()]
      .map((row) => ({ row, lot: dice.next() }))
      .sort((a, b) => a.lot - b.lot);
    const told = rows.map(({ row }) => ({
      id: catalog.ids[row]!,
      path: listingPath(kind, { address: catalog.addressAt(row) }),
    }));
    return [kind.slug, told] as const;
  });
  return { zone: live.site().zone, listings: Object.fromEntries(listings) };
}

/** The headers and the address of a visitor's computer with which a visit comes. */
export function requestOf({ visitor, day, browser, refuses }: PlayedVisit): {
  readonly headers: Record<string, string>;
  readonly address: string;
} {
  const address = `10.${day % 200}.${visitor >> 8}.${visitor & 255}`;
  return { headers: { 'user-agent': browser, ...(refuses && { dnt: '1' }) }, address };
}

/** A visit as it is written down, without what its computer says of itself. */
function lineOf({ browser, address, ...told }: PlayedVisit): string {
  void [browser, address];
  return `${JSON.stringify(told)}\n`;
}

/** The one address of a page, by the address with which visits come to it; null where no page is. */
function addressesOf({ services: { pages } }: Parts): (asked: string) => string | null {
  const known = new Map<string, string | null>();
  return (asked) => {
    if (!known.has(asked)) {
      const found = pages.destination(asked);
      known.set(asked, found.kind === 'page' ? found.address : null);
    }
    return known.get(asked) ?? null;
  };
}
