import type { PageDesign } from '@plindo/core/design';
import { pagesFor } from '@plindo/core/design';
import type { ListArea } from '@plindo/core/page';
import { kindsOnCards, kindsOnPage } from '@plindo/core/page';
import type { Kind } from '@plindo/core/structure';
import { kindsAskedBy } from '@plindo/core/structure';
import type { Live } from '../live/live.js';
import type { Reads } from '../live/revisions.js';

const ALL_KINDS: Reads = { kinds: null, listings: [] };

/** Tells of which listings pages are made; those that others are linked with count as changed with them. */
export class PageReads {
  constructor(private readonly live: Live) {}

  /** Of a page that is no listing's. */
  ofPage(design: PageDesign, areas: readonly ListArea[]): Reads {
    const ofPieces = kindsOnPage(design, null, this.inUse());
    return together([...areas.map((area) => this.ofArea(area)), { kinds: ofPieces, listings: [] }]);
  }

  /** Of the page of a listing, whichever of its kind's pages serves it. */
  ofListing(kind: Kind, id: number, areas: readonly ListArea[]): Reads {
    const inUse = this.inUse();
    const pages = pagesFor('listing', kind.id, inUse.designs).map(({ definition }) => definition);
    const ofPieces = pages.map((page) => ({ kinds: kindsOnPage(page, kind, inUse), listings: [] }));
    return together([...ofPieces, ...areas.map((area) => this.ofArea(area)), { kinds: [], listings: [id] }]);
  }

  ofArea({ list, query, selection }: ListArea): Reads {
    // Its conditions may look into any kind, and a place that a visitor names may be of any.
    const isFar = selection !== null || [...query.choices.values()].some(({ kind }) => kind === 'near');
    if (isFar) return ALL_KINDS;
    const inUse = this.inUse();
    const kinds = list.parts.flatMap(({ catalog: { kind } }) => [
      ...kindsAskedBy(kind, inUse.kindById),
      ...kindsOnCards(kind, inUse),
    ]);
    return { kinds, listings: [] };
  }

  private inUse(): Parameters<typeof kindsOnPage>[2] {
    return { kindById: (id) => this.live.kind(id), designs: this.live.designs() };
  }
}

/** What is read when all of these are. */
export function together(all: readonly Reads[]): Reads {
  const listings = [...new Set(all.flatMap((reads) => reads.listings))];
  if (all.some(({ kinds }) => kinds === null)) return { kinds: null, listings };
  return { kinds: [...new Set(all.flatMap(({ kinds }) => kinds ?? []))], listings };
}
