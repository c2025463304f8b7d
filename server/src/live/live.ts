import type { Design } from '@plindo/core/design';
import type { Catalog, CatalogPlace } from '@plindo/core/catalog';
import type { NamedListing } from '@plindo/core/contract';
import type { Listing, Status } from '@plindo/core/listings';
import { STATUSES } from '@plindo/core/listings';
import type { ChangeEntry } from '@plindo/core/plans';
import { isStructural, Structure } from '@plindo/core/plans';
import type { QueryScene } from '@plindo/core/query';
import type { CategorySet, Kind, Link, ReadContext, Selection, SiteSettings } from '@plindo/core/structure';
import { NEW_SITE, ReadContexts, isKindShown } from '@plindo/core/structure';
import { dayNumberAt, startOfDay } from '@plindo/core/time';
import type { FeedChange, Store } from '../store/index.js';
import { Turns } from '../store/index.js';
import type { ChangedListings } from './revisions.js';
import { Revisions } from './revisions.js';
import type { CatalogFiles } from './catalog-files.js';
import type { StaleKind } from './catalogs.js';
import { Catalogs } from './catalogs.js';
import { FeedReader } from './feed-reader.js';
import { LinkedNames } from './linked-names.js';
import { ViewCounts } from './view-counts.js';

const NOTHING_YET = new Structure({
  ...{ version: 0, site: NEW_SITE, kinds: [], coming: [], sets: [], links: [], selections: [], designs: [] },
});

/** Tells of something that went wrong inside. */
export type Tell = (error: unknown, sentence: string) => void;

/**
 * What questions are answered from: the structure, the catalogs of all kinds, connections and names of linked listings,
 * in memory. It follows the feed of changes of the store and decides nothing; all of it can be thrown away at any time.
 */
export class Live {
  readonly revisions: Revisions;
  readonly links: LinkedNames;
  readonly views: ViewCounts;
  private structure = NOTHING_YET;
  private readonly catalogs: Catalogs;
  private readonly reader: FeedReader;
  private readonly contexts = new ReadContexts();
  /** Whoever changes what is in memory waits for its turn. */
  private readonly turns = new Turns();
  /** Ids to index again because a linked listing became visible or hidden. */
  private turned = new Set<number>();
  private following: Promise<void> | null = null;

  constructor(
    private readonly store: Store,
    private readonly clock: () => Date,
    files: CatalogFiles | null = null,
    private readonly tell: Tell = () => undefined,
  ) {
    this.revisions = new Revisions(clock);
    this.links = new LinkedNames(store, () => this.structure, clock);
    const today = (): number => dayNumberAt(this.nowInMs(), this.site().zone);
    this.views = new ViewCounts(store, () => this.catalogs.all(), today);
    this.catalogs = new Catalogs(store, files, {
      kind: (id) => this.structure.kind(id),
      place: () => placeOf(this.site()),
      withLinked: (listing, kind) => this.withLinked(listing, kind),
      readViews: (catalog) => this.views.read(catalog),
      changed: () => this.revisions.next(null),
      tell,
      clock,
    });
    this.reader = new FeedReader(store, {
      apply: (change) => this.turns.take(() => this.apply(change)),
      startOver: (error) => this.turns.take(() => this.startOver(error)),
      tellAway: (error) => tell(error, 'The feed of changes could not be read. It will be tried again.'),
    });
  }

  async start(): Promise<void> {
    const number = await this.readAll();
    await this.catalogs.purge(this.structure.kinds);
    for (const { id } of this.structure.kinds) await this.catalogs.build(id);
    this.reader.start(number);
  }

  /** Makes ready what pages will ask for soon, and keeps for the next start what this one had to work out. */
  async settle(): Promise<void> {
    this.catalogs.sortTitles();
    await this.keep();
  }

  /** Keeps the catalogs in which much has changed for the next start. */
  keep(): Promise<void> {
    return this.catalogs.keep();
  }

  /** To be called before the store is closed. */
  async stop(): Promise<void> {
    this.catalogs.stop();
    await this.reader.stop();
  }

  /** Goes up whenever a page could look otherwise. */
  get revision(): number {
    return this.revisions.current;
  }

  /** The place in the feed up to which answers are. */
  get position(): number {
    return this.reader.position;
  }

  /** When a change, by its place in the feed, shows in every answer. */
  caughtUp(number: number): Promise<void> {
    return this.reader.caughtUp(number);
  }

  /** Kinds whose answers may be out of date, as a change couldn't be applied. */
  stale(): StaleKind[] {
    return this.catalogs.stale();
  }

  site(): SiteSettings {
    return this.structure.site;
  }

  /** A listing with its computed values, the listings that it is linked with, and how often it was looked at. */
  complete(listing: Listing): Listing {
    const catalog = this.catalogs.get(listing.kindId);
    if (!catalog) return listing;
    return { ...catalog.complete(this.withLinked(listing, catalog.kind)), views: catalog.viewsOf(listing.id) };
  }

  /** The listings with the given ids, complete, each once, in the order of the ids; one that is gone is left out. */
  async listings(ids: readonly number[]): Promise<Listing[]> {
    const kept = await this.store.listings([...new Set(ids)]);
    return kept.map((listing) => this.complete(listing));
  }

  /** The listings with the given ids as they are named; one that is gone is left out. */
  named(ids: readonly number[]): NamedListing[] {
    const catalogs = this.catalogs.all();
    return ids.flatMap((id) => {
      const catalog = catalogs.find((one) => one.rowOf(id) !== undefined);
      return catalog ? [{ id, kindId: catalog.kind.id, title: catalog.titleOf(id) }] : [];
    });
  }

  /** The catalog of a listing that visitors see at this moment; undefined for any other. */
  catalogShowing(id: number): Catalog | undefined {
    const now = this.nowInMs();
    return this.catalogs.all().find((catalog) => isKindShown(catalog.kind) && catalog.isOnSite(id, now));
  }

  categorySets(): readonly CategorySet[] {
    return this.structure.sets;
  }

  allLinks(): readonly Link[] {
    return this.structure.links;
  }

  selections(): readonly Selection[] {
    return this.structure.selections;
  }

  /** Designs that visitors do not see yet. */
  drafts(): readonly Design[] {
    return this.structure.drafts;
  }

  designs(): readonly Design[] {
    return this.structure.designs;
  }

  nowInMs(): number {
    return this.clock().getTime();
  }

  /** With what values are read and shown at this moment. */
  context(): ReadContext {
    return this.contexts.of(this.site(), this.nowInMs(), this.structure.words);
  }

  /** What visitors' queries are answered with at this moment; `shown` is a kind that is shown though it isn't published. */
  scene(shown: number | null = null): QueryScene {
    const isSeen = ({ kind }: Catalog): boolean => kind.id === shown || isKindShown(kind);
    const catalogs = this.catalogs.all().filter(isSeen);
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
    const { zone } = this.site();
    const endOfDay = startOfDay(dayNumberAt(nowInMs, zone) + 1, 'moments', zone);
    return Math.min(endOfDay, ...this.catalogs.all().map((catalog) => catalog.nextChange(nowInMs)));
  }

  /**
   * To be awaited before anything is read. Listings are found by the titles of linked ones that are on the site, so those are indexed
   * again when a linked one has come or gone.
   */
  async followTime(): Promise<void> {
    for (const id of this.links.turned()) this.turned.add(id);
    if (this.turned.size > 0) {
      const showing = this.turns.take(() => this.showTurned());
      const isOver = (): void => {
        if (this.following === showing) this.following = null;
      };
      showing.then(isOver, isOver);
      this.following = showing;
    }
    // Whoever comes a moment later waits for the same.
    await this.following;
  }

  kinds(): Kind[] {
    return this.catalogs
      .all()
      .map((catalog) => catalog.kind)
      .sort((a, b) => a.id - b.id);
  }

  /** A kind as its catalog has it, which answers; of one whose catalog is still to come, as it will be. */
  kind(id: number): Kind | undefined {
    return this.catalogs.get(id)?.kind ?? this.structure.kind(id);
  }

  catalog(kindId: number): Catalog | undefined {
    return this.catalogs.get(kindId);
  }

  catalogBySlug(slug: string): Catalog | undefined {
    return this.catalogs.all().find((catalog) => catalog.kind.slug === slug);
  }

  countsOf(kindId: number): Record<Status, number> {
    const counts = Object.fromEntries(STATUSES.map((status) => [status, 0])) as Record<Status, number>;
    const catalog = this.catalogs.get(kindId);
    catalog?.existing.forEach((row) => counts[catalog.statusAt(row)]++);
    return counts;
  }

  /** Takes in one change, after all before it; catalogs that have to be built anew are built meanwhile. */
  private async apply({ entries, bulk }: FeedChange): Promise<{ rest: Promise<unknown> }> {
    const anew = new Set(bulk);
    if (entries.some(isStructural)) for (const id of await this.followStructure()) anew.add(id);
    const affected = await this.links.take(entries);
    const healing: (Promise<void> | null)[] = [];
    for (const entry of entries) if (entry.entity === 'listing') healing.push(this.catalogs.take(entry, anew));
    this.revisions.next(changedListings(entries));
    healing.push(...(await this.showAnew(affected, anew)));
    const building = [...anew].map((id) => this.catalogs.build(id));
    return { rest: Promise.all([...healing, ...building]) };
  }

  /** Takes the structure as it is now; answers the kinds whose catalogs have to be built anew. */
  private async followStructure(): Promise<Set<number>> {
    const before = this.structure;
    this.structure = await this.store.structure();
    const anew = this.catalogs.followKinds(this.structure.kinds);
    const leaving = this.structure.kinds.filter(({ id, expiry }) => expiry !== null || before.kind(id)?.expiry);
    await this.links.renew(new Set(leaving.map(({ id }) => id).filter((id) => anew.has(id))));
    for (const kind of this.structure.kinds) {
      const was = before.kind(kind.id);
      if (!was || isKindShown(was) === isKindShown(kind)) continue;
      // Listings are found by the titles of linked listings on the site; when a kind is published or hidden, all of its listings come or
      // go at once.
      for (const id of this.links.kindsLinkedWith(kind.id)) if (this.structure.kind(id)) anew.add(id);
    }
    return anew;
  }

  private async readAll(): Promise<number> {
    const { structure, number } = await this.store.present();
    this.structure = structure;
    await this.links.start();
    return number;
  }

  /** Reads everything anew, as a change could not be applied. Old catalogs answer until the new ones are there. */
  private async startOver(error: unknown): Promise<number> {
    this.tell(error, 'A change could not be applied. Everything is read anew.');
    const number = await this.readAll();
    this.catalogs.followKinds(this.structure.kinds);
    this.revisions.next(null);
    for (const { id } of this.structure.kinds) void this.catalogs.build(id);
    return number;
  }

  private async showTurned(): Promise<void> {
    const ids = this.turned;
    this.turned = new Set();
    try {
      await this.showAnew(ids, new Set());
    } catch (error) {
      for (const id of ids) this.turned.add(id);
      throw error;
    }
  }

  /** Puts listings whose linked listings changed into their catalogs again. */
  private async showAnew(ids: ReadonlySet<number>, rebuilding: ReadonlySet<number>): Promise<(Promise<void> | null)[]> {
    if (ids.size === 0) return [];
    const listings = await this.store.listings([...ids]);
    const healing = listings.map((after) =>
      this.catalogs.take({ entity: 'listing', id: after.id, before: after, after }, rebuilding),
    );
    this.revisions.next({ kinds: listings.map(({ kindId }) => kindId), listings: ids });
    return healing;
  }

  private withLinked<Subject extends Pick<Listing, 'id' | 'values'>>(listing: Subject, kind: Kind): Subject {
    return this.links.complete(listing, kind, (id) => this.kind(id));
  }
}

function placeOf({ locale, zone }: SiteSettings): CatalogPlace {
  return { locale, zone };
}

/** The listings that entries change; null when they change anything else that visitors see. */
function changedListings(entries: readonly ChangeEntry[]): ChangedListings | null {
  const kinds = new Set<number>();
  const listings: number[] = [];
  for (const entry of entries) {
    // Those that are connected count as changed by themselves, and visitors see nothing of what is sent in.
    if (entry.entity === 'connection' || entry.entity === 'submission') continue;
    if (entry.entity !== 'listing') return null;
    listings.push(entry.id);
    for (const state of [entry.before, entry.after]) if (state) kinds.add(state.kindId);
  }
  return { kinds, listings };
}
