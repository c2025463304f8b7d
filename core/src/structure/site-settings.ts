import type { NoticeSettings } from './notices/notice-settings.js';
import type { KeptFile } from './field-types/file.js';

/** Where a map gets its pictures of the ground, square by square. */
export interface MapTiles {
  /** "https://tiles.example/{z}/{x}/{y}.png": zoom, column and row stand where the braces are. */
  readonly url: string;
  /** Whom the pictures are owed to, as it stands on the map. */
  readonly credit: string;
}

/** The origin that tiles come from; null where an address cannot be that of tiles. */
export function originOfTiles({ url }: Pick<MapTiles, 'url'>): string | null {
  const isWhole = ['{z}', '{x}', '{y}'].every((part) => url.split(part).length === 2);
  const plain = url.replace(/\{[xyz]\}/g, '0');
  if (!isWhole || !URL.canParse(plain)) return null;
  const { protocol, origin } = new URL(plain);
  // Nothing that visitors choose stands in the name of the server.
  return protocol === 'https:' && url.startsWith(`${origin}/`) ? origin : null;
}

/** Of the whole site, on every page. */
export interface SiteSettings {
  readonly name: string;
  /** A sentence under the name. */
  readonly tagline: string;
  /** BCP 47, such as "en-GB". */
  readonly locale: string;
  /** IANA time zone, such as "Europe/Lisbon". */
  readonly zone: string;
  /** What maps of the site draw below their points: a kept file with GeoJSON (RFC 7946); left out, or null, for nothing. */
  readonly baseMap?: KeptFile | null;
  /** Pictures of the ground that maps fetch from elsewhere, below the base map; left out, or null, for none. */
  readonly mapTiles?: MapTiles | null;
  /** Where the site stands, "https://guide.example"; left out, or '', for wherever it is asked for. */
  readonly address?: string;
  /** Backups that Plindo makes by itself, every day at an hour of the site's zone, and how many it keeps; null for none. */
  readonly backups?: { readonly hour: number; readonly keep: number } | null;
  /** After how many hours without a request people are signed out; left out for 12. */
  readonly idleHours?: number;
  /** Whether owners get in by a second step only. */
  readonly ownersNeedStep?: boolean;
  /** Whether it is counted how often pages of listings are looked at; left out for yes. */
  readonly countsViews?: boolean;
  /** What the site tells of itself, and to whom; left out for nothing. */
  readonly notices?: NoticeSettings;
  /** Sentences that the office often tells senders, beside those that Plindo has; left out for none. */
  readonly reviewReasons?: readonly string[];
}

/** What stands in every page and is told to anybody: nothing of how the office works, and no address of its people. */
export function siteForVisitors({
  name,
  tagline,
  locale,
  zone,
  baseMap,
  mapTiles,
  address,
}: SiteSettings): SiteSettings {
  return {
    ...{ name, tagline, locale, zone },
    ...(baseMap !== undefined && { baseMap }),
    ...(mapTiles !== undefined && { mapTiles }),
    ...(address !== undefined && { address }),
  };
}

/** The settings of a site that nobody has set yet. */
export const NEW_SITE: SiteSettings = { name: 'My directory', tagline: '', locale: 'en-GB', zone: 'UTC' };
