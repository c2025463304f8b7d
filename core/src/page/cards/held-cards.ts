import type { Listing } from '../../listings/index.js';
import type { Kind } from '../../structure/index.js';
import type { CardExtras } from './card-maker.js';
import type { CardModel } from './card-model.js';

/**
 * Cards of listings that were made for other pages and still hold, so that neither the listing has to be read nor the
 * card to be made anew. None of them says anything of the page that it stood on.
 */
export interface HeldCards {
  get(listingId: number): { readonly card: CardModel; readonly kind: Kind } | undefined;
  keep(card: CardModel, listing: Listing, kind: Kind): void;
}

export const NO_HELD_CARDS: HeldCards = { get: () => undefined, keep: () => undefined };

/** Whether a card would say the same on every page. */
export function isPlainCard({ search = '', distance = '' }: CardExtras = {}): boolean {
  return search === '' && distance === '';
}
