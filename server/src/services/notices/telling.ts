import type { Listing } from '@plindo/core/listings';
import type { User } from '@plindo/core/contract';
import type { ListingNotice, Notice, PersonalNotice, PlainNotice } from '@plindo/core/notices';
import { mailOfDay, mailOfNotice, mailOfPerson } from '@plindo/core/notices';
import type { Deed, Kind, NoticeTarget, SiteNotice } from '@plindo/core/structure';
import { DEFAULT_NOTICES, isEmail } from '@plindo/core/structure';
import { dayNumberAt, nextAtHour } from '@plindo/core/time';
import type { WordValues } from '@plindo/core/values';
import { Formats } from '@plindo/core/values';
import type { NewMail, Unit, WaitingNotice } from '../../store/index.js';
import { listingNotice } from './listing-notice.js';

/** Something that a rule tells of a listing. */
export interface Told {
  readonly about: ListingNotice['about'];
  /** Of the consequence. */
  readonly key: string;
  readonly deed: Extract<Deed, { act: 'tell' }>;
  readonly listing: Listing;
  readonly leavesAt: number;
}

/** A notice on its way to people; its key tells it from all others, so that nobody is told the same twice. */
interface OnItsWay {
  readonly key: string;
  readonly recipients: readonly string[];
  readonly manner: NoticeTarget['manner'];
  readonly said: Notice;
}

/** Writes what people are told into the outbox, in the unit of what causes it. */
export class Telling {
  private readonly formats: Formats;

  constructor(private readonly unit: Unit) {
    const { site, words } = unit.structure;
    this.formats = new Formats(site.locale, site.zone, words);
  }

  /** Tells what a rule says of listings of a kind. */
  tellByRule(kind: Kind, all: readonly Told[]): Promise<void> {
    return this.send(
      all.map((told): OnItsWay => {
        const { about, listing, leavesAt, key, deed } = told;
        const recipients = recipientsOf(told);
        const said = this.ofListing(about, kind, listing, leavesAt);
        return { key: [about, listing.id, leavesAt, key].join(' '), recipients, manner: deed.manner, said };
      }),
    );
  }

  /** Tells that a listing is no longer featured, if the site tells that. */
  async tellFeatured(kind: Kind, listing: Listing, until: number): Promise<void> {
    const target = this.target('featured-ended');
    if (!target) return;
    const said = this.ofListing('featured-ended', kind, listing, until);
    await this.send([{ key: ['featured-ended', listing.id, until].join(' '), recipients: target.to, ...target, said }]);
  }

  /** Tells something of the site in its words, if the site tells that; `also` is told beside those who always are. */
  async tellOfSite(
    about: PlainNotice['about'],
    key: string,
    values: WordValues,
    also: readonly string[] = [],
  ): Promise<void> {
    const target = this.target(about);
    if (!target) return;
    const { words } = this.formats;
    const all = { site: this.site, moment: this.moment(), ...values };
    const subject = words.say(`notice.${about}.subject`, all);
    const said: PlainNotice = { about, subject, sentences: [words.say(`notice.${about}.text`, all)] };
    const recipients = [...new Set([...target.to, ...also])];
    await this.send([{ key: `${about} ${key}`, recipients, manner: target.manner, said }]);
  }

  /** Tells one person something of their own access, at once; `key` tells it from all others of that sort. */
  async tellPerson(
    about: PersonalNotice,
    key: string,
    values: WordValues,
    { to, link }: { readonly to: string; readonly link: string },
  ): Promise<void> {
    const all = { site: this.site, email: to, ...values };
    const mail = mailOfPerson(about, all, link, this.formats);
    await this.unit.outbox.addMails([{ key: `${about} ${key} ${to}`, recipient: to, about, ...mail }]);
  }

  /** Tells somebody that their access was changed, in case it wasn't by them. */
  tellOfAccess({ id, email }: User, what: 'password' | 'email' | 'step-off'): Promise<void> {
    const values = { what: this.formats.words.say(`notice.access.${what}`), moment: this.moment() };
    return this.tellPerson('access-changed', `${id} ${what} ${this.unit.now}`, values, { to: email, link: '' });
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

  private async send(all: readonly OnItsWay[]): Promise<void> {
    const mails: NewMail[] = [];
    const waiting: WaitingNotice[] = [];
    for (const { key: own, recipients, manner, said } of all) {
      for (const recipient of recipients) {
        const key = `${own} ${recipient}`;
        if (manner === 'daily') waiting.push({ key, recipient, said });
        else mails.push({ key, recipient, about: said.about, ...mailOfNotice(said, this.site, this.formats) });
      }
    }
    await this.unit.outbox.addMails(mails);
    if (waiting.length === 0) return;
    await this.unit.outbox.addWaiting(waiting);
    // Only ever earlier: a mail of the day that is due already must not be put off by this notice.
    await this.unit.due.putBy('digest', 0, this.nextDigest());
  }

  private get site(): string {
    return this.unit.structure.site.name;
  }

  private get settings(): typeof DEFAULT_NOTICES {
    return this.unit.structure.site.notices ?? DEFAULT_NOTICES;
  }

  private target(about: SiteNotice): NoticeTarget | null {
    return this.settings.told[about] ?? null;
  }

  /** The present moment in words. */
  private moment(): string {
    const { words, zone } = this.formats;
    return words.say('notice.moment', { moment: this.formats.exactly(this.unit.now), zone });
  }

  /** The next time that mails of the day go out. */
  private nextDigest(): number {
    return nextAtHour(this.unit.now, this.settings.hour, this.formats.zone);
  }

  private ofListing(about: ListingNotice['about'], kind: Kind, listing: Listing, moment: number): ListingNotice {
    return listingNotice(about, { kind, listing, moment }, this.unit.structure.site, this.formats);
  }
}

/** Who is told: addresses of the rule, and those that stand in fields of the listing. */
function recipientsOf({ deed, listing }: Told): string[] {
  const own = deed.fields.map((key) => listing.values[key]).filter((one): one is string => typeof one === 'string');
  return [...new Set([...deed.to, ...own.filter(isEmail)])];
}
