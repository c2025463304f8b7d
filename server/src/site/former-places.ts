import { listingPath } from '@plindo/core/page';
import { SELECTIONS_SLUG } from '@plindo/core/structure';
import { hasNul } from '@plindo/core/values';
import type { Live } from '../live/live.js';
import type { Store } from '../store/index.js';
import type { Places } from './places.js';
import { partsOfPath } from './places.js';
import { Redirects } from './redirects.js';

/** Finds where what stood at a path before is now. */
export class FormerPlaces {
  private readonly redirects: Redirects;

  constructor(
    private readonly store: Store,
    private readonly live: Live,
    private readonly places: Places,
  ) {
    this.redirects = new Redirects(live, (path) => places.at(path) !== null);
  }

  /** Where the publisher leads those who come to an address, which may be another site; null for nowhere. */
  led(url: string): string | null {
    return this.redirects.to(url);
  }

  /** The path that visitors are led to, at once to the last one; null where nothing has stood, or nothing is shown any more. */
  async at(path: string): Promise<string | null> {
    const led = this.led(path);
    if (led?.startsWith('/')) return led;
    const parts = partsOfPath(path);
    if (hasNul(parts)) return null;
    const now = (await this.pageNow(parts)) ?? (await this.selectionNow(parts)) ?? (await this.insideKindNow(parts));
    return now !== null && now !== path ? now : null;
  }

  private async pageNow(parts: readonly string[]): Promise<string | null> {
    const id = await this.store.formerOwner('pages', parts.join('/'));
    const design = id === null ? undefined : this.live.designs().find((one) => one.id === id);
    if (design?.type !== 'page' || design.definition.address === '') return null;
    return this.shown(`/${design.definition.address}`);
  }

  private async selectionNow([first, slug, ...more]: readonly string[]): Promise<string | null> {
    if (first !== SELECTIONS_SLUG || slug === undefined || more.length > 0) return null;
    const id = await this.store.formerOwner('selections', slug);
    const selection = id === null ? undefined : this.live.selections().find((one) => one.id === id);
    return selection ? this.shown(`/${SELECTIONS_SLUG}/${selection.slug}`) : null;
  }

  /** The list of a kind, one of its listings or categories, when the kind, the listing or both have another address now. */
  private async insideKindNow([first = '', ...rest]: readonly string[]): Promise<string | null> {
    const present = this.live.catalogBySlug(first);
    const id = present ? null : await this.store.formerOwner('kinds', first);
    const catalog = present ?? (id === null ? undefined : this.live.catalog(id));
    if (!catalog) return null;
    const { kind } = catalog;
    const address = rest.join('/');
    const found = this.shown(address === '' ? `/${kind.slug}` : `/${kind.slug}/${address}`);
    if (found !== null) return found;
    const listing = await this.store.formerOwner(`kind ${kind.id}`, address);
    const row = listing === null ? undefined : catalog.rowOf(listing);
    return row === undefined ? null : this.shown(listingPath(kind, { address: catalog.addressAt(row) }));
  }

  /** A path where visitors see something now, or where that leads them. */
  private shown(path: string): string | null {
    const place = this.places.at(path);
    return place?.of === 'moved' ? place.to : (place?.path ?? null);
  }
}
