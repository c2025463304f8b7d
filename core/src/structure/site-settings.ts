import type { KeptFile } from './field-types/file.js';

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
  /** Where the site stands, "https://guide.example"; left out, or '', for wherever it is asked for. */
  readonly address?: string;
}

/** The settings of a site that nobody has set yet. */
export const NEW_SITE: SiteSettings = { name: 'My directory', tagline: '', locale: 'en-GB', zone: 'UTC' };
