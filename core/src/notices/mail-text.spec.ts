import { Formats } from '../values/index.js';
import { mailOfDay, mailOfNotice } from './mail-text.js';
import type { ListingNotice } from './notice.js';

const told = {
  title: 'Knots <& splices>\r\nBcc: all@example.org',
  one: 'Course',
  many: 'Courses',
  moment: Date.UTC(2026, 11, 4, 18),
  link: 'https://guide.example/courses/2026/knots?a=1&b="2"',
  values: {},
};
const soon: ListingNotice = { about: 'leaves-soon', told };

describe('The mail of a notice', () => {
  it('says when, in the words and the zone of the site', () => {
    const english = mailOfNotice(soon, 'Guide', new Formats('en-GB', 'Europe/Lisbon'));
    expect(english.text).toContain('leaves Guide on Friday, 4 December 2026 at 18:00 (Europe/Lisbon).');
    const german = mailOfNotice(soon, 'Guide', new Formats('de-DE', 'Europe/Berlin'));
    expect(german.text).toContain('verlässt Guide am Freitag, 4. Dezember 2026 um 19:00 (Europe/Berlin).');
    const midnight = { ...soon, told: { ...told, moment: Date.UTC(2026, 11, 5) } };
    const { subject } = mailOfNotice(midnight, 'Guide', new Formats('en-GB', 'UTC'));
    expect(subject).toContain('leaves the site at the end of Friday, 4 December 2026');
  });

  it('has a subject of one line, and nothing in its HTML that a title could add to it', () => {
    const { subject, html } = mailOfNotice(soon, 'Guide', new Formats('en-GB', 'UTC'));
    expect(subject).toMatch(/^Knots <& splices> Bcc: all@example\.org leaves/);
    expect(html).toContain('Knots &lt;&amp; splices&gt;');
    expect(html).toContain('href="https://guide.example/courses/2026/knots?a=1&amp;b=&quot;2&quot;"');
  });

  it('tells of all of a day, one below another', () => {
    const { subject, text } = mailOfDay([soon, { ...soon, about: 'has-left' }], 'Guide', new Formats('en-GB', 'UTC'));
    expect(subject).toBe('Guide: 2 notices today');
    expect(text.match(/Knots/g)).toHaveSize(2);
  });
});
