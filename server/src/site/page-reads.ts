import type { PageDesign } from '@plindo/core/design';
import { pagesFor } from '@plindo/core/design';
import type { ListArea } from '@plindo/core/page';
import { ViewsTold, kindsOnCards, kindsOnPage } from '@plindo/core/page';
import type { Kind } from '@plindo/core/structure';
import { kindsAskedBy } from '@plindo/core/structure';
import type { Live } from '../live/live.js';
import type { Reads } from '../live/revisions.js';

/** Tells of which listings pages are made; those that others are linked with count as changed with them. */
export class PageReads {
  private readonly told = new ViewsTold();

  constructor(private readonly live: Live) {}

  /** Of a page that is no listing's. */
  ofPage(design: PageDesign, areas: readonly ListArea[]): Reads {
    const ofPieces = kindsOnPage(design, null, this.inUse());
    const ownReads = { kinds: ofPieces, listings: [], views: this.told.byPage(design, this.inUse()) };
    return together([...areas.map((area) => this.ofArea(area)), ownReads]);
  }

  /** Of the page of a listing, whichever of its kind's pages serves it. */
  ofListing(kind: Kind, id: number, areas: readonly ListArea[]): Reads {
    const inUse = this.inUse();
    const pages = pagesFor('listing', kind.id, inUse.designs).map(({ definition }) => definition);
    const ofPieces = pages.map((page) => ({
      ...{ kinds: kindsOnPage(page, kind, inUse), listings: [], views: this.told.byPage(page, inUse) },
    }));
    return together([...ofPieces, ...areas.map((area) => this.ofArea(area)), { kinds: [], listings: [id] }]);
  }

  ofArea({ list, query, selection }: ListArea): Reads {
    // Its conditions may look into any kind, and a place that a visitor names may be of any.
    const isFar = selection !== null || [...query.choices.values()].some(({ kind }) => kind === 'near');
    const inUse = this.inUse();
    const kindsOf = ({ catalog: { kind } }: ListArea['list']['parts'][number]): number[] => [
      ...kindsAskedBy(kind, inUse.kindById),
      ...kindsOnCards(kind, inUse),
    ];
    const byViews = list.parts.some(({ catalog: { kind } }) => this.told.byKind(kind.id, inUse));
    return {
      kinds: isFar ? null : list.parts.flatMap(kindsOf),
      listings: [],
      views: byViews || (selection !== null && this.told.bySelection(selection, inUse)),
    };
  }

  private inUse(): Parameters<ViewsTold['byPage']>[1] {
    const { live } = this;
    const kindById = (id: number): Kind | undefined => live.kind(id);
    return { kindById, designs: live.designs(), selections: live.selections(), kinds: live.kinds() };
  }
}

/** What is read when all of these are. */
export function together(all: readonly Reads[]): Reads {
  const listings = [...new Set(all.flatMap((reads) => reads.listings))];
  const views = all.some((reads) => reads.views);
  if (all.some(({ kinds }) => kinds === null)) return { kinds: null, listings, views };
  return { kinds: [...new Set(all.flatMap(({ kinds }) => kinds ?? []))], listings, views };
}
