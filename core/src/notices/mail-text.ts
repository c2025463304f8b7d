import { localInMs } from '../time/index.js';
import type { Formats, WordValues } from '../values/index.js';
import type { MailText, Notice, PersonalNotice, ToldListing } from './notice.js';

const DAY_IN_MS = 86_400_000;
/** Mail programs read styles of elements only. */
const BODY = 'max-width:36rem;margin:1.5rem;font:16px/1.5 system-ui,sans-serif;color:#16263a';

/** A stretch of a mail: a sentence, or the page that it leads to. */
interface Stretch {
  readonly words: string;
  readonly link?: string;
}

/** The mail of one notice, in the words of the site. */
export function mailOfNotice(notice: Notice, site: string, formats: Formats): MailText {
  const { words } = formats;
  const { about } = notice;
  if (!('told' in notice)) {
    const stretches = [...notice.sentences, words.say('notice.why-set', { site })].map((one): Stretch => ({
      words: one,
    }));
    return mailOf(notice.subject, stretches, formats.locale);
  }
  const { told } = notice;
  const values = valuesOf(told, site, formats);
  const stretches: Stretch[] = [
    { words: words.say(`notice.${notice.about}.text`, values) },
    ...(told.link === '' ? [] : [{ words: words.say('notice.see', values), link: told.link }]),
    { words: words.say(about === 'featured-ended' ? 'notice.why-set' : 'notice.why-rule', values) },
  ];
  return mailOf(subjectOf(notice, site, formats), stretches, formats.locale);
}

/** A mail to one person alone, with a link that is theirs; '' for none. */
export function mailOfPerson(
  about: PersonalNotice,
  values: WordValues,
  link: string,
  { words, locale }: Pick<Formats, 'words' | 'locale'>,
): MailText {
  const stretches: Stretch[] = [
    { words: words.say(`notice.${about}.text`, values), ...(link !== '' && { link }) },
    { words: words.say(whyOf(about), values) },
  ];
  return mailOf(words.say(`notice.${about}.subject`, values), stretches, locale);
}

function whyOf(
  about: PersonalNotice,
): `notice.${'invitation' | 'password-link' | 'access-changed' | 'submission'}.why` {
  return about === 'invitation' || about === 'password-link' || about === 'access-changed'
    ? `notice.${about}.why`
    : 'notice.submission.why';
}

/** One mail of several notices, those of one sort below one another. */
export function mailOfDay(notices: readonly Notice[], site: string, formats: Formats): MailText {
  const { words } = formats;
  const stretches = notices.map((notice): Stretch => {
    const line = subjectOf(notice, site, formats);
    return 'told' in notice && notice.told.link !== '' ? { words: line, link: notice.told.link } : { words: line };
  });
  const subject = words.say('notice.day.subject', { site, count: notices.length });
  return mailOf(subject, [{ words: words.say('notice.day.text', { site }) }, ...stretches], formats.locale);
}

function subjectOf(notice: Notice, site: string, formats: Formats): string {
  if (!('told' in notice)) return notice.subject;
  return formats.words.say(`notice.${notice.about}.subject`, valuesOf(notice.told, site, formats));
}

function valuesOf(
  { title, one, many, moment, link, values }: ToldListing,
  site: string,
  formats: Formats,
): Record<string, string> {
  return {
    ...values,
    title,
    one,
    many,
    site,
    link,
    moment: saidMoment(moment, formats, true),
    when: saidMoment(moment, formats, false),
  };
}

/** "on Friday, 4 December 2026 at 18:00", "at the end of Thursday, 3 December 2026", in the words of the site. */
function saidMoment(moment: number, formats: Formats, withZone: boolean): string {
  const { words, zone } = formats;
  const local = localInMs(moment, zone);
  return local % DAY_IN_MS === 0
    ? words.say('notice.day-end', { day: formats.weekday(local - 1) })
    : words.say(withZone ? 'notice.moment' : 'notice.moment-short', { moment: formats.exactly(moment), zone });
}

function mailOf(subject: string, stretches: readonly Stretch[], locale: string): MailText {
  const plain = stretches.map(({ words, link }) => (link === undefined ? words : `${words}\n${link}`));
  const rich = stretches.map(({ words, link }) =>
    link === undefined
      ? `<p>${escaped(words)}</p>`
      : `<p>${escaped(words)}<br><a href="${escaped(link)}">${escaped(link)}</a></p>`,
  );
  return {
    subject: oneLine(subject),
    text: `${plain.join('\n\n')}\n`,
    html: `<!doctype html>\n<html lang="${escaped(locale)}"><body style="${BODY}">${rich.join('\n')}</body></html>\n`,
  };
}

/** A subject is one line: what would begin another header of the mail is taken out. */
function oneLine(text: string): string {
  return text.replace(/[\r\n\t]+/g, ' ').trim();
}

function escaped(text: string): string {
  const marks: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };
  return text.replace(/[&<>"]/g, (mark) => marks[mark]!);
}
