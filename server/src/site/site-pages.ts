import { createHash } from 'node:crypto';
import { promisify } from 'node:util';
import { gzip } from 'node:zlib';
import { LRUCache } from 'lru-cache';
import type { Live } from '../live/live.js';
import type { Pages } from './pages.js';
import type { RenderedPage } from './render-messages.js';
import type { SiteRenderer } from './renderer.js';

/** What stands in rendered pages where the nonce of the response goes. */
export const NONCE_MARK = 'PLINDO-NONCE';
const MOST_CACHED_PAGES = 500;
const MOST_CACHED_BYTES = 32 * 1024 * 1024;

const compress = promisify(gzip);

/** A rendered page, ready to be sent, in the state of one revision and of a stretch of time. */
export interface ReadyPage {
  readonly revision: number;
  /** The moment from which on it may look different though nothing was changed. */
  readonly until: number;
  readonly status: number;
  readonly html: Buffer;
  readonly gzipped: Buffer;
  readonly etag: string;
  /** Of its style elements. Scripts have none, so a nonce that serves a page for as long as it is kept opens nothing. */
  readonly nonce: string;
}

/** Rendered pages of the public side. One is kept until anything changes, or until a moment at which it may look otherwise. */
export class SitePages {
  private readonly cache = new LRUCache<string, ReadyPage>({
    max: MOST_CACHED_PAGES,
    maxSize: MOST_CACHED_BYTES,
    sizeCalculation: ({ html, gzipped }) => html.length + gzipped.length,
  });

  constructor(
    private readonly renderer: SiteRenderer,
    private readonly live: Live,
    private readonly pages: Pages,
  ) {}

  /** Where an address that names a category from before it was merged leads now; null for all other addresses. */
  movedTo(path: string, search: string): string | null {
    return this.pages.movedTo(path, search);
  }

  /** The page at an address; `nonce` is what its style elements get if it is rendered now. Null for an address that is none. */
  async at(url: string, nonce: string): Promise<ReadyPage | null> {
    const { revision } = this.live;
    const kept = this.cache.get(url);
    const now = this.live.context().nowInMs;
    if (kept?.revision === revision && kept.until > now) return kept;
    const rendered = await this.renderer.render(url, (path, search) => this.pages.page(path, search));
    if (!rendered) return null;
    const page = await readyPage(rendered, { revision, until: this.live.holdsUntil(now) }, nonce);
    // An address that leads nowhere is not kept: anybody can make up any number of them.
    if (page.status === 200) this.cache.set(url, page);
    return page;
  }
}

async function readyPage(
  { status, html: text }: RenderedPage,
  state: Pick<ReadyPage, 'revision' | 'until'>,
  nonce: string,
): Promise<ReadyPage> {
  const html = Buffer.from(text.replaceAll(NONCE_MARK, nonce));
  const etag = `"${createHash('sha256').update(html).digest('base64url').slice(0, 27)}"`;
  return { ...state, status, html, gzipped: await compress(html), etag, nonce };
}
