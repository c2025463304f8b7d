import type { DesignedPage, ShownSlot } from '@plindo/core/page';
import { piecesOn } from '@plindo/core/testing/list-on-page';

/** What the page of a listing shows by its standard design, read from its model. */
export interface ShownPage {
  /** Labelled values, in their order. */
  readonly slots: readonly (ShownSlot['value'] & { readonly key: string })[];
  readonly body: string;
  readonly byline: string;
}

export function shownPage(page: DesignedPage): ShownPage {
  const pieces = piecesOn(page);
  const slots = pieces.flatMap((piece) => (piece.type === 'values' ? piece.slots : []));
  return {
    slots: slots.map(({ form: { key }, value }) => ({ key, ...value })),
    body: pieces.map((piece) => (piece.type === 'rich-text' ? piece.html : '')).join(''),
    byline: pieces.map((piece) => (piece.type === 'byline' ? piece.text : '')).join(''),
  };
}
