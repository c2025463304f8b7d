import type { LinkCandidate } from '@plindo/core/contract';
import { fieldsOnCard } from '@plindo/core/design';
import { slotsOf } from '@plindo/core/page';
import { BLANK_TABLE_QUERY, runTableQuery } from '@plindo/core/query';
import { fieldByKey, linkOfField, otherSide } from '@plindo/core/structure';
import { Refusal } from '@plindo/core/values';
import type { Live } from '../../live/live.js';

const MOST_CANDIDATES = 20;
const FACTS = 3;

/** Listings that could be connected, from whichever end. */
export class Candidates {
  constructor(private readonly live: Live) {}

  /**
   * Listings that could be linked by a field, found by typing: with what tells them apart, and with whom they are.
   * Refused by `request.not-found`.
   */
  async of(kindId: number, key: string, text: string): Promise<LinkCandidate[]> {
    const kind = this.live.kind(kindId);
    const field = kind && fieldByKey(kind, key);
    const found = field && linkOfField(field, this.live.allLinks());
    if (!found) throw Refusal.of('request.not-found');
    const { link, side } = found;
    const other = otherSide(side);
    const catalog = this.live.catalog(link[other].kindId);
    if (!catalog) return [];
    const context = this.live.context();
    const shown = new Set(fieldsOnCard(catalog.kind, this.live.designs()));
    const { ids } = runTableQuery(catalog, { ...BLANK_TABLE_QUERY, text, limit: MOST_CANDIDATES }, context);
    return (await this.live.listings(ids)).map((listing) => {
      const [held] = link[other].many ? [] : this.live.links.graph.of(link.id, other, listing.id);
      const holder = held?.[side];
      const slots = slotsOf(
        listing,
        catalog.kind,
        context,
        (field) => shown.has(field.key) && field.type !== 'picture',
      );
      return {
        id: listing.id,
        title: listing.title,
        picture: listing.picture,
        facts: slots.slice(0, FACTS).map((slot) => slot.text),
        heldBy: holder === undefined ? null : { id: holder, title: this.live.catalog(kindId)?.titleOf(holder) ?? '' },
      };
    });
  }
}
