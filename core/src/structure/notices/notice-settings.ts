import { isEmail } from '../field-types/email.js';
import type { NoticeManner } from '../expiry/expiry-rule.js';

/** What the site tells of itself; what happens to listings that leave, the rules of their kinds tell. */
export const SITE_NOTICES = [
  ...['featured-ended', 'import-finished', 'problems', 'signed-in', 'backup-made', 'backup-failed', 'submission-came'],
] as const;
export type SiteNotice = (typeof SITE_NOTICES)[number];

/** Who is told of something, and how. */
export interface NoticeTarget {
  /** Checked e-mail addresses. */
  readonly to: readonly string[];
  readonly manner: NoticeManner;
}

export interface NoticeSettings {
  /** At which hour of the site's zone the mails of the day go out: 0 to 23. */
  readonly hour: number;
  /** What is told; what isn't here is not. */
  readonly told: Readonly<Partial<Record<SiteNotice, NoticeTarget>>>;
}

export const DEFAULT_NOTICES: NoticeSettings = { hour: 8, told: {} };

/** What is wrong with notices, in sentences that name the place. */
export function noticeFaults({ hour, told }: NoticeSettings): string[] {
  const faults = Number.isInteger(hour) && hour >= 0 && hour <= 23 ? [] : ['The hour must be from 0 to 23.'];
  for (const { to } of Object.values(told)) {
    faults.push(...to.filter((one) => !isEmail(one)).map((one) => `“${one}” is not an e-mail address.`));
  }
  return faults;
}
