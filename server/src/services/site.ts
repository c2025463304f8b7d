import type { Changed, User } from '@plindo/core/contract';
import type { SiteSettings } from '@plindo/core/page';
import type { Live } from '../live/live.js';
import { Refusal } from './refusal.js';

/** The settings of the whole site. */
export class Site {
  constructor(private readonly live: Live) {}

  async save(user: User | null, settings: SiteSettings): Promise<Changed<SiteSettings>> {
    checkSettings(settings);
    const head = { userId: user?.id ?? null, sentence: 'Changed the settings of the site' };
    const { changeId } = await this.live.change(head, (unit) => unit.saveSite(settings));
    return { changeId, result: settings };
  }
}

/** Refuses an empty name, and a locale or zone that the program doesn't know. */
function checkSettings({ name, locale, zone }: SiteSettings): void {
  if (name.trim() === '') throw Refusal.of('value.required', { label: 'Name' }, 'name');
  try {
    new Intl.DateTimeFormat(locale);
  } catch {
    throw Refusal.of('value.type', { label: 'Language', wanted: 'a language tag such as en-GB' }, 'locale');
  }
  try {
    new Intl.DateTimeFormat('en', { timeZone: zone });
  } catch {
    throw Refusal.of('value.type', { label: 'Time zone', wanted: 'a zone such as Europe/Lisbon' }, 'zone');
  }
}
