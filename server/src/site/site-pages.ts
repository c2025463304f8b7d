import { LRUCache } from 'lru-cache';
import { partsOfUrl } from '@plindo/core/query';
import type { PageModel } from '@plindo/core/page';
import type { Live } from '../live/live.js';
import { PageAddresses } from './page-addresses.js';
import type { Destination, Pages } from './pages.js';
import { PagesUnderWay } from './pages-under-way.js';
import type { HeadersOf } from './ready-page.js';
import { ReadyPage } from './ready-page.js';
import type { SiteRenderer } from './renderer.js';
import type { Stretch } from './stretch.js';
import { holds, stretchNow } from './stretch.js';

const MOST_KEPT_PAGES = 500;
const MOST_KEPT_BYTES = 32 * 1024 * 1024;
const HOME = '/';

/**
 * Rendered pages of the public side, each under its one address. One is kept until anything changes, or until a moment
 * at which it may look otherwise.
 */
export class SitePages {
  private readonly kept = new LRUCache<string, Stretch & { readonly page: ReadyPage }>({
    max: MOST_KEPT_PAGES,
    maxSize: MOST_KEPT_BYTES,
    sizeCalculation: ({ page }) => page.size,
  });
  private readonly addresses: PageAddresses;
  private readonly underWay = new PagesUnderWay<ReadyPage>();

  constructor(
    private readonly renderer: SiteRenderer,
    private readonly live: Live,
    private readonly pages: Pages,
    private readonly headersOf: HeadersOf,
  ) {
    this.addresses = new PageAddresses(live, pages);
  }

  /** The page at an address, as a visitor sent it, when it is kept and still holds. */
  hit(url: string): ReadyPage | undefined {
    const destination = this.addresses.known(url);
    return destination?.kind === 'page' ? this.ready(destination.address) : undefined;
  }

  /** Where an address leads, as a visitor sent it. */
  destination(url: string): Destination {
    return this.addresses.known(url) ?? this.addresses.find(url);
  }

  private ready(address: string): ReadyPage | undefined {
    const kept = this.kept.get(address);
    return kept && holds(kept, this.live) ? kept.page : undefined;
  }

  /**
   * The page at the one address of a destination: rendered once for all who ask for it meanwhile, and not at all when
   * they have all gone before it was begun. Throws a `Busy` when too many are waiting.
   */
  async at(address: string, gone: AbortSignal): Promise<ReadyPage> {
    const key = `${this.live.revision} ${address}`;
    return this.ready(address) ?? this.underWay.join(key, gone, (dropped) => this.render(address, dropped));
  }

  /** The same, but for a second after a listing was changed as it was before, while it is rendered anew. */
  async almostAt(address: string, gone: AbortSignal): Promise<ReadyPage> {
    const before = this.ready(address) ? undefined : this.justBefore(address);
    if (!before) return this.at(address, gone);
    // When it fails, the next visitor asks again, and is told.
    void this.at(address, new AbortController().signal).catch(() => undefined);
    return before;
  }

  private justBefore(address: string): ReadyPage | undefined {
    const kept = this.kept.get(address);
    const isYoung = kept && kept.until > this.live.nowInMs() && this.live.revisions.isYoung(kept.revision);
    return isYoung ? kept.page : undefined;
  }

  /** Makes ready what the first visitors will ask for. */
  async warmUp(): Promise<void> {
    await this.renderer.warmUp(HOME, this.source);
    await this.at(HOME, new AbortController().signal);
  }

  private async render(address: string, dropped: AbortSignal): Promise<ReadyPage> {
    const stretch = stretchNow(this.live);
    const page = await ReadyPage.of(await this.renderer.render(address, this.source, dropped), this.headersOf);
    this.kept.set(address, { ...stretch, page });
    return page;
  }

  private readonly source = (url: string): Promise<PageModel> => {
    const { path, search } = partsOfUrl(url);
    return this.pages.page(path, search);
  };
}
