import { computed, signal } from '@angular/core';
import type { CardDesign, CardStarter, CardZone, DesignStep, Slot, SlotPlace, StarterFile } from '@plindo/core/design';
import {
  CARD_ZONES,
  addSlot,
  cardOfFile,
  cardOfStarter,
  changeCard,
  changeSlot,
  checkCard,
  copySlot,
  moveSlot,
  placeOfSlot,
  removeSlot,
  replaceCard,
  starterFileOf,
  slotAt,
  slotName,
} from '@plindo/core/design';
import type { Cast, Kind, KindById, ReadContext } from '@plindo/core/structure';
import { DesignHistory } from '../design/design-history';

/** A card that is being designed: what is chosen of it, and everything that can be done to it. */
export class CardWork {
  readonly history: DesignHistory<CardDesign>;
  readonly card;
  /** Key of the slot that is chosen; null for the card as a whole. */
  readonly chosen = signal<string | null>(null);
  readonly place = computed(() => {
    const key = this.chosen();
    return key === null ? null : placeOfSlot(this.card(), key);
  });
  readonly slot = computed(() => {
    const place = this.place();
    return place && slotAt(this.card(), place);
  });
  readonly issues = computed(() => {
    const { kind, kindById, context } = this;
    return checkCard(this.card(), kind, { kindById, context });
  });
  private readonly names;

  constructor(
    readonly kind: Kind,
    readonly kinds: readonly Kind[],
    readonly context: ReadContext,
    begun: CardDesign,
    kept: CardDesign,
  ) {
    this.history = new DesignHistory(begun, kept);
    this.card = this.history.design;
    this.names = { kind, kindById: this.kindById };
  }

  readonly kindById: KindById = (id) => this.kinds.find((kind) => kind.id === id);

  nameOf(slot: Slot): string {
    return slotName(slot, this.names);
  }

  choose(key: string | null): void {
    this.chosen.set(key);
  }

  add(place: SlotPlace, slot: Slot): void {
    const step = addSlot(this.card(), place, slot, this.names);
    this.take(step);
    if (step.act === 'add') this.choose((step.item as Slot).key);
  }

  /** Puts a slot behind the chosen one, else at the end of the values. */
  paste(slot: Slot): void {
    const place = this.place();
    this.add(place ? { ...place, at: place.at + 1 } : { zone: 'body', at: this.card().zones.body.length }, slot);
  }

  copy(place: SlotPlace): void {
    const step = copySlot(this.card(), place, this.names);
    this.take(step);
    if (step.act === 'add') this.choose((step.item as Slot).key);
  }

  remove(place: SlotPlace): void {
    const slots = this.card().zones[place.zone];
    const next = slots[place.at + 1] ?? slots[place.at - 1] ?? null;
    this.take(removeSlot(this.card(), place, this.names));
    this.choose(next?.key ?? null);
  }

  move(from: SlotPlace, to: SlotPlace): void {
    this.take(moveSlot(this.card(), from, to, this.names));
  }

  /** Moves a slot one place up or down, at the end of its place on the card into the next one. */
  shift(from: SlotPlace, by: -1 | 1): void {
    const to = from.at + by;
    const { length } = this.card().zones[from.zone];
    if (to >= 0 && to < length) return this.move(from, { ...from, at: to });
    const zone: CardZone | undefined = CARD_ZONES[CARD_ZONES.indexOf(from.zone) + by];
    if (zone) this.move(from, { zone, at: by === 1 ? 0 : this.card().zones[zone].length });
  }

  /** Changes the chosen slot; changes of the same property one after the other are one step. */
  change(change: Partial<Slot>): void {
    const place = this.place();
    if (!place) return;
    const mark = `${this.chosen()!} ${Object.keys(change).join(' ')}`;
    this.take(changeSlot(this.card(), place, change, this.names), mark);
  }

  set<Key extends Exclude<keyof CardDesign, 'zones'>>(key: Key, value: CardDesign[Key], words: string): void {
    this.take(changeCard(this.card(), key, value, words), key);
  }

  /** Begins anew with a card that is made for listings of some sort; it is a step like any other. */
  begin(starter: CardStarter, cast: Cast): void {
    const card = this.card();
    this.take(replaceCard(card, cardOfStarter(starter, this.kind, card.name, cast), `Began with “${starter.label}”`));
    this.choose(null);
  }

  /** The same with a card from a file. */
  beginWithFile(file: Extract<StarterFile, { readonly type: 'card' }>, cast: Cast): void {
    const [card, { kind, kindById, context }] = [this.card(), this];
    const after = cardOfFile(file, cast, kind, { kindById, context });
    this.take(replaceCard(card, after, `Began with “${file.definition.name}” from a file`));
    this.choose(null);
  }

  asFile(): StarterFile {
    return starterFileOf({ type: 'card', definition: this.card() }, this.kind, this.kindById);
  }

  private take(step: DesignStep | null, mark: string | null = null): void {
    this.history.take(step, mark);
  }
}
