import type { Listing } from '@plindo/core/listings';
import type { ListingNotice } from '@plindo/core/notices';
import { mailOfDay, mailOfNotice } from '@plindo/core/notices';
import { listingPath } from '@plindo/core/page';
import type { Deed, Kind } from '@plindo/core/structure';
import { isEmail, isKindShown } from '@plindo/core/structure';
import { dayNumberAt, momentOfLocal } from '@plindo/core/time';
import { Formats } from '@plindo/core/values';
import type { NewMail, Unit, WaitingNotice } from '../../store/index.js';

/** Something that a rule tells of a listing. */
export interface Told {
  readonly about: ListingNotice['about'];
  /** Of the consequence. */
  readonly key: string;
  readonly deed: Extract<Deed, { act: 'tell' }>;
  readonly listing: Listing;
  readonly leavesAt: number;
}

const DAY_IN_MS = 86_400_000;
const HOUR_IN_MS = 3_600_000;
/** At this hour of the site's zone the mails of the day go out, where the site says no other. */
export const DIGEST_HOUR = 8;

/** Writes what people are told into the outbox, in the unit of what causes it. */
export class Telling {
  private readonly formats: Formats;

  constructor(private readonly unit: Unit) {
    const { site, words } = unit.structure;
    this.formats = new Formats(site.locale, site.zone, words);
  }

  /** Tells of listings of a kind: at once, or with the mail of the day. */
  async tell(kind: Kind, all: readonly Told[]): Promise<void> {
    const mails: NewMail[] = [];
    const waiting: WaitingNotice[] = [];
    for (const told of all) {
      const said = this.noticeOf(kind, told);
      for (const recipient of recipientsOf(told)) {
        const key = [said.about, told.listing.id, told.leavesAt, told.key, recipient].join(' ');
        if (told.deed.manner === 'daily') waiting.push({ key, recipient, said });
        else mails.push({ key, recipient, about: said.about, ...mailOfNotice(said, this.site, this.formats) });
      }
    }
    await this.unit.outbox.addMails(mails);
    if (waiting.length === 0) return;
    await this.unit.outbox.addWaiting(waiting);
    await this.unit.due.put('digest', 0, this.nextDigest());
  }

  /** Sends everybody one mail with all that waits for it. */
  async tellOfDay(): Promise<void> {
    const day = dayNumberAt(this.unit.now, this.formats.zone);
    for (const [recipient, notices] of await this.unit.outbox.waiting()) {
      const said = notices.map((notice) => notice.said);
      const key = ['day', day, recipient, notices.at(-1)!.id].join(' ');
      const mail: NewMail = { key, recipient, about: 'day', ...mailOfDay(said, this.site, this.formats) };
      await this.unit.outbox.addMails([mail]);
      await this.unit.outbox.markTold(
        notices.map(({ id }) => id),
        key,
      );
    }
    await this.unit.due.put('digest', 0, null);
  }

  private get site(): string {
    return this.unit.structure.site.name;
  }

  /** The next time that mails of the day go out. */
  private nextDigest(): number {
    const { zone } = this.formats;
    const today = dayNumberAt(this.unit.now, zone);
    const at = (day: number): number => momentOfLocal(day * DAY_IN_MS + DIGEST_HOUR * HOUR_IN_MS, zone);
    return at(today) > this.unit.now ? at(today) : at(today + 1);
  }

  private noticeOf(kind: Kind, { about, listing, leavesAt }: Told): ListingNotice {
    const { address = '' } = this.unit.structure.site;
    const hasPage = address !== '' && kind.hasListingPages && isKindShown(kind);
    const link = hasPage ? `${address}${listingPath(kind, listing)}` : '';
    const { title } = listing;
    return { about, told: { title, one: kind.one, many: kind.many, moment: leavesAt, link } };
  }
}

/** Who is told: addresses of the rule, and those that stand in fields of the listing. */
function recipientsOf({ deed, listing }: Told): string[] {
  const own = deed.fields.map((key) => listing.values[key]).filter((one): one is string => typeof one === 'string');
  return [...new Set([...deed.to, ...own.filter(isEmail)])];
}
