import type { Catalog } from '@plindo/core/catalog';
import type { EntryOf } from '@plindo/core/plans';
import type { Kind } from '@plindo/core/structure';
import { Turns } from '../store/index.js';
import type { Store } from '../store/index.js';
import type { CatalogOwner } from './catalog-builds.js';
import { CatalogBuilds } from './catalog-builds.js';
import type { CatalogFiles } from './catalog-files.js';

/** Reading so many listings again takes no time worth speaking of. */
const CHANGES_WORTH_KEEPING = 1000;
/** A build that failed is tried again after so long, and after twice that each further time. */
const AGAIN_AFTER_IN_MS = 2000;
const LATEST_AGAIN_IN_MS = 60_000;

/** A kind whose catalog differs from the store because of a fault of the program, not of a listing. */
export interface StaleKind {
  readonly kindId: number;
  /** Milliseconds since 1970. */
  readonly since: number;
  readonly reason: string;
}

interface Staleness extends StaleKind {
  again: NodeJS.Timeout | null;
  waitInMs: number;
}

/** What catalogs need to know of what is around them. */
export type CatalogScene = Pick<CatalogOwner, 'kind' | 'place' | 'withLinked' | 'readViews'> & {
  /** Called when an answer may be another one. */
  changed(): void;
  /** Tells of something that went wrong. */
  tell(error: unknown, sentence: string): void;
  clock(): Date;
};

/** The catalog of each kind, in memory. One that can't follow is built anew beside the old one, which answers meanwhile. */
export class Catalogs {
  private readonly byKind = new Map<number, Catalog>();
  private readonly builds: CatalogBuilds;
  private readonly staleKinds = new Map<number, Staleness>();
  /** How many states of listings a catalog had taken in when it was last kept. */
  private readonly keptAt = new WeakMap<Catalog, number>();
  private readonly keeping = new Turns();
  private isStopped = false;

  constructor(
    store: Store,
    private readonly files: CatalogFiles | null,
    private readonly scene: CatalogScene,
  ) {
    this.builds = new CatalogBuilds(store, files, {
      ...scene,
      catalogs: this.byKind,
      applyTo: (catalog, entry) => this.applyTo(catalog, entry),
    });
  }

  get(kindId: number): Catalog | undefined {
    return this.byKind.get(kindId);
  }

  all(): Catalog[] {
    return [...this.byKind.values()];
  }

  stale(): StaleKind[] {
    return [...this.staleKinds.values()];
  }

  /** Takes in what became of a listing; answers when a catalog that couldn't has been built anew. */
  take(entry: EntryOf<'listing'>, rebuilding: ReadonlySet<number>): Promise<void> | null {
    const kindId = (entry.after ?? entry.before)?.kindId ?? 0;
    this.builds.note(kindId, entry);
    const catalog = this.byKind.get(kindId);
    if (!catalog || rebuilding.has(kindId)) return null;
    try {
      this.applyTo(catalog, entry);
      return null;
    } catch (error) {
      return this.heal(kindId, error);
    }
  }

  /** Brings the catalogs in step with the kinds as they are; answers which have to be built anew. */
  followKinds(kinds: readonly Kind[]): Set<number> {
    const anew = new Set<number>();
    const place = this.scene.place();
    for (const kind of kinds) if (!this.byKind.get(kind.id)?.redefine(kind, place)) anew.add(kind.id);
    for (const id of this.byKind.keys()) {
      if (kinds.some((kind) => kind.id === id)) continue;
      this.byKind.delete(id);
      this.forget(id);
    }
    return anew;
  }

  /** Builds the catalog of a kind anew; when that fails the old one stays, and it is tried again later. */
  async build(kindId: number): Promise<void> {
    try {
      await this.builds.run(kindId);
      this.forget(kindId);
    } catch (error) {
      this.scene.tell(error, `The catalog of kind ${kindId} could not be built. It will be tried again.`);
      this.tryAgain(kindId, error);
    }
    this.scene.changed();
  }

  /** Deletes kept files of kinds that are gone. */
  async purge(kinds: readonly Kind[]): Promise<void> {
    await this.files?.purge(new Set(kinds.map(({ id }) => id)));
  }

  /** Makes ready what pages will ask for soon. */
  sortTitles(): void {
    for (const { title } of this.byKind.values()) title.sortedRows();
  }

  /** Keeps the catalogs in which much has changed for the next start. */
  keep(): Promise<void> {
    return this.keeping.take(async () => {
      for (const catalog of this.byKind.values()) {
        const { kind, taken } = catalog;
        const isStale = this.staleKinds.has(kind.id);
        if (isStale || taken - (this.keptAt.get(catalog) ?? 0) < CHANGES_WORTH_KEEPING) continue;
        await this.files?.write(kind.id, catalog.kept());
        this.keptAt.set(catalog, taken);
      }
    });
  }

  stop(): void {
    this.isStopped = true;
    for (const id of [...this.staleKinds.keys()]) this.forget(id);
  }

  private applyTo(catalog: Catalog, { id, after }: EntryOf<'listing'>): void {
    if (after) catalog.put(this.scene.withLinked(after, catalog.kind));
    else catalog.remove(id);
  }

  private heal(kindId: number, error: unknown): Promise<void> {
    this.scene.tell(error, `A change could not be applied to the catalog of kind ${kindId}. It is built anew.`);
    this.mark(kindId, error);
    return this.build(kindId);
  }

  private mark(kindId: number, error: unknown): Staleness {
    const reason = error instanceof Error ? error.message : String(error);
    const known = this.staleKinds.get(kindId);
    const since = known?.since ?? this.scene.clock().getTime();
    const marked = {
      kindId,
      since,
      reason,
      again: known?.again ?? null,
      waitInMs: known?.waitInMs ?? AGAIN_AFTER_IN_MS,
    };
    this.staleKinds.set(kindId, marked);
    return marked;
  }

  private tryAgain(kindId: number, error: unknown): void {
    const marked = this.mark(kindId, error);
    if (marked.again || this.isStopped) return;
    marked.again = setTimeout(() => {
      marked.again = null;
      void this.build(kindId);
    }, marked.waitInMs);
    marked.again.unref();
    marked.waitInMs = Math.min(marked.waitInMs * 2, LATEST_AGAIN_IN_MS);
  }

  private forget(kindId: number): void {
    const marked = this.staleKinds.get(kindId);
    if (marked?.again) clearTimeout(marked.again);
    this.staleKinds.delete(kindId);
  }
}
