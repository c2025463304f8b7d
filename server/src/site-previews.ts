import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { PreviewedPage, User } from '@plindo/core/contract';
import { listingPath } from '@plindo/core/page';
import type { Kind } from '@plindo/core/structure';
import type { Previews, Services } from './http/services.js';
import type { PictureFormat, PictureVariant } from './services/media/pictures.js';
import type { Store } from './store/index.js';

/** Whoever takes something in a preview; the site of it is thrown away. */
const NOBODY = {
  email: 'preview@plindo.invalid',
  name: 'Preview',
  password: 'nobody signs in here',
  role: 'owner',
} as const;

/** A whole site in a folder. */
interface OpenSite {
  readonly services: Services;
  readonly store: Pick<Store, 'listingsOf'>;
  close(): Promise<void>;
}

interface OpenPreview {
  readonly folder: string;
  readonly site: OpenSite;
}

/**
 * Shows what a site would be by making it, in a folder of its own. The latest preview stays until the next one, as browsers
 * fetch its pictures after its pages.
 */
export class SitePreviews implements Previews {
  private latest: OpenPreview | null = null;
  /** Previews wait for one another: each is a whole site. */
  private under: Promise<unknown> = Promise.resolve();

  constructor(private readonly open: (folder: string) => Promise<OpenSite>) {}

  show(make: (services: Services, user: User) => Promise<unknown>): Promise<PreviewedPage[]> {
    const shown = this.under.then(() => this.made(make));
    this.under = shown.catch(() => undefined);
    return shown;
  }

  async picture(hash: string, width: number, format: PictureFormat): Promise<PictureVariant | null> {
    return (await this.latest?.site.services.pictures.variant(hash, width, format)) ?? null;
  }

  async file(hash: string): ReturnType<Services['files']['find']> {
    return (await this.latest?.site.services.files.find(hash)) ?? null;
  }

  async close(): Promise<void> {
    await this.under;
    await this.drop();
  }

  private async made(make: (services: Services, user: User) => Promise<unknown>): Promise<PreviewedPage[]> {
    await this.drop();
    const folder = await mkdtemp(join(tmpdir(), 'plindo-preview-'));
    const site = await this.open(folder);
    this.latest = { folder, site };
    const { services } = site;
    await make(services, await services.accounts.addUser(NOBODY));
    return pagesOf(site);
  }

  private async drop(): Promise<void> {
    const { latest } = this;
    this.latest = null;
    if (!latest) return;
    await latest.site.close();
    await rm(latest.folder, { recursive: true, force: true });
  }
}

/** The home page, and of each kind its list and the page of one of its listings. */
async function pagesOf({ services: { live, pages }, store }: OpenSite): Promise<PreviewedPage[]> {
  const places = [{ label: 'Home page', path: '/' }];
  for (const kind of live.kinds().filter(({ published }) => published)) {
    if (kind.hasIndexPage) places.push({ label: kind.many, path: `/${kind.slug}` });
    const path = kind.hasListingPages ? await pathOfFirst(store, kind) : null;
    if (path) places.push({ label: `One of the ${kind.many}`, path });
  }
  return Promise.all(places.map(async (place) => ({ ...place, model: await pages.page(place.path) })));
}

async function pathOfFirst(store: OpenSite['store'], kind: Kind): Promise<string | null> {
  for await (const [first] of store.listingsOf(kind.id)) if (first) return listingPath(kind, first);
  return null;
}
