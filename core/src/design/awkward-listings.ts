import type { Listing } from '../listings/index.js';
import { isFeatured, isOnSite, shownParts } from '../listings/index.js';
import type { Kind, ReadContext } from '../structure/index.js';
import { fieldType, hasPart } from '../structure/index.js';

/** Why a listing is worth looking at in a design, in the order in which they are shown. */
const AWKWARD = [
  'longest-title',
  'longest-word',
  'no-picture',
  'portrait-picture',
  'fewest-values',
  'most-values',
  'most-rows',
  'featured',
  'not-featured',
  'upcoming',
] as const;
export type Awkwardness = (typeof AWKWARD)[number];

export const AWKWARD_WORDS: Readonly<Record<Awkwardness, string>> = {
  'longest-title': 'Longest title',
  'longest-word': 'Longest word',
  'no-picture': 'No picture',
  'portrait-picture': 'Upright picture',
  'fewest-values': 'Fewest values',
  'most-values': 'Most values',
  'most-rows': 'Most rows',
  featured: 'Featured',
  'not-featured': 'Not featured',
  upcoming: 'Upcoming',
};

/** A listing that is worth looking at, and why. */
export interface AwkwardListing {
  readonly id: number;
  readonly why: readonly Awkwardness[];
}

/** Finds the listings of a kind with which a design is most likely to break; to be shown one after the other. */
export class AwkwardFinder {
  private readonly best = new Map<Awkwardness, { id: number; score: number }>();

  constructor(
    private readonly kind: Kind,
    private readonly context: Pick<ReadContext, 'nowInMs' | 'zone'>,
  ) {}

  look(listing: Listing): void {
    const { kind } = this;
    const { nowInMs, zone } = this.context;
    if (listing.status === 'binned') return;
    if (listing.status === 'live' && !isOnSite(shownParts(listing, kind, zone), nowInMs)) {
      if (listing.shownFrom !== null && listing.shownFrom > nowInMs) this.offer('upcoming', listing, 1);
      return;
    }
    this.offer('longest-title', listing, listing.title.length);
    this.offer('longest-word', listing, longestWord(`${listing.title} ${listing.summary}`));
    if (hasPart(kind, 'picture')) this.lookAtPicture(listing);
    const held = kind.fields.filter(({ key, type }) => fieldType(type).holds(listing.values[key])).length;
    this.offer('fewest-values', listing, 1 / (held + 1));
    this.offer('most-values', listing, held);
    this.offer('most-rows', listing, mostRows(listing, kind));
    this.offer(isFeatured(listing, nowInMs) ? 'featured' : 'not-featured', listing, 1);
  }

  /** Each listing once, with all reasons. */
  found(): AwkwardListing[] {
    const whys = new Map<number, Awkwardness[]>();
    for (const why of AWKWARD) {
      const id = this.best.get(why)?.id;
      if (id !== undefined) whys.set(id, [...(whys.get(id) ?? []), why]);
    }
    return [...whys].map(([id, why]) => ({ id, why }));
  }

  private lookAtPicture(listing: Listing): void {
    const { picture } = listing;
    if (!picture) this.offer('no-picture', listing, 1);
    else if (picture.height > picture.width) this.offer('portrait-picture', listing, picture.height / picture.width);
  }

  /** The first one with the greatest score is kept; none with a score of 0. */
  private offer(why: Awkwardness, { id }: Listing, score: number): void {
    if (score > (this.best.get(why)?.score ?? 0)) this.best.set(why, { id, score });
  }
}

function longestWord(text: string): number {
  return Math.max(0, ...text.split(/[\s-]+/).map((word) => word.length));
}

function mostRows({ values }: Listing, { fields }: Kind): number {
  const rows = fields.filter(({ type }) => type === 'rows').map(({ key }) => values[key]);
  return Math.max(0, ...rows.map((value) => (Array.isArray(value) ? value.length : 0)));
}
