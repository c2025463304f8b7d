import type { BodyColumns, CardLead, CardPicture, CardZone, Slot, Surface } from '../../design/index.js';
import type { Picture } from '../../structure/index.js';
import type { ValueModel } from './value-model.js';

/** Characters of a text, from (in) and to (out). */
export type Stretch = readonly [from: number, to: number];

/** What all cards of one design have in common, so that it is told once a page. */
export interface CardForm {
  readonly picture: Omit<CardPicture, 'field'>;
  readonly surface: Surface;
  readonly leads: CardLead;
  /** What the button says with which it is kept; '' for none. */
  readonly keep: string;
  readonly columns: BodyColumns;
  readonly zones: Readonly<Record<CardZone, readonly SlotForm[]>>;
}

/** How a slot stands on a card, whatever it shows. */
export interface SlotForm extends Pick<Slot, 'key' | 'form' | 'size' | 'isBold' | 'tone' | 'lines'> {
  /** '' for none. */
  readonly label: string;
  /** What it is called where no label is shown, for those who don't see where it stands. */
  readonly name: string;
  /** Name of an icon, '' for none. */
  readonly icon: string;
  /** Whether it is the title, which names the card. */
  readonly isTitle: boolean;
}

/** The forms of the cards on a page, by {@link CardModel.form}. */
export type CardForms = Readonly<Record<string, CardForm>>;

/** What a slot shows on one card. */
export interface CardValue extends ValueModel {
  /** What a search met of it. */
  readonly marks?: readonly Stretch[];
}

export interface CardModel {
  readonly id: number;
  /** Of all that it shows: cards with the same print look the same. */
  readonly print: string;
  readonly form: string;
  /** Null when listings of the kind have no pages of their own. */
  readonly href: string | null;
  readonly title: string;
  /** Null for a card without one, or of a listing without one. */
  readonly picture: Picture | null;
  readonly featured: boolean;
  /** By key of the slot; an empty one is left out. */
  readonly values: Readonly<Record<string, CardValue>>;
}
