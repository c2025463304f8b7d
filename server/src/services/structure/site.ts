import { readFile } from 'node:fs/promises';
import type { Changed, User } from '@plindo/core/contract';
import { Refusal } from '@plindo/core/values';
import type { SiteSettings } from '@plindo/core/structure';
import { originOfTiles } from '@plindo/core/structure';
import type { Editing } from '../editing.js';
import type { Files } from '../media/files.js';

/** The settings of the whole site. */
export class Site {
  constructor(
    private readonly editing: Editing,
    private readonly files: Files,
  ) {}

  async save(user: User | null, settings: SiteSettings): Promise<Changed<SiteSettings>> {
    checkSettings(settings);
    if (settings.baseMap && !(await this.isMap(settings.baseMap.hash))) {
      throw Refusal.of('value.type', { label: 'Base map', wanted: 'a kept file with GeoJSON features' }, 'baseMap');
    }
    return this.editing.change(user, async (unit) => {
      await unit.saveSite(settings);
      return { sentence: 'Changed the settings of the site', result: settings };
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

function isOrigin(text: string): boolean {
  return /^https?:/.test(text) && URL.canParse(text) && new URL(text).origin === text;
}

/** Refuses an empty name, an address that is none, and a locale or zone that the program doesn't know. */
function checkSettings({ name, locale, zone, address = '', mapTiles }: SiteSettings): void {
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
