import { readFile } from 'node:fs/promises';
import type { Changed, User } from '@plindo/core/contract';
import { Refusal } from '@plindo/core/values';
import type { SiteSettings } from '@plindo/core/structure';
import { NEW_SITE, noticeFaults, originOfTiles, withoutUndefined } from '@plindo/core/structure';
import type { Editing } from '../editing.js';
import type { Files } from '../media/files.js';

/** The settings of the whole site. */
export class Site {
  constructor(
    private readonly editing: Editing,
    private readonly files: Files,
  ) {}

  /** Changes what is given and leaves the rest. Refused by `value.type`. */
  async save(user: User | null, given: Partial<SiteSettings>): Promise<Changed<SiteSettings>> {
    const sent = withoutNothing(given);
    checkSettings({ ...NEW_SITE, ...sent });
    if (sent.baseMap && !(await this.isMap(sent.baseMap.hash))) {
      throw Refusal.of('value.type', { label: 'Base map', wanted: 'a kept file with GeoJSON features' }, 'baseMap');
    }
    return this.editing.change(user, async (unit) => {
      const settings: SiteSettings = { ...unit.records.site, ...sent };
      await unit.saveSite(settings);
      const isOfNotices = Object.keys(sent).join() === 'notices';
      const sentence = isOfNotices ? 'Changed what the site tells to whom' : 'Changed the settings of the site';
      return { sentence, result: settings };
    });
  }

  /** Whether a kept file has features that a map can draw (RFC 7946, 3). */
  private async isMap(hash: string): Promise<boolean> {
    const file = await this.files.find(hash);
    if (!file) return false;
    try {
      const { type, features } = JSON.parse(await readFile(file.path, 'utf8')) as Record<string, unknown>;
      return type === 'FeatureCollection' && Array.isArray(features);
    } catch {
      return false;
    }
  }
}

/** Settings that can be taken away again; null says so. */
const TAKEN_AWAY: readonly (keyof SiteSettings)[] = ['baseMap', 'mapTiles', 'backups'];

/** What is said; of the other settings null says nothing. */
function withoutNothing(given: Partial<SiteSettings>): Partial<SiteSettings> {
  const said = Object.entries(withoutUndefined(given)).filter(([name, value]) => {
    return value !== null || (TAKEN_AWAY as readonly string[]).includes(name);
  });
  return Object.fromEntries(said);
}

function isOrigin(text: string): boolean {
  return /^https?:/.test(text) && URL.canParse(text) && new URL(text).origin === text;
}

/** Refuses an empty name, an address that is none, and a locale or zone that the program doesn't know. */
function checkSettings({ name, locale, zone, address = '', mapTiles, notices }: SiteSettings): void {
  const [fault] = notices ? noticeFaults(notices) : [];
  if (fault) throw Refusal.of('site.notices', { reason: fault }, 'notices');
  if (name.trim() === '') throw Refusal.of('value.required', { label: 'Name' }, 'name');
  if (address !== '' && !isOrigin(address)) {
    throw Refusal.of('value.type', { label: 'Address', wanted: 'an address such as https://guide.example' }, 'address');
  }
  if (mapTiles && originOfTiles(mapTiles) === null) {
    const wanted = 'an address such as https://tiles.example/{z}/{x}/{y}.png';
    throw Refusal.of('value.type', { label: 'Pictures of the ground', wanted }, 'mapTiles');
  }
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
