import type { LinkCandidate } from '@plindo/core/contract';
import type { Values } from '@plindo/core/listings';
import { planLinkEdit } from '@plindo/core/listings';
import { slotsOf } from '@plindo/core/page';
import { BLANK_TABLE_QUERY, runTableQuery } from '@plindo/core/query';
import type { Kind, LinkEdit } from '@plindo/core/structure';
import { fieldByKey, linkEditOf, linkOfField, otherSide } from '@plindo/core/structure';
import { issue } from '@plindo/core/values';
import type { Live } from '../live/live.js';
import type { Store, Unit } from '../store/index.js';
import { Refusal, refuseIfAny } from './refusal.js';

const MOST_CANDIDATES = 20;
const FACTS = 3;

/** Connecting listings, from whichever end. */
export class Connections {
  constructor(
    private readonly store: Store,
    private readonly live: Live,
  ) {}

  /** Carries out what an input says of a listing's links, inside a change. */
  async edit(unit: Unit, kind: Kind, listing: number, values: Readonly<Record<string, unknown>>): Promise<void> {
    for (const field of kind.fields) {
      const found = linkOfField(field, this.live.links.all());
      if (!found || !Object.hasOwn(values, field.key)) continue;
      const edit = linkEditOf(values[field.key]);
      const otherKind = found.link[otherSide(found.side)].kindId;
      await this.checkListings(unit, edit, otherKind, field);
      const plan = planLinkEdit(this.live.links.graph, found.link, { side: found.side, listing, edit });
      for (const before of plan.remove)
        await unit.restore({ entity: 'connection', id: before.id, before, after: null });
      for (const { before, after } of plan.update) {
        await unit.restore({ entity: 'connection', id: before.id, before, after });
      }
      for (const made of plan.insert) await unit.insertConnection(made);
    }
  }

  /** Listings that could be linked by a field, found by typing: with what tells them apart, and with whom they are. */
  async candidates(kindId: number, key: string, text: string): Promise<LinkCandidate[]> {
    const kind = this.live.kind(kindId);
    const field = kind && fieldByKey(kind, key);
    const found = field && linkOfField(field, this.live.links.all());
    if (!found) throw Refusal.of('request.not-found');
    const { link, side } = found;
    const other = otherSide(side);
    const catalog = this.live.catalog(link[other].kindId);
    if (!catalog) return [];
    const context = this.live.context();
    const { ids } = runTableQuery(catalog, { ...BLANK_TABLE_QUERY, text, limit: MOST_CANDIDATES }, context);
    return (await this.store.listings(ids)).map((kept) => {
      const listing = this.live.complete(kept);
      const [held] = link[other].many ? [] : this.live.links.graph.of(link.id, other, listing.id);
      const holder = held?.[side];
      const slots = slotsOf(listing, catalog.kind, context, ({ onCard, type }) => onCard && type !== 'picture');
      return {
        id: listing.id,
        title: listing.title,
        picture: listing.picture,
        facts: slots.slice(0, FACTS).map((slot) => slot.text),
        heldBy: holder === undefined ? null : { id: holder, title: this.live.catalog(kindId)?.titleOf(holder) ?? '' },
      };
    });
  }

  private async checkListings(
    unit: Unit,
    { now }: LinkEdit,
    kindId: number,
    { key, label }: { readonly key: string; readonly label: string },
  ): Promise<void> {
    for (const { id } of now) {
      const listing = await unit.listing(id);
      if (listing?.kindId === kindId) continue;
      refuseIfAny([issue('link.listing', { label, found: listing?.title ?? id }, { field: key })]);
    }
  }
}

/** Values without what is kept as connections. */
export function withoutLinked(values: Values, { fields }: Kind): Values {
  const links = fields.filter(({ type }) => type === 'link').map(({ key }) => key);
  return Object.fromEntries(Object.entries(values).filter(([key]) => !links.includes(key)));
}
