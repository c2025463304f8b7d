import type { SiteNotice } from '../structure/index.js';

/** What notices are about. */
export type NoticeName = 'leaves-soon' | 'has-left' | SiteNotice | PersonalNotice;

/** What the sender of a submission is told of it. */
export type SenderNotice = `submission-${'received' | 'returned' | 'accepted' | 'refused' | 'merged'}`;

/** What one person is told of their own access, whatever the site tells to others. */
export type PersonalNotice = 'invitation' | 'password-link' | 'access-changed' | SenderNotice;

/** What a notice says of a listing; kept with it, as the listing may be gone when it is read. */
export interface ToldListing {
  readonly title: string;
  /** What one of its kind, and many of it, are called. */
  readonly one: string;
  readonly many: string;
  /** When it leaves, left, or was featured until, in milliseconds since 1970. */
  readonly moment: number;
  /** Its page, whole; '' where the site has no address yet, or the listing no page. */
  readonly link: string;
  /** By places such as "field.price", what the wording wants to say of its fields. */
  readonly values: Readonly<Record<string, string>>;
}

/** Stands before the key of a field where a wording names it. */
export const FIELD_PLACE = 'field.';

/** A notice about a listing. */
export interface ListingNotice {
  readonly about: 'leaves-soon' | 'has-left' | 'featured-ended';
  readonly told: ToldListing;
}

/** A notice in sentences that are written already, in the words of the site. */
export interface PlainNotice {
  readonly about: Exclude<SiteNotice, 'featured-ended'>;
  readonly subject: string;
  readonly sentences: readonly string[];
}

export type Notice = ListingNotice | PlainNotice;

/** A mail as people read it, in plain text and as HTML. */
export interface MailText {
  readonly subject: string;
  readonly text: string;
  readonly html: string;
}
