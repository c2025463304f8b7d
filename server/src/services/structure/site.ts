import type { Changed, User } from '@plindo/core/contract';
import { Refusal } from '@plindo/core/values';
import type { SiteSettings } from '@plindo/core/structure';
import type { Editing } from '../editing.js';

/** The settings of the whole site. */
export class Site {
  constructor(private readonly editing: Editing) {}

  save(user: User | null, settings: SiteSettings): Promise<Changed<SiteSettings>> {
    checkSettings(settings);
    return this.editing.change(user, async (unit) => {
      await unit.saveSite(settings);
      return { sentence: 'Changed the settings of the site', result: settings };
    });
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
