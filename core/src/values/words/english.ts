import { ENGLISH_VIEW } from './english-view.js';
import { ENGLISH_REFUSALS } from './refusals.js';
import type { Wording } from './wording.js';

/**
 * Every sentence that Plindo itself says to visitors, in English, by its key. Whatever a publisher writes (labels,
 * headings, pages) is the publisher's. Each key has the same places in all languages.
 */
export const ENGLISH = {
  ...ENGLISH_VIEW,
  ...ENGLISH_REFUSALS,

  'views.privacy':
    '{site} counts how often its pages are looked at, what is searched and chosen on them, and from which sites people come, and nothing about who does. It sets no cookie for that and keeps no address: so that nobody counts twice in half an hour, it remembers for that long a code that is made of address and browser with a secret that is thrown away every day. It counts nobody whose browser sends “Do Not Track” or “Global Privacy Control”.',
  'views.privacy-off': '{site} counts nothing of who looks at its pages.',

  'part.title': 'Title',
  'part.summary': 'Summary',
  'part.picture': 'Lead picture',
  'part.body': 'Body',
  'part.place': 'Place',
  'part.author': 'Author',
  'part.featured': 'Featured',
  'part.views': 'Views in 30 days',
  'part.publishedAt': 'Published',
  'part.createdAt': 'Added',
  'part.changedAt': 'Changed',
  'part.distance': 'Distance',
  'part.daysLeft': 'Days left',

  'value.yes': 'Yes',
  'value.no': 'No',
  'value.stars': '{given} of {all}',
  'value.row': '{label}, row {number}',
  'value.rows': { one: '{count} row', other: '{count} rows' },
  'value.north': 'N',
  'value.south': 'S',
  'value.east': 'E',
  'value.west': 'W',
  'value.distance': '{distance} away',
  'value.last-day': 'Last day',
  'value.days-left': { one: '{count} day left', other: '{count} days left' },

  'range.between': '{from} to {to}',
  'range.from': '{from} or more',
  'range.to': 'up to {to}',
  'days.between': '{from} to {to}',
  'days.decade': '{year}s',
  'days.from': 'from {from}',
  'days.to': 'until {to}',
  'stars.all': { one: '{count} star', other: '{count} stars' },
  'stars.least': { one: '{count} star or more', other: '{count} stars or more' },

  'chip.search': '“{text}”',
  'chip.box': 'In a part of the map',
  'chip.near': '{facet}: from {place}',
  'chip.within': '{facet}: within {distance} of {place}',
  'chip.your-position': 'your position',
  'chip.no-place': '“{place}”, which is not known',
  'chip.the-box': 'the part of the map',

  'count.none-yet': 'No {many} yet',
  'count.all': { one: '{count} {one}', other: '{count} {many}' },
  'count.some': { one: '{found} of {count} {one}', other: '{found} of {count} {many}' },

  'search.label': 'Search {many}',
  'search.some-words': 'No {one} has all of these words; shown is what has {met} of the {wanted}.',

  'sort.best': 'Best match',
  'sort.nearest': 'Nearest first',
  'sort.featured': 'Featured first',
  'sort.arranged': 'As arranged',

  'order.title': 'Title, A to Z',
  'order.newest': 'Newest first',
  'order.by': '{field}, {direction}',
  'order.lowest': 'lowest first',
  'order.highest': 'highest first',
  'order.earliest': 'earliest first',
  'order.latest': 'latest first',

  'group.week': 'Week {week}, {days}',
  'group.undated': 'Without a date',

  'list.rest': 'More {many}',
  'list.one': 'Listing',
  'list.many': 'Listings',
  'list.kind': 'Kind',

  'map.label': { one: 'Map of {count} {one}', other: 'Map of {count} {many}' },
  'breadcrumb.label': 'Where you are',
  'breadcrumb.all': 'All {many}',
  'byline.by': 'By {author}',
  'byline.changed': 'changed {day}',
  'specification.more': 'More',
  'shortlist.title': 'Shortlist',
  'home.nothing': 'Nothing has been published here yet.',

  'over.text': 'This {one} has been over since {day}.',

  'notice.moment': 'on {moment} ({zone})',
  'notice.moment-short': 'on {moment}',
  'notice.day-end': 'at the end of {day}',
  'notice.leaves-soon.subject': '{title} leaves the site {when}',
  'notice.leaves-soon.text':
    '“{title}” ({one}) leaves {site} {moment}. To keep it longer, sign in and give it another moment.',
  'notice.has-left.subject': '{title} has left the site',
  'notice.has-left.text': '“{title}” ({one}) left {site} {moment}.',
  'notice.featured-ended.subject': '{title} is no longer featured',
  'notice.featured-ended.text': '“{title}” ({one}) was featured on {site}. That ended {moment}.',
  'notice.import-finished.subject': '{count} {many} came in from {file}',
  'notice.import-finished.text': '{who} brought in {count} {many} from {file}. Rows that were refused: {refused}.',
  'notice.problems.subject': '{site}: something could not be done',
  'notice.problems.text': 'Plindo could not do what was due: {fault} It tries again by itself.',
  'notice.backup-made.subject': '{site}: a backup was made',
  'notice.backup-made.text':
    'A backup of {site} was made and verified {moment}: {rows} rows, {size}. Keep a copy on another machine.',
  'notice.backup-failed.subject': '{site}: no backup could be made',
  'notice.backup-failed.text': 'No backup of {site} could be made {moment}: {fault}',
  'notice.signed-in.subject': '{who} signed in from a new place',
  'notice.signed-in.text':
    '{who} ({email}) signed in to {site} {moment} from {address}, where they have not signed in before. If that was somebody else, change the password and sign out everywhere.',
  'notice.invitation.subject': '{who} invites you to work on {site}',
  'notice.invitation.text':
    '{who} invites you ({email}) to work on {site}. Open this link and choose a password. It works once, for 24 hours.',
  'notice.invitation.why': 'If you do not know {site}, leave this mail alone; nothing happens then.',
  'notice.password-link.subject': 'Choose another password for {site}',
  'notice.password-link.text':
    'Somebody asked for another password for {email} on {site}. Open this link to choose it. It works once, for 24 hours.',
  'notice.password-link.why': 'If that was not you, leave this mail alone; your password stays as it is.',
  'notice.access-changed.subject': '{site}: {what}',
  'notice.access-changed.text': 'For {email} on {site}: {what}, {moment}.',
  'notice.access-changed.why':
    'If that was not you, choose another password with “I have forgotten my password” on the sign-in page, and tell an owner of {site}.',
  'notice.access.password': 'the password was changed',
  'notice.access.email': 'the e-mail address was changed',
  'notice.access.step-off': 'the second step was taken off',
  'notice.see': 'Its page:',
  'notice.why-rule': 'You get this mail because the rule for when {many} leave {site} names your address.',
  'notice.why-set': 'You get this mail because the notices of {site} name your address.',
  'notice.day.subject': { one: '{site}: one notice today', other: '{site}: {count} notices today' },
  'notice.day.text': 'What happened on {site}:',

  'form.design.name': 'Send in a {one}',
  'form.design.first': 'About the {one}',
  'form.design.consent': 'What I send may be published here, and I may hand on these pictures.',
  'form.back-title': 'That did not work',
  'form.thanks': 'Thank you. Somebody will look at it before it is published.',
  'form.sum': 'To show that you are a person: how much is {a} plus {b}?',
  'form.number.1': 'one',
  'form.number.2': 'two',
  'form.number.3': 'three',
  'form.number.4': 'four',
  'form.number.5': 'five',
  'form.number.6': 'six',
  'form.number.7': 'seven',
  'form.number.8': 'eight',
  'form.number.9': 'nine',
  'form.stale': 'This form has been open for too long. Your answers are still here: look them over again.',
  'sent.title': 'Your submission',
  'sent.waiting': '“{title}” has come in.',
  'sent.returned': 'Something of “{title}” needs another look. Correct it and send it again.',
  'sent.accepted': '“{title}” was accepted.',
  'sent.correction-waiting': '“{title}” is on the site. Your correction has come in, and somebody will look at it.',
  'sent.correction-returned': '“{title}” is on the site. Something of your correction needs another look.',
  'sent.refused': '“{title}” was not accepted.',
  'sent.merged': '“{title}” was there already. What you sent was added to it.',
  'sent.withdrawn': 'You have withdrawn “{title}”.',
  'sent.correction-accepted': 'Your correction of “{title}” was accepted.',
  'sent.correction-refused': 'Your correction of “{title}” was not accepted.',
  'sent.correction-withdrawn': 'You have withdrawn your correction of “{title}”.',
  'sent.message-waiting': 'Your message about “{title}” has come in.',
  'sent.message-returned':
    'The office has a question about your message. Change your message about “{title}” and send it again.',
  'sent.message-accepted': 'The office has seen to your message about “{title}”.',
  'sent.message-refused': 'The office has read your message about “{title}” and leaves everything as it is.',
  'sent.message-withdrawn': 'You have withdrawn your message about “{title}”.',
  'sent.yours': '“{title}” is yours now.',
  'submission.listing': '“{title}”',
  'submission.correction': 'a correction of “{title}”',
  'submission.message': 'a message about “{title}”',
  'submission.your-correction': 'your correction of “{title}”',
  'submission.your-message': 'your message about “{title}”',
  'notice.submission-came.subject': 'Sent in: {what}',
  'notice.submission-came.text':
    '{who} sent {what} ({one}) to {site} {moment}. It waits for review in the Desk, under Run.',
  'notice.submission-received.subject': '{site} has received {what}',
  'notice.submission-received.text':
    'Thank you for {what}. Somebody will look at it. With this link you can see, correct or withdraw it:',
  'notice.submission-returned.subject': '{site}: please look at {what} again',
  'notice.submission-returned.text':
    '{site} can’t accept {what} yet: {reason} Correct it with this link and send it again:',
  'notice.submission-accepted.subject': '{site} has accepted {what}',
  'notice.submission-accepted.text':
    '{site} has accepted {what}. {reason} This link shows what came of it, and what you can still do:',
  'notice.submission-refused.subject': '{site} has not accepted {what}',
  'notice.submission-refused.text': '{site} has not accepted {what}. {reason} This link shows what you sent:',
  'notice.submission-merged.subject': '{site}: “{title}” was there already',
  'notice.submission-merged.text':
    '“{title}” was on {site} already. What you sent was added to it. {reason} With this link you can see it:',
  'notice.submission.why':
    'You get this mail because somebody gave this address on a form of {site}. If that was not you, leave it alone.',

  'busy.title': 'Just a moment',
  'busy.text': 'Many people are looking at this site at once. Load the page again in a few seconds.',
} as const satisfies Readonly<Record<string, Wording>>;

export type Word = keyof typeof ENGLISH;
