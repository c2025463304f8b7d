import { CardMaker } from '../cards/card-maker.js';
import type { CardForms, CardModel } from '../cards/card-model.js';
import { readLinked } from '../cards/linked-listings.js';
import type { PageScene } from '../frame.js';
import type { DesignedSource } from '../pages/designed-page.js';
import { onSiteAmong } from './chosen-listings.js';

/** Cards of listings that a browser keeps, and their forms. */
export interface ChosenCards {
  readonly cards: readonly CardModel[];
  readonly forms: CardForms;
}

/** The cards of some listings, in their order; one that visitors may not see is left out. */
export async function cardsOf(ids: readonly number[], scene: PageScene, source: DesignedSource): Promise<ChosenCards> {
  const listings = await source.listings(onSiteAmong(ids, source.queries));
  const linked = await readLinked(listings, scene, (wanted) => source.listings(wanted));
  const maker = new CardMaker(scene, linked);
  const cards = listings.flatMap((listing) => {
    const kind = scene.kindById(listing.kindId);
    return kind ? [maker.card(listing, kind)] : [];
  });
  return { cards, forms: maker.forms };
}
