import { PrintHash } from '../../catalog/index.js';
import type { CardDesign, Design, Slot } from '../../design/index.js';
import {
  cardsOfKind,
  firstCard,
  isTitleSlot,
  makeValueInText,
  ownIcon,
  ownLabel,
  slotsOfCard,
  zonesOf,
} from '../../design/index.js';
import type { Listing } from '../../listings/index.js';
import { isFeatured } from '../../listings/index.js';
import type { Kind, Picture, ReadContext } from '../../structure/index.js';
import { fieldType } from '../../structure/index.js';
import type { CardForm, CardForms, CardModel, CardValue, SlotForm } from './card-model.js';
import type { ShownListing } from './reached-values.js';
import { reachedValues } from './reached-values.js';
import type { CardsInUse } from './linked-listings.js';
import { listingPath, slotValue } from './slot-value.js';

/** What cards are made with beside their listings. */
export interface CardScene extends CardsInUse {
  readonly context: ReadContext;
}

/** What a card says of the page that it stands on, beside its listing. */
export interface CardExtras {
  /** The words of a search, to mark what met them. */
  readonly search?: string;
  /** How far the listing is from the place that the visitor named. */
  readonly distance?: string;
}

/** What the form of a slot depends on beside its kind. */
type SlotScene = Pick<CardScene, 'kindById' | 'context'>;

interface KnownCard {
  readonly key: string;
  readonly design: CardDesign;
  readonly slots: readonly Slot[];
}

/** Makes the cards of one page, and the forms that they have in common. */
export class CardMaker {
  private readonly byKind = new Map<number, KnownCard>();
  private readonly made = new Map<string, CardForm>();
  private readonly writtenForms = new Map<string, string>();

  /** `linked` are the listings that {@link readLinked} asked for. */
  constructor(
    private readonly scene: CardScene,
    private readonly linked: (id: number) => Listing | undefined = () => undefined,
  ) {}

  /** The forms of all cards that were made so far. */
  get forms(): CardForms {
    return Object.fromEntries(this.made);
  }

  /** A card that was made before and still holds. */
  again(card: CardModel, kind: Kind): CardModel {
    this.known(kind);
    return card;
  }

  card(listing: Listing, kind: Kind, { search = '', distance = '' }: CardExtras = {}): CardModel {
    const { context, kindById } = this.scene;
    const { key, design, slots } = this.known(kind);
    const shown: ShownListing = { listing, kind, context, kindById, linked: this.linked, distance };
    const values: Record<string, CardValue> = {};
    for (const slot of slots) {
      const value = slotValue(slot, shown, search);
      if (value) values[slot.key] = value;
    }
    const own = {
      id: listing.id,
      form: key,
      href: kind.hasListingPages ? listingPath(kind, listing) : null,
      title: listing.title,
      picture: pictureOf(design, shown),
      featured: isFeatured(listing, context.nowInMs),
      values,
    };
    const print = new PrintHash().add(this.writtenForms.get(key)!).add(JSON.stringify(own)).value();
    return { ...own, print: `${listing.id}-${print.toString(36)}` };
  }

  private known(kind: Kind): KnownCard {
    const known = this.byKind.get(kind.id) ?? knownCard(kind, this.scene.designs);
    this.byKind.set(kind.id, known);
    if (!this.made.has(known.key)) {
      const form = formOf(known.design, kind, this.scene);
      this.made.set(known.key, form);
      this.writtenForms.set(known.key, JSON.stringify(form));
    }
    return known;
  }
}

function knownCard(kind: Kind, designs: readonly Design[]): KnownCard {
  const [kept] = cardsOfKind(kind.id, designs);
  const design = kept?.definition ?? firstCard(kind);
  return { key: kept ? `card-${kept.id}` : `kind-${kind.id}`, design, slots: slotsOfCard(design) };
}

/** What all cards of a design have in common. */
export function formOf(design: CardDesign, kind: Kind, scene: SlotScene): CardForm {
  const { picture, surface, leads, canBeKept, columns, zones } = design;
  const { stands, ratio, fit } = picture;
  return {
    picture: { stands, ratio, fit },
    ...{ surface, leads, columns },
    keep: canBeKept ? scene.context.formats.words.say('keep.keep') : '',
    zones: zonesOf((zone) => zones[zone].map((slot) => slotFormOf(slot, kind, scene))),
  };
}

/** How a slot stands, whatever it shows. */
export function slotFormOf(slot: Slot, kind: Pick<Kind, 'fields'>, { kindById, context }: SlotScene): SlotForm {
  const { key, form, size, isBold, tone, lines } = slot;
  const name = ownLabel(slot.text, kind, kindById, context.formats.words);
  const label = slot.label ?? name;
  const icon = slot.icon ?? ownIcon(slot.text, kind, kindById);
  return { key, form, size, isBold, tone, lines, label, name, icon, isTitle: isTitleSlot(slot) };
}

function pictureOf({ picture }: CardDesign, shown: ShownListing): Picture | null {
  if (picture.stands === 'none') return null;
  const [found] = reachedValues(makeValueInText({ field: picture.field }), shown);
  if (!found) return null;
  const { value } = found;
  if (Array.isArray(value)) return (value as readonly Picture[])[0] ?? null;
  return fieldType('picture').holds(value) ? (value as Picture) : null;
}
