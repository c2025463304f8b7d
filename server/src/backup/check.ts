import { join } from 'node:path';
import { keptThingsOf } from '@plindo/core/listings';
import { isSame } from '@plindo/core/values';
import { CatalogFiles } from '../live/catalog-files.js';
import { Live } from '../live/live.js';
import { Pages } from '../site/pages.js';
import { Store, integrityFaults, sumsOf } from '../store/index.js';
import type { Kept } from './backup.js';
import { sumOfFile } from './backup-zip.js';

/** What a check looked at, and what it found wrong, in sentences; nothing should be. */
export interface CheckReport {
  readonly listings: number;
  readonly pictures: number;
  readonly files: number;
  readonly pages: number;
  readonly faults: readonly string[];
}

/** Faults of one sort are told so often at most; then only how many more there are. */
const MOST_TOLD = 20;

/**
 * Looks through everything that is kept: the database itself, what listings refer to, the bytes of pictures and files, and
 * whether pages of the catalogs that are kept say what pages of catalogs say that are made of the store now. Nothing is
 * changed; it may be served meanwhile.
 */
export async function checkKept(kept: Kept, now: Date): Promise<CheckReport> {
  const { tables } = await sumsOf(kept.database);
  const rowsOf = (name: string): number => tables.find(({ table }) => table === name)?.rows ?? 0;
  const store = await Store.open(kept.database, () => now);
  try {
    const pages = await pageFaults(store, kept, now);
    const faults = [
      ...told(await integrityFaults(kept.database)),
      ...told(await referenceFaults(store)),
      ...told(await byteFaults(store, kept.folder)),
      ...told(pages.faults),
    ];
    const counts = { listings: rowsOf('listings'), pictures: rowsOf('pictures'), files: rowsOf('files') };
    return { ...counts, pages: pages.compared, faults };
  } finally {
    await store.close();
  }
}

/** Pictures and files that listings show and that are not kept. */
async function referenceFaults(store: Store): Promise<string[]> {
  const faults: string[] = [];
  const pictures = new Set((await store.pictures.all()).map(({ hash }) => hash));
  const files = new Set((await store.files.all()).map(({ hash }) => hash));
  for (const kind of (await store.structure()).kinds) {
    for await (const listings of store.listingsOf(kind.id)) {
      for (const listing of listings) {
        const things = keptThingsOf(listing, kind.fields);
        const where = `${listing.title} (${kind.one})`;
        for (const { thing } of things.pictures)
          if (!pictures.has(thing.hash)) faults.push(`${where} shows a picture that is not kept: ${thing.hash}.`);
        for (const { thing } of things.files)
          if (!files.has(thing.hash)) faults.push(`${where} offers a file that is not kept: ${thing.hash}.`);
      }
    }
  }
  return faults;
}

/** Pictures and files whose bytes are gone, or others than their name says. */
async function byteFaults(store: Store, folder: string): Promise<string[]> {
  const faults: string[] = [];
  const look = async (what: string, path: string, hash: string): Promise<void> => {
    const found = await sumOfFile(path).catch(() => null);
    if (found === null) faults.push(`The ${what} ${hash} is not in ${folder}.`);
    else if (!found.sha256.startsWith(hash)) faults.push(`The ${what} ${hash} is damaged.`);
  };
  for (const { hash } of await store.pictures.all()) {
    await look('picture', join(folder, 'pictures', `${hash}.webp`), hash);
  }
  for (const { hash } of await store.files.all()) await look('file', join(folder, 'files', hash), hash);
  return faults;
}

/** Lists that say something else by the catalogs that are kept than by new ones. */
async function pageFaults(
  store: Store,
  { folder }: Kept,
  now: Date,
): Promise<{ readonly compared: number; readonly faults: string[] }> {
  const clock = (): Date => now;
  const [kept, anew] = [new Live(store, clock, new CatalogFiles(join(folder, 'catalogs'))), new Live(store, clock)];
  const faults: string[] = [];
  try {
    await kept.start();
    await anew.start();
    const [keptPages, newPages] = [new Pages(store, kept), new Pages(store, anew)];
    const paths = ['/', ...newPages.listPaths()];
    for (const path of paths) {
      const [one, other] = [await keptPages.page(path), await newPages.page(path)];
      if (!isSame(one, other)) faults.push(`The page ${path} differs from the store.`);
    }
    return { compared: paths.length, faults };
  } finally {
    await kept.stop();
    await anew.stop();
  }
}

function told(faults: readonly string[]): string[] {
  const more = faults.length - MOST_TOLD;
  return more > 0 ? [...faults.slice(0, MOST_TOLD), `And ${more} more like that.`] : [...faults];
}
