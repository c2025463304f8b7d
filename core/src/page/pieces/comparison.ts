import type { Design, Slot, ValueInText } from '../../design/index.js';
import { mainCard, onlyValue, slotOfField, slotsOfCard } from '../../design/index.js';
import type { Listing } from '../../listings/index.js';
import type { Field, Kind } from '../../structure/index.js';
import { hasPart } from '../../structure/index.js';
import { slotFormOf } from '../cards/card-maker.js';
import { listingPath, slotValue } from '../cards/slot-value.js';
import { shortlistAddress } from '../visitor/chosen-listings.js';
import type { ComparedRow } from './piece-models.js';
import type { ListQuestion, PieceMaker, PieceMaking } from './piece-maker.js';

const QUESTION: ListQuestion = { from: 'compared', of: 0, fields: [], most: Number.MAX_SAFE_INTEGER };
/** What needs a page of its own to be read or looked at. */
const TOO_LONG: readonly Field['type'][] = ['long-text', 'rich-text', 'rows', 'picture', 'pictures', 'file'];

/** Listings of one kind side by side: where they differ, then what is the same for all. */
export const comparison: PieceMaker<'comparison'> = {
  question: () => QUESTION,
  needsListings: () => true,
  make(_settings, making) {
    const listings = making.answer(QUESTION).ids.flatMap((id) => making.linked(id) ?? []);
    const kind = listings[0] && making.page.kindById(listings[0].kindId);
    if (!kind) return null;
    const compared = listings.filter(({ kindId }) => kindId === kind.id);
    const rows = slotsOf(kind, making.page.designs).flatMap((slot) => rowOf(slot, compared, kind, making) ?? []);
    const { shortlist = [] } = making.chosen ?? {};
    return {
      type: 'comparison',
      heads: compared.map((listing) => ({
        ...{ id: listing.id, title: listing.title, picture: listing.picture },
        href: kind.hasListingPages ? listingPath(kind, listing) : null,
      })),
      different: rows.filter(({ values }) => !areSame(values)),
      same: rows.filter(({ values }) => areSame(values)),
      isOfSeveralKinds: compared.length < listings.length,
      endHref: shortlistAddress({ shortlist, compared: [] }),
    };
  },
};

/** What is said of a listing, as its card says it where it does: in the same unit, with as many digits. */
function slotsOf(kind: Kind, designs: readonly Design[]): Slot[] {
  const onCard = slotsOfCard(mainCard(kind, designs));
  const fields = kind.fields.filter(({ type }) => !TOO_LONG.includes(type));
  const parts = (['summary', 'place'] as const).filter((part) => hasPart(kind, part)).map((part) => `@${part}`);
  return [...parts, ...fields.map(({ key }) => key)].map((key) => {
    const slot = slotOfField(key, { form: 'own' });
    const same = onCard.find(({ text }) => isValueOf(onlyValue(text), key));
    return same ? { ...slot, text: same.text } : slot;
  });
}

function isValueOf(value: ValueInText | null, key: string): boolean {
  return value?.field === key && value.through.length === 0;
}

/** Null for what none of them has. */
function rowOf(slot: Slot, listings: readonly Listing[], kind: Kind, making: PieceMaking): ComparedRow | null {
  const { context, kindById } = making.page;
  const { linked } = making;
  const values = listings.map((listing) => slotValue(slot, { listing, kind, context, kindById, linked, distance: '' }));
  return values.some((value) => value) ? { form: slotFormOf(slot, kind, making.page), values } : null;
}

function areSame(values: ComparedRow['values']): boolean {
  const [first, ...others] = values.map((value) => JSON.stringify(value));
  return others.every((one) => one === first);
}
