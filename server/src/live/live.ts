import type { Status, Listing } from '@plindo/core/listings';
import { STATUSES } from '@plindo/core/listings';
import type { Catalog } from '@plindo/core/catalog';
import type { NamedListing } from '@plindo/core/contract';
import type { SiteSettings } from '@plindo/core/page';
import type { QueryScene } from '@plindo/core/query';
import type { CategorySet, Kind, Link, ReadContext, Selection } from '@plindo/core/structure';
import { isKindShown, readContext, withCategories, withLinks } from '@plindo/core/structure';
import { dayNumberAt, startOfDay } from '@plindo/core/time';
import type { ChangeEntry, ChangeHead, Store, Unit } from '../store/index.js';
import { Turns } from '../store/index.js';
import type { ListingChange } from './catalog-builds.js';
import { CatalogBuilds } from './catalog-builds.js';
import type { CatalogFiles } from './catalog-files.js';
import { LiveLinks } from './live-links.js';

/** Reading so many listings again takes no time worth speaking of. */
const CHANGES_WORTH_KEEPING = 1000;

const NEW_SITE: SiteSettings = { name: 'My directory', tagline: '', locale: 'en-GB', zone: 'UTC' };

/**
 * The catalogs of all kinds in memory, kept in step with the store: every change goes through {@link change}, which
 * writes it to the store first and then applies it here. A catalog that has to be built anew is built beside the old
 * one, which answers until it is swapped.
 */
export class Live {
  /** Goes up at every change that a page could show. */
  revision = 0;
  private readonly catalogs = new Map<number, Catalog>();
  readonly links: LiveLinks;
  private sets: readonly CategorySet[] = [];
  private saved: readonly Selection[] = [];
  private settings: SiteSettings = NEW_SITE;
  private lastContext: ReadContext | null = null;
  private readonly builds: CatalogBuilds;
  /** For each reading of listings under way, those that were changed meanwhile. */
  private readonly overtaken = new Set<Set<number>>();
  /** Listings of which a linked one has come or gone, until they are found accordingly. */
  private turned = new Set<number>();
  private following: Promise<void> | null = null;
  /** How many states of listings a catalog had taken in when it was last kept. */
  private readonly keptAt = new WeakMap<Catalog, number>();
  private readonly keeping = new Turns();
  /** At the start, kinds whose catalogs are still to come: listings that have one may be linked with theirs. */
  private coming = new Map<number, Kind>();

  constructor(
    private readonly store: Store,
    private readonly clock: () => Date,
    private readonly files: CatalogFiles | null = null,
  ) {
    this.links = new LiveLinks(store, clock);
    this.builds = new CatalogBuilds(store, files, {
      catalogs: this.catalogs,
      locale: () => this.settings.locale,
      withLinked: (listing, kind) => this.withLinked(listing, kind),
      applyTo: (catalog, change) => this.applyTo(catalog, change),
    });
  }

  async start(): Promise<void> {
    this.settings = (await this.store.site()) ?? NEW_SITE;
    this.sets = await this.store.categorySets();
    this.saved = await this.store.selections();
    await this.links.start();
    const kinds = (await this.store.kinds()).map((kind) => this.hydrated(kind));
    this.coming = new Map(kinds.map((kind) => [kind.id, kind]));
    await this.files?.purge(new Set(this.coming.keys()));
    for (const kind of kinds) await this.builds.run(kind);
    this.coming.clear();
  }

  /** Makes ready what pages will ask for soon, and keeps for the next start what this one had to work out. */
  async settle(): Promise<void> {
    for (const { title } of this.catalogs.values()) title.sortedRows();
    await this.keep();
  }

  /** Keeps the catalogs in which much has changed for the next start. */
  keep(): Promise<void> {
    return this.keeping.take(async () => {
      for (const catalog of this.catalogs.values()) {
        const { kind, taken } = catalog;
        if (taken - (this.keptAt.get(catalog) ?? 0) < CHANGES_WORTH_KEEPING) continue;
        await this.files?.write(kind.id, catalog.kept());
        this.keptAt.set(catalog, taken);
      }
    });
  }

  site(): SiteSettings {
    return this.settings;
  }

  /** A kind with what it takes from category sets and links. */
  hydrated<Subject extends Pick<Kind, 'fields'>>(kind: Subject): Subject {
    return withLinks(withCategories(kind, this.sets), this.links.all());
  }

  /** A listing with its computed values and the listings that it is linked with. */
  complete(listing: Listing): Listing {
    const catalog = this.catalogs.get(listing.kindId);
    return catalog ? catalog.complete(this.withLinked(listing, catalog.kind)) : listing;
  }

  /** The listings with the given ids, complete, each once, in the order of the ids; one that is gone is left out. */
  async listings(ids: readonly number[]): Promise<Listing[]> {
    const kept = await this.store.listings([...new Set(ids)]);
    return kept.map((listing) => this.complete(listing));
  }

  /** The listings with the given ids as they are named; one that is gone is left out. */
  named(ids: readonly number[]): NamedListing[] {
    const catalogs = [...this.catalogs.values()];
    return ids.flatMap((id) => {
      const catalog = catalogs.find((one) => one.rowOf(id) !== undefined);
      return catalog ? [{ id, kindId: catalog.kind.id, title: catalog.titleOf(id) }] : [];
    });
  }

  categorySets(): CategorySet[] {
    return [...this.sets];
  }

  selections(): Selection[] {
    return [...this.saved];
  }

  /** With what values are read and shown at this moment. */
  context(): ReadContext {
    const { locale, zone } = this.settings;
    const nowInMs = this.clock().getTime();
    const isSame = this.lastContext?.locale === locale && this.lastContext.zone === zone;
    this.lastContext = isSame ? { ...this.lastContext!, nowInMs } : readContext({ locale, zone, nowInMs });
    return this.lastContext;
  }

  /** What visitors' queries are answered with at this moment; `shown` is a kind that is shown though it isn't published. */
  scene(shown: number | null = null): QueryScene {
    const isSeen = ({ kind }: Catalog): boolean => kind.id === shown || isKindShown(kind);
    const catalogs = [...this.catalogs.values()].filter(isSeen);
    return {
      context: this.context(),
      catalogOf: (id) => catalogs.find(({ kind }) => kind.id === id),
      catalogs: () => catalogs,
    };
  }

  /**
   * Until when an answer to visitors holds as long as nothing is changed: the next moment at which a listing comes, goes
   * or is featured, or the end of the day, by which dates are told and listings shuffled.
   */
  holdsUntil(nowInMs: number): number {
    const { zone } = this.settings;
    const endOfDay = startOfDay(dayNumberAt(nowInMs, zone) + 1, 'moments', zone);
    return Math.min(endOfDay, ...[...this.catalogs.values()].map((catalog) => catalog.nextChange(nowInMs)));
  }

  /**
   * To be awaited before anything is read: listings are found by the titles of linked ones that are on the site, and
   * some of those may have come or gone since the last time.
   */
  async followTime(): Promise<void> {
    for (const id of this.links.turned()) this.turned.add(id);
    if (this.turned.size > 0) this.following ??= this.showTurned().finally(() => (this.following = null));
    await this.following;
  }

  private async showTurned(): Promise<void> {
    while (this.turned.size > 0) {
      const ids = this.turned;
      this.turned = new Set();
      try {
        await this.showAnew(ids, new Set());
      } catch (error) {
        for (const id of ids) this.turned.add(id);
        throw error;
      }
    }
  }

  kinds(): Kind[] {
    return [...this.catalogs.values()].map((catalog) => catalog.kind).sort((a, b) => a.id - b.id);
  }

  kind(id: number): Kind | undefined {
    return this.catalogs.get(id)?.kind ?? this.coming.get(id);
  }

  catalog(kindId: number): Catalog | undefined {
    return this.catalogs.get(kindId);
  }

  catalogBySlug(slug: string): Catalog | undefined {
    return [...this.catalogs.values()].find((catalog) => catalog.kind.slug === slug);
  }

  countsOf(kindId: number): Record<Status, number> {
    const counts = Object.fromEntries(STATUSES.map((status) => [status, 0])) as Record<Status, number>;
    const catalog = this.catalogs.get(kindId);
    catalog?.existing.forEach((row) => counts[catalog.statusAt(row)]++);
    return counts;
  }

  /** Runs a change in the store and brings the catalogs in step before it answers. */
  async change<T>(head: ChangeHead, work: (unit: Unit) => Promise<T>): Promise<{ changeId: number; result: T }> {
    let rebuilt: Promise<void> = Promise.resolve();
    const { changeId, result } = await this.store.change(head, work, (entries) => {
      rebuilt = this.apply(entries);
    });
    await rebuilt;
    return { changeId, result };
  }

  /** Brings the catalog of a kind in step with its definition, building it anew where that has to be. */
  async reload(kindId: number): Promise<void> {
    const kept = (await this.store.kinds()).find(({ id }) => id === kindId);
    const kind = kept && this.hydrated(kept);
    if (!kind) this.catalogs.delete(kindId);
    else if (!this.catalogs.get(kindId)?.redefine(kind)) await this.builds.run(kind);
    this.revision++;
  }

  private async apply(entries: readonly ChangeEntry[]): Promise<void> {
    const changedKinds = new Set(entries.filter(({ entity }) => entity === 'kind').map(({ id }) => id));
    const changedSets = new Set(entries.filter(({ entity }) => entity === 'category-set').map(({ id }) => id));
    if (changedSets.size > 0) {
      for (const entry of entries) if (entry.entity === 'category-set') this.takeSet(entry);
      for (const kind of this.kinds()) if (usesAny(kind, changedSets)) changedKinds.add(kind.id);
    }
    for (const { entity, before, after } of entries) {
      if (entity === 'link') for (const end of endsOf(after ?? before)) changedKinds.add(end);
    }
    for (const entry of entries) if (entry.entity === 'selection') this.takeSelection(entry);
    const showsElse = this.links.take(entries);
    for (const entry of entries) {
      if (entry.entity === 'listing') this.applyListing(entry, changedKinds);
    }
    this.revision++;
    await this.showAnew(await showsElse, changedKinds);
    for (const id of changedKinds) await this.reload(id);
    for (const id of this.findingByOthers(entries)) await this.builds.run(this.kind(id)!);
    const site = entries.findLast((entry) => entry.entity === 'site');
    if (site) await this.takeSettings(site.after ?? NEW_SITE);
  }

  /** The kinds whose listings are found by the titles of others that a change brings to the site, or takes from it, as a kind. */
  private findingByOthers(entries: readonly ChangeEntry[]): Set<number> {
    const found = new Set<number>();
    for (const entry of entries) {
      if (
        entry.entity !== 'kind' ||
        !entry.before ||
        !entry.after ||
        isKindShown(entry.before) === isKindShown(entry.after)
      )
        continue;
      for (const id of this.links.kindsLinkedWith(entry.id)) if (this.catalogs.has(id)) found.add(id);
    }
    return found;
  }

  /** Puts listings whose linked listings changed into their catalogs again. */
  private async showAnew(ids: ReadonlySet<number>, rebuilding: ReadonlySet<number>): Promise<void> {
    if (ids.size === 0) return;
    const overtaken = new Set<number>();
    this.overtaken.add(overtaken);
    try {
      for (const after of await this.store.listings([...ids])) {
        if (overtaken.has(after.id)) continue;
        this.applyListing({ entity: 'listing', id: after.id, before: after, after }, rebuilding);
      }
    } finally {
      this.overtaken.delete(overtaken);
    }
    this.revision++;
  }

  private withLinked<Subject extends Pick<Listing, 'id' | 'values'>>(listing: Subject, kind: Kind): Subject {
    return this.links.complete(listing, kind, (id) => this.kind(id));
  }

  private takeSet({ id, after }: Extract<ChangeEntry, { entity: 'category-set' }>): void {
    const others = this.sets.filter((set) => set.id !== id);
    this.sets = (after ? [...others, after] : others).sort((a, b) => a.id - b.id);
  }

  private takeSelection({ id, after }: Extract<ChangeEntry, { entity: 'selection' }>): void {
    const others = this.saved.filter((selection) => selection.id !== id);
    this.saved = (after ? [...others, after] : others).sort((a, b) => a.id - b.id);
  }

  private async takeSettings(settings: SiteSettings): Promise<void> {
    const sortsAnew = settings.locale !== this.settings.locale;
    this.settings = settings;
    if (sortsAnew) for (const kind of this.kinds()) await this.builds.run(kind);
    this.revision++;
  }

  private applyListing(entry: ListingChange, rebuilding: ReadonlySet<number>): void {
    const kindId = (entry.after ?? entry.before)?.kindId ?? 0;
    for (const ids of this.overtaken) ids.add(entry.id);
    this.builds.note(kindId, entry);
    const catalog = this.catalogs.get(kindId);
    if (catalog && !rebuilding.has(kindId)) this.applyTo(catalog, entry);
  }

  private applyTo(catalog: Catalog, { id, after }: ListingChange): void {
    if (after) catalog.put(this.withLinked(after, catalog.kind));
    else catalog.remove(id);
  }
}

function usesAny({ fields }: Kind, sets: ReadonlySet<number>): boolean {
  return fields.some(({ type, settings }) => type === 'categories' && sets.has(settings.set ?? 0));
}

/** The kinds that a link connects. */
function endsOf(link: Link | null): number[] {
  return link ? [link.a.kindId, link.b.kindId] : [];
}
