/** Of the whole site, on every page. */
export interface SiteSettings {
  readonly name: string;
  /** A sentence under the name. */
  readonly tagline: string;
  /** BCP 47, such as "en-GB". */
  readonly locale: string;
  /** IANA time zone, such as "Europe/Lisbon". */
  readonly zone: string;
}

/** The settings of a site that nobody has set yet. */
export const NEW_SITE: SiteSettings = { name: 'My directory', tagline: '', locale: 'en-GB', zone: 'UTC' };
