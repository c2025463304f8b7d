import { pagesFor } from '@plindo/core/design';
import type { ShownList, ShownPage } from '@plindo/core/learn';
import { listKey } from '@plindo/core/learn';
import type { ListArea } from '@plindo/core/page';
import { askedBy } from '@plindo/core/page';
import { countQuery, kindsOf, partsOfUrl, urlOfQuery } from '@plindo/core/query';
import type { Live } from '../live/live.js';
import type { Store } from '../store/index.js';
import type { ListingPlace, PagePlace } from './places.js';
import { Places } from './places.js';
import { ServingPages } from './serving-pages.js';

const MOST_KNOWN = 5000;
const KNOWN_FOR_IN_MS = 10_000;

/** Tells, for counting, what somebody was shown who was sent the page at an address. */
export class ShownPages {
  private readonly places: Places;
  private readonly serving: ServingPages;
  private readonly known = new Map<string, ShownPage | null>();
  private knownAt = { revision: -1, inMs: NaN };

  constructor(
    private readonly store: Store,
    private readonly live: Live,
  ) {
    this.places = new Places(live);
    this.serving = new ServingPages(store, live);
  }

  /** What is shown at the one address of a page; null where no page is. What is known of it holds a moment longer than it is so. */
  async at(address: string): Promise<ShownPage | null> {
    this.forgetOld();
    const known = this.known.get(address);
    if (known !== undefined) return known;
    const shown = await this.find(address);
    if (this.known.size < MOST_KNOWN) this.known.set(address, shown);
    return shown;
  }

  private forgetOld(): void {
    const { revision } = this.live;
    const now = this.live.nowInMs();
    const isSame = revision === this.knownAt.revision && Math.abs(now - this.knownAt.inMs) < KNOWN_FOR_IN_MS;
    if (isSame) return;
    this.known.clear();
    this.knownAt = { revision, inMs: now };
  }

  private async find(address: string): Promise<ShownPage | null> {
    const { path, search } = partsOfUrl(address);
    const place = this.places.at(path);
    if (!place || place.of === 'moved') return null;
    return place.of === 'page' ? this.ofPage(place, search) : this.ofListing(place, search);
  }

  private ofPage(place: PagePlace, search: string): ShownPage {
    const areas = this.places.areasOf(place.design, place, search);
    const { own, category } = place;
    const lists = areas.map((area) => {
      const isOfCategory = category !== null && area.selection === own?.selection;
      return this.shownList(area, isOfCategory ? category.category.key : null);
    });
    return { path: place.path, listing: null, designId: place.designId, lists };
  }

  private async ofListing({ path, catalog: { kind }, id }: ListingPlace, search: string): Promise<ShownPage> {
    const page = await this.pageServing(kind.id, id);
    const areas = page ? this.places.areasOf(page.definition, { path, own: null }, search) : [];
    const lists = areas.map((area) => this.shownList(area, null));
    return { path, listing: { id, kindId: kind.id }, designId: page?.id ?? null, lists };
  }

  /** The designed page that serves a listing, which is read only where it depends on what stands in it. */
  private async pageServing(kindId: number, id: number): ReturnType<ShownPages['readAndServe']> {
    const pages = pagesFor('listing', kindId, this.live.designs());
    const first = pages.find((page) => askedBy(page) === 0);
    return pages.length === 0 || (pages.length === 1 && first) ? (first ?? null) : this.readAndServe(kindId, id);
  }

  private async readAndServe(kindId: number, id: number): Promise<ReturnType<ServingPages['pageFor']>> {
    const [kept, kind] = [await this.store.listing(id), this.live.kind(kindId)];
    return kept && kind ? this.serving.pageFor(this.live.complete(kept), kind) : null;
  }

  private shownList(area: ListArea, category: string | null): ShownList {
    const { list, query } = area;
    const { queries } = this.places.scene();
    const isAsked = query.text !== '' || query.choices.size > 0 || !!query.box;
    const state = urlOfQuery({ ...query, sort: null, page: 1 }, { ...list.design, prefix: '' }, kindsOf(queries));
    return {
      key: this.keyOf(area),
      query,
      state,
      category,
      isEmpty: isAsked && countQuery(list, query, queries) === 0,
    };
  }

  private keyOf({ list, selection }: ListArea): string {
    // The list of a category is a selection too, but none that is kept, whatever its slug.
    const selectionId = this.live.selections().find((kept) => kept === selection)?.id;
    return listKey(
      selectionId === undefined ? { kindId: list.parts[0]?.catalog.kind.id ?? 0 } : { selectionId: selectionId },
    );
  }
}
