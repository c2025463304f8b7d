import { LRUCache } from 'lru-cache';
import { PrintHash } from '@plindo/core/catalog';
import { originOfTiles } from '@plindo/core/structure';
import type { SiteWords } from '@plindo/core/values';
import type { Live } from '../live/live.js';
import { Held } from './held.js';
import { PageAddresses } from './page-addresses.js';
import type { Destination, LeadsToPage, Pages } from './pages.js';
import { NOWHERE } from './pages.js';
import { PagesUnderWay } from './pages-under-way.js';
import type { HeadersOf } from './ready-page.js';
import { ReadyPage } from './ready-page.js';
import type { SiteRenderer } from './renderer.js';

const MOST_KEPT_PAGES = 500;
const MOST_KEPT_BYTES = 32 * 1024 * 1024;
const HOME = '/';
const WARM_ROUNDS = 6;

/** A rendered page, and a print of the model that it was rendered from. */
interface Made {
  readonly page: ReadyPage;
  readonly print: number;
}

/** A model as JSON, and what tells it from others by all that it says. */
interface Printed {
  readonly json: string;
  readonly print: number;
}

/**
 * Rendered pages of the public side, each under its one address. One is kept until anything changes that it was made of,
 * or until a moment at which it may look otherwise.
 */
export class SitePages {
  private readonly kept = new LRUCache<string, Held<Made>>({ max: MOST_KEPT_PAGES, maxSize: MOST_KEPT_BYTES });
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
    const found = this.addresses.known(url);
    return found && this.kept.get(found.address)?.now()?.page;
  }

  /** Where an address leads that was asked for lately; undefined for any other. */
  knownAt(url: string): LeadsToPage | undefined {
    return this.addresses.known(url);
  }

  /** What the site says to visitors. */
  words(): SiteWords {
    return this.live.context().formats.words;
  }

  /** Where an address leads, as a visitor sent it. */
  destination(url: string): Destination {
    return this.addresses.known(url) ?? this.addresses.find(url);
  }

  /** The same; what leads nowhere may have led somewhere before. */
  async destinationNow(url: string): Promise<Destination> {
    const found = this.destination(url);
    if (found.kind === 'moved' || found.address !== NOWHERE) return found;
    const now = await this.pages.formerly(url);
    return now === null ? found : { kind: 'moved', to: now };
  }

  /**
   * The page of a destination: rendered once for all who ask for it meanwhile, and not at all when they have all gone
   * before it was begun. Throws a `Busy` when too many are waiting.
   */
  async at(found: LeadsToPage, gone: AbortSignal): Promise<ReadyPage> {
    const { address } = found;
    if (found.isPrivate) return (await this.newPage(address, undefined, gone, true)).page;
    const key = `${this.live.revision} ${address}`;
    const kept = this.kept.get(address)?.now()?.page;
    return kept ?? this.underWay.join(key, gone, (dropped) => this.render(found, dropped));
  }

  /** The same, but for a second after another listing was changed as it was before, while it is rendered anew. */
  async almostAt(found: LeadsToPage, gone: AbortSignal): Promise<ReadyPage> {
    const kept = this.kept.get(found.address);
    const before = kept?.now() || found.isPrivate ? undefined : kept?.justBefore(found.present);
    if (!before) return this.at(found, gone);
    // When it fails, the next visitor asks again, and is told.
    void this.at(found, new AbortController().signal).catch(() => undefined);
    return before.page;
  }

  /** Makes ready what the first visitors will ask for. */
  async warmUp(): Promise<void> {
    await this.renderer.warmUp(HOME, this.source);
    const home = this.destination(HOME);
    if (home.kind === 'page') await this.at(home, new AbortController().signal);
    // Code that has run often enough is compiled: without it the first pages take two to three times as long.
    for (let round = 0; round < WARM_ROUNDS; round++) {
      for (const path of this.pages.listPaths()) await this.renderer.warmUp(path, this.source);
    }
  }

  /** The page as it is now: the one that was kept, when it would say the same again, else a new one. */
  private async render({ address, reads }: LeadsToPage, dropped: AbortSignal): Promise<ReadyPage> {
    const held = new Held<Made>(this.live, reads);
    const before = this.kept.get(address)?.last;
    const now = before && (await this.printed(address));
    const made = before && now?.print === before.print ? before : await this.newPage(address, now, dropped);
    this.kept.set(address, held.is(made), { size: made.page.size });
    return made.page;
  }

  /** Renders a page, of a model that was made already or of the one that is there when its turn has come. */
  private async newPage(
    address: string,
    made: Printed | undefined,
    dropped: AbortSignal,
    isPrivate = false,
  ): Promise<Made> {
    let shown = made;
    const source = async (url: string): Promise<string> => (shown ??= await this.printed(url)).json;
    const rendered = await this.renderer.render(address, source, dropped);
    const { address: own, mapTiles } = this.live.site();
    const isTold = rendered.status !== 200 || !!own;
    const path = isTold || isPrivate ? null : address;
    const setting = { path, pictures: mapTiles ? originOfTiles(mapTiles) : null, isPrivate };
    return { page: await ReadyPage.of(rendered, this.headersOf, setting), print: shown!.print };
  }

  private async printed(url: string): Promise<Printed> {
    const { now, ...said } = await this.pages.page(url);
    const json = JSON.stringify(said);
    // When it was made doesn't count.
    return { json: `${json.slice(0, -1)},"now":"${now}"}`, print: new PrintHash().add(json).value() };
  }

  private readonly source = async (url: string): Promise<string> => (await this.printed(url)).json;
}
