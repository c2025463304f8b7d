import type { Slot } from '../../design/index.js';
import { makeSlot } from '../../design/index.js';
import type { Kind } from '../../structure/index.js';
import type { CardValue } from '../cards/card-model.js';
import { slotFormOf } from '../cards/card-maker.js';
import { listingPath, slotValue } from '../cards/slot-value.js';
import type { TableRowModel } from './piece-models.js';
import type { ListAnswer, PieceMaker, PieceMaking } from './piece-maker.js';
import { shownSlots } from './piece-maker.js';

export const list: PieceMaker<'list'> = {
  question: ({ from, of, fields, most }) => ({ from, of, fields, most }),
  make(settings, making) {
    const { from, of, fields, most, layout, width, heading, intro, leadsOn, columns } = settings;
    const answer = making.answer({ from, of, fields, most });
    if (answer.listings.length === 0) return null;
    const [words] = shownSlots([makeSlot({ key: 'heading', text: heading })], making);
    const { kindById } = making.page;
    const kind = kindById(answer.listings[0]!.kindId);
    const isTable = layout === 'table';
    const cards = answer.listings.flatMap((listing) => {
      const own = kindById(listing.kindId);
      return own && !isTable ? [making.maker.card(listing, own)] : [];
    });
    return {
      ...{ type: 'list', layout, width, intro, cards },
      heading: words?.value.text ?? '',
      all: leadsOn && answer.href !== null ? { href: answer.href, total: answer.total } : null,
      columns: isTable && kind ? columns.map((slot) => slotFormOf(slot, kind, kindById)) : [],
      rows: isTable ? rowsOf(answer, columns, making) : [],
    };
  },
};

function rowsOf({ listings }: ListAnswer, columns: readonly Slot[], { page, linked }: PieceMaking): TableRowModel[] {
  const { context, kindById } = page;
  return listings.flatMap((listing) => {
    const kind: Kind | undefined = kindById(listing.kindId);
    if (!kind) return [];
    const values: Record<string, CardValue> = {};
    for (const slot of columns) {
      const value = slotValue(slot, { listing, kind, context, kindById, linked, distance: '' });
      if (value) values[slot.key] = value;
    }
    return [{ id: listing.id, href: kind.hasListingPages ? listingPath(kind, listing) : null, values }];
  });
}
