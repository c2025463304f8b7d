import type { CdkDragDrop } from '@angular/cdk/drag-drop';
import { CdkDrag, CdkDragHandle, CdkDropList } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import type { Slot } from '@plindo/core/design';
import { freeSlotKey, makeSlot, slotName } from '@plindo/core/design';
import type { Kind, KindById } from '@plindo/core/structure';
import { Icon } from '@plindo/listing-view';
import { keyOfShowable, showableGroups } from './showable';
import { slotShowing } from './new-slot';
import { SlotSettings } from './slot-settings';

const WORDS = 'words';

/** A list of slots: each can be moved, taken out and opened to say more of it. */
@Component({
  selector: 'pl-slots-editor',
  imports: [CdkDrag, CdkDragHandle, CdkDropList, Icon, SlotSettings],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './slots-editor.html',
  styleUrl: './slots-editor.scss',
})
export class SlotsEditor {
  readonly label = input.required<string>();
  readonly slots = input.required<readonly Slot[]>();
  /** The kind of what the slots show; null for words alone. */
  readonly kind = input.required<Kind | null>();
  readonly kinds = input.required<readonly Kind[]>();
  readonly slotsChange = output<readonly Slot[]>();

  /** Key of the slot that is open. */
  protected readonly open = signal<string | null>(null);
  protected readonly groups = computed(() => showableGroups(this.kind(), this.kinds()));
  protected readonly keyOf = keyOfShowable;
  private readonly kindById: KindById = (id) => this.kinds().find((kind) => kind.id === id);

  protected nameOf(slot: Slot): string {
    return slotName(slot, { kind: this.kind() ?? { fields: [] }, kindById: this.kindById });
  }

  protected toggle(key: string): void {
    this.open.update((open) => (open === key ? null : key));
  }

  protected add(list: HTMLSelectElement): void {
    const all = this.groups().flatMap(({ of }) => of);
    const found = all.find((one) => keyOfShowable(one) === list.value);
    const slot =
      list.value === WORDS ? makeSlot({ key: 'words', text: ['Words'] }) : found && slotShowing(found, 'body');
    list.value = '';
    if (!slot) return;
    const added = { ...slot, key: freeSlotKey(slot.key, this.slots()) };
    this.open.set(added.key);
    this.slotsChange.emit([...this.slots(), added]);
  }

  protected put(at: number, change: Partial<Slot>): void {
    this.slotsChange.emit(this.slots().map((slot, other) => (other === at ? { ...slot, ...change } : slot)));
  }

  protected remove(at: number): void {
    this.slotsChange.emit(this.slots().filter((_, other) => other !== at));
  }

  protected dropped({ previousIndex, currentIndex }: CdkDragDrop<unknown>): void {
    this.move(previousIndex, currentIndex);
  }

  protected key(event: KeyboardEvent, at: number): void {
    const by = { ArrowUp: -1, ArrowDown: 1 }[event.key];
    if (event.altKey && by !== undefined) this.move(at, at + by);
    else if (event.key === 'Delete') this.remove(at);
    else return;
    event.preventDefault();
  }

  private move(from: number, to: number): void {
    if (to < 0 || to >= this.slots().length || from === to) return;
    const slots = [...this.slots()];
    slots.splice(to, 0, ...slots.splice(from, 1));
    this.slotsChange.emit(slots);
  }
}
