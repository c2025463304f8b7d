import type { Catalog } from '@plindo/core/catalog';
import type { MissedOnPage } from '@plindo/core/contract';
import type { ListArea, PageLink, SuggestionModel } from '@plindo/core/page';
import { addressOfAreas, explainInList, justMissingInList, listingPath } from '@plindo/core/page';
import type { Explanation, Query } from '@plindo/core/query';
import { BLANK_QUERY, partsOfUrl, suggest, suggestPlaces, withChoice } from '@plindo/core/query';
import type { KindById } from '@plindo/core/structure';
import type { Live } from '../live/live.js';
import type { Store } from '../store/index.js';
import { Places, partsOfPath } from './places.js';

const MOST_MISSED = 20;
const MOST_NEAR = 5;

/** Answers what is asked about the lists on pages: what fits words that are typed, why a listing isn't there, what is near. */
export class ListQuestions {
  private readonly places: Places;

  constructor(
    private readonly store: Store,
    private readonly live: Live,
  ) {
    this.places = new Places(live);
  }

  /** What fits words that are being typed on a list of the page at a path: values of its facets, then listings. */
  suggestions(path: string, text: string, areaKey = ''): SuggestionModel[] {
    const areas = this.areasAtUrl(path);
    const area = areas.find(({ key }) => key === areaKey);
    if (!area) return [];
    const { design } = area.list;
    const { listings, values } = suggest(area.list, text, this.live.scene());
    const hrefOf = (query: Query): string => addressOfAreas(design.path, areas, this.kindById, { area, query });
    const ofValues = values.map(({ facet, value, label, count }): SuggestionModel => {
      const about = design.facets.find(({ key }) => key === facet)?.label ?? '';
      return {
        label,
        about,
        count,
        href: hrefOf(withChoice(BLANK_QUERY, facet, { kind: 'values', values: [value] })),
      };
    });
    const ofListings = listings.map(({ catalog, id }): SuggestionModel => {
      const address = catalog.addressAt(catalog.rowOf(id)!);
      const label = catalog.titleOf(id);
      const { hasListingPages, one } = catalog.kind;
      const href = hasListingPages ? listingPath(catalog.kind, { address }) : hrefOf({ ...BLANK_QUERY, text: label });
      return { label, about: one, count: null, href };
    });
    return [...ofValues, ...ofListings];
  }

  /** Titles of places on the site that fit words that are being typed. */
  placeTitles(text: string): string[] {
    return suggestPlaces(text, this.live.scene());
  }

  /** Why a listing is not on the first list at an address, or where on it it is; null for an address of no list. */
  async explain(url: string, listingId: number): Promise<Explanation | null> {
    const kept = await this.store.listing(listingId);
    const catalog = kept && this.live.catalog(kept.kindId);
    if (!kept || !catalog) return null;
    const listing = this.live.complete(kept);
    const [area] = this.areasAtUrl(url);
    return area ? explainInList(listing, area, { scene: this.live.scene(), catalog }) : null;
  }

  /** For each thing that is chosen on the first list at an address, the listings that it alone keeps out. */
  missed(url: string): MissedOnPage[] {
    const areas = this.areasAtUrl(url);
    const [area] = areas;
    if (!area) return [];
    return justMissingInList(area, this.live.scene(), MOST_MISSED).map(({ label, query, total, ids }) => {
      const href = addressOfAreas(area.list.design.path, areas, this.kindById, { area, query });
      return { label, href, total, listings: this.live.named(ids) };
    });
  }

  /** Pages of listings whose names are near to an address that leads nowhere, the nearest first. */
  near(url: string): PageLink[] {
    const words =
      partsOfPath(partsOfUrl(url).path)
        .at(-1)
        ?.replace(/[^\p{L}\p{N}]+/gu, ' ')
        .trim() ?? '';
    const kinds = this.places.listedKinds().filter(({ hasListingPages }) => hasListingPages);
    const hits = kinds.flatMap((kind) => nearIn(this.live.catalog(kind.id)!, words, this.live.nowInMs()));
    return hits
      .sort((a, b) => b.score - a.score)
      .slice(0, MOST_NEAR)
      .map(({ link }) => link);
  }

  private areasAtUrl(url: string): ListArea[] {
    const { path, search } = partsOfUrl(url);
    const place = this.places.at(path);
    return place && place.of !== 'moved' ? this.places.areasAt(place, search) : [];
  }

  private readonly kindById: KindById = (id) => this.live.kind(id);
}

/** The listings on the site that have some of the words in their names, with how well each fits. */
function nearIn(
  catalog: Catalog,
  words: string,
  nowInMs: number,
): { readonly score: number; readonly link: PageLink }[] {
  const matches = catalog.text.search(words, { within: catalog.onSiteAt(nowInMs), unfinished: false });
  if (!matches) return [];
  const scores = matches.scores();
  const rows = [...matches.rows].sort((a, b) => scores[b]! - scores[a]!).slice(0, MOST_NEAR);
  return rows.map((row) => ({
    // Of several words all but few have to be met.
    score: (scores[row]! * matches.met) / matches.wanted,
    link: {
      label: catalog.titleOf(catalog.ids[row]!),
      href: listingPath(catalog.kind, { address: catalog.addressAt(row) }),
    },
  }));
}
