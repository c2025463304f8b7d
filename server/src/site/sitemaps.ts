import type { Catalog } from '@plindo/core/catalog';
import { pagesFor } from '@plindo/core/design';
import type { Listing } from '@plindo/core/listings';
import { categoryPath, listingPath } from '@plindo/core/page';
import type { Kind } from '@plindo/core/structure';
import { SELECTIONS_SLUG, SHORTLIST_SLUG, hasPart, isKindShown } from '@plindo/core/structure';
import type { Live } from '../live/live.js';

/** As many addresses as one file of a sitemap may have (sitemaps.org, "Using Sitemap index files"). */
export const MOST_IN_SITEMAP = 50_000;
const READ_AT_ONCE = 1000;
const HEAD = '<?xml version="1.0" encoding="UTF-8"?>\n';
const NAMESPACE = 'xmlns="http://www.sitemaps.org/schemas/sitemap/0.9"';
const PICTURES = 'xmlns:image="http://www.google.com/schemas/sitemap-image/1.1"';
const OF_PAGES = '/sitemap-pages.xml';
const OF_LISTINGS = /^\/sitemap-([a-z0-9-]+)-(\d{1,6})\.xml$/;

/** One address of a sitemap; what is not known of it is left out. */
interface Entry {
  readonly path: string;
  readonly changedAt?: number;
  readonly picture?: string | undefined;
}

/**
 * What search engines are told of the site: by the protocol of sitemaps.org, split at its greatest size, with pictures by
 * the extension that they read; and the file of RFC 9309.
 */
export class Sitemaps {
  constructor(
    private readonly live: Live,
    private readonly most = MOST_IN_SITEMAP,
  ) {}

  /** The file at a path in pieces, `origin` being where the site stands; null where there is none. */
  at(path: string, origin: string): AsyncIterable<string> | Iterable<string> | null {
    if (path === '/robots.txt') return [robots(origin)];
    if (path === '/sitemap.xml') return [this.index(origin)];
    if (path === OF_PAGES)
      return [
        urlset(
          this.pages()
            .map((entry) => urlOf(entry, origin))
            .join(''),
        ),
      ];
    const [, slug = '', number = ''] = OF_LISTINGS.exec(path) ?? [];
    const catalog = this.listedCatalogs().find(({ kind }) => kind.slug === slug);
    const part = Number(number);
    return catalog && part >= 1 && part <= this.partsOf(catalog) ? this.listings(catalog, part, origin) : null;
  }

  /** The file that names the others. */
  private index(origin: string): string {
    const ofListings = this.listedCatalogs().flatMap((catalog) =>
      Array.from({ length: this.partsOf(catalog) }, (_, at) => `/sitemap-${catalog.kind.slug}-${at + 1}.xml`),
    );
    const maps = [OF_PAGES, ...ofListings].map((path) => `<sitemap><loc>${escaped(origin + path)}</loc></sitemap>\n`);
    return `${HEAD}<sitemapindex ${NAMESPACE}>\n${maps.join('')}</sitemapindex>\n`;
  }

  private pages(): Entry[] {
    const listed = this.kinds().filter(({ hasIndexPage }) => hasIndexPage);
    const categories = listed.flatMap((kind) => {
      const choices = kind.fields
        .filter(({ type }) => type === 'categories')
        .flatMap(({ settings }) => settings.choices);
      return choices.flatMap((category) => (category ? [categoryPath(kind, category)] : []));
    });
    const selections = this.live.selections().filter(({ published }) => published);
    const free = pagesFor('free', null, this.live.designs());
    const paths = [
      '/',
      ...listed.map(({ slug }) => `/${slug}`),
      ...categories,
      ...selections.map(({ slug }) => `/${SELECTIONS_SLUG}/${slug}`),
      ...free.map(({ definition: { address } }) => `/${address}`),
    ];
    return [...new Set(paths)].slice(0, this.most).map((path) => ({ path }));
  }

  private async *listings(catalog: Catalog, part: number, origin: string): AsyncGenerator<string, void> {
    const { kind } = catalog;
    yield `${HEAD}<urlset ${NAMESPACE} ${PICTURES}>\n`;
    const ids = this.idsOf(catalog).slice((part - 1) * this.most, part * this.most);
    for (let from = 0; from < ids.length; from += READ_AT_ONCE) {
      const read = await this.live.listings(ids.slice(from, from + READ_AT_ONCE));
      yield read.map((listing) => urlOf(entryOf(listing, kind), origin)).join('');
    }
    yield '</urlset>\n';
  }

  private idsOf(catalog: Catalog): number[] {
    const ids: number[] = [];
    catalog.onSiteAt(this.live.nowInMs()).forEach((row) => ids.push(catalog.ids[row]!));
    return ids.sort((a, b) => a - b);
  }

  private partsOf(catalog: Catalog): number {
    return Math.ceil(catalog.onSiteAt(this.live.nowInMs()).count() / this.most);
  }

  private kinds(): Kind[] {
    return this.live.kinds().filter((kind) => isKindShown(kind));
  }

  private listedCatalogs(): Catalog[] {
    const kinds = this.kinds().filter(({ hasListingPages }) => hasListingPages);
    return kinds.flatMap(({ id }) => this.live.catalog(id) ?? []);
  }
}

function entryOf(listing: Listing, kind: Kind): Entry {
  const picture =
    hasPart(kind, 'picture') && listing.picture ? `/pictures/${listing.picture.hash}-1600.jpeg` : undefined;
  return { path: listingPath(kind, listing), changedAt: listing.changedAt, picture };
}

function urlOf({ path, changedAt, picture }: Entry, origin: string): string {
  const changed = changedAt === undefined ? '' : `<lastmod>${new Date(changedAt).toISOString()}</lastmod>`;
  const image =
    picture === undefined ? '' : `<image:image><image:loc>${escaped(origin + picture)}</image:loc></image:image>`;
  return `<url><loc>${escaped(origin + encodeURI(path))}</loc>${changed}${image}</url>\n`;
}

function urlset(urls: string): string {
  return `${HEAD}<urlset ${NAMESPACE}>\n${urls}</urlset>\n`;
}

/** Lists in a state of several choices are no pages of their own for search engines (common practice). */
function robots(origin: string): string {
  return `User-agent: *\nDisallow: /desk/\nDisallow: /api/\nDisallow: /*?*&\nDisallow: /${SHORTLIST_SLUG}\n\nSitemap: ${origin}/sitemap.xml\n`;
}

function escaped(text: string): string {
  return text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');
}
