import type { User } from '@plindo/core/contract';
import { leavesAt } from '@plindo/core/listings';
import type { ListingNotice, MailText } from '@plindo/core/notices';
import { mailOfNotice } from '@plindo/core/notices';
import { checkWords, makeWords, ownWords } from '@plindo/core/design';
import { Formats, Refusal, SiteWords, languageOf, refuseIfAny } from '@plindo/core/values';
import type { Live } from '../../live/live.js';
import type { Store } from '../../store/index.js';
import { listingNotice } from './listing-notice.js';

/** What a notice would say, in place of what it says. */
export interface NoticeWording {
  readonly about: ListingNotice['about'];
  readonly subject: string;
  readonly text: string;
  /** Number of the listing that it is about. */
  readonly listing: number;
}

/** Shows the mails that another wording would make, before it is kept. */
export class NoticeWordings {
  constructor(
    private readonly store: Store,
    private readonly live: Live,
  ) {}

  /**
   * The mail about a listing. Refused by the codes of words where the wording is not right, and by `request.not-found`.
   */
  async preview({ about, subject, text, listing: id }: NoticeWording): Promise<MailText> {
    const listing = await this.store.listing(id);
    const kind = listing && this.live.kind(listing.kindId);
    if (!listing || !kind) throw Refusal.of('request.not-found');
    const site = this.live.site();
    const said = { [`notice.${about}.subject`]: subject, [`notice.${about}.text`]: text };
    refuseIfAny(checkWords(makeWords({ name: 'Words', language: languageOf(site.locale), said })));
    const words = new SiteWords(site.locale, { ...ownWords(site.locale, this.live.designs()), ...said });
    const formats = new Formats(site.locale, site.zone, words);
    const moment = leavesAt(listing, kind, site.zone) ?? this.live.nowInMs();
    return mailOfNotice(listingNotice(about, { kind, listing, moment }, site, formats), site.name, formats);
  }

  /** Puts that mail into the outbox, for whoever asks for it. */
  async sendTo(user: User, wording: NoticeWording): Promise<void> {
    const mail = await this.preview(wording);
    await this.store.aside((unit) => {
      const key = ['preview', user.id, unit.now, wording.listing, wording.about].join(' ');
      return unit.outbox.addMails([{ ...mail, key, about: wording.about, recipient: user.email }]);
    });
  }
}
