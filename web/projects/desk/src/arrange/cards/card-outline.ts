import type { CdkDragDrop } from '@angular/cdk/drag-drop';
import { CdkDrag, CdkDragHandle, CdkDropList, CdkDropListGroup } from '@angular/cdk/drag-drop';
import {
  ChangeDetectionStrategy,
  ChangeDetectorRef,
  Component,
  ElementRef,
  computed,
  inject,
  input,
} from '@angular/core';
import type { CardZone, Slot, SlotPlace } from '@plindo/core/design';
import { CARD_ZONES, ZONE_WORDS, slotOfField } from '@plindo/core/design';
import { Icon } from '@plindo/listing-view';
import type { CardWork } from './card-work';
import { keyOfShowable, showablesOf } from '../design/showable';
import { slotShowing } from '../design/new-slot';

const WORDS = 'words';

/** All of a card as a tree: its places, and the slots in each. Everything is done by mouse, by menu or by keys. */
@Component({
  selector: 'pl-card-outline',
  imports: [CdkDrag, CdkDragHandle, CdkDropList, CdkDropListGroup, Icon],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './card-outline.html',
  styleUrl: './card-outline.scss',
})
export class CardOutline {
  readonly work = input.required<CardWork>();

  private readonly changes = inject(ChangeDetectorRef);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  protected readonly words = ZONE_WORDS;
  protected readonly zones = computed(() =>
    CARD_ZONES.map((zone) => ({ zone, slots: this.work().card().zones[zone] })),
  );
  protected readonly showables = computed(() => {
    const { kind, kinds } = this.work();
    return showablesOf(kind, kinds);
  });
  protected readonly keyOf = keyOfShowable;
  private copied: Slot | null = null;

  protected nameOf(slot: Slot): string {
    return this.work().nameOf(slot);
  }

  /** Adds what was chosen in the list of a place. */
  protected add(zone: CardZone, list: HTMLSelectElement): void {
    const { own, parts, linked } = this.showables();
    const found = [...own, ...parts, ...linked].find((one) => keyOfShowable(one) === list.value);
    const at = this.work().card().zones[zone].length;
    const slot =
      list.value === WORDS ? { ...slotOfField('text'), text: [{ words: 'Text' }], label: '', icon: '' } : null;
    list.value = '';
    if (slot) this.work().add({ zone, at }, slot);
    else if (found) this.work().add({ zone, at }, slotShowing(found, zone));
  }

  protected dropped({ item, container, currentIndex }: CdkDragDrop<CardZone>): void {
    this.work().move(item.data as SlotPlace, { zone: container.data, at: currentIndex });
  }

  protected key(event: KeyboardEvent, place: SlotPlace): void {
    const act = this.actOf(event, place);
    if (!act) return;
    event.preventDefault();
    const work = this.work();
    work.choose(work.card().zones[place.zone][place.at]!.key);
    act();
    // The row is drawn anew where the slot stands now; the next key may come at once.
    this.changes.detectChanges();
    this.host.nativeElement.querySelector<HTMLElement>('[aria-pressed=true]')?.focus();
  }

  private actOf({ key, altKey, ctrlKey, metaKey }: KeyboardEvent, place: SlotPlace): (() => void) | null {
    const work = this.work();
    const slot = work.card().zones[place.zone][place.at]!;
    const isCommand = ctrlKey || metaKey;
    if (key === 'ArrowUp' || key === 'ArrowDown') {
      const by = key === 'ArrowUp' ? -1 : 1;
      return altKey ? () => work.shift(place, by) : () => this.goOn(slot.key, by);
    }
    if (key === 'Delete') return () => work.remove(place);
    if (isCommand && key === 'd') return () => work.copy(place);
    if (isCommand && key === 'c') return () => (this.copied = slot);
    const { copied } = this;
    if (isCommand && key === 'x') {
      return () => {
        this.copied = slot;
        work.remove(place);
      };
    }
    return isCommand && key === 'v' && copied ? () => work.paste(copied) : null;
  }

  private goOn(from: string, by: number): void {
    const keys = this.zones().flatMap(({ slots }) => slots.map(({ key }) => key));
    const next = keys[keys.indexOf(from) + by];
    if (next !== undefined) this.work().choose(next);
  }
}
