import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { ShownSlot } from '@plindo/core/page';
import { Icon } from '../icons/icon';
import { Value } from '../value';
import { classOfSlot } from '../slot-class';

/** What a slot shows, in one line of words or in the manner of its type. */
@Component({
  selector: 'pl-slot',
  imports: [Icon, Value],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let own = slot();
    @if (showsIcon() && own.form.icon) {
      <pl-icon [name]="own.form.icon" />
    }
    @if (showsLabel() && own.form.label) {
      <span class="label">{{ own.form.label }}</span>
    }
    @if (isPlain()) {
      @if (own.value.href; as href) {
        <a [href]="href">{{ own.value.text }}</a>
      } @else {
        {{ own.value.text }}
      }
    } @else {
      <pl-value [slot]="own.value" />
    }
  `,
  host: { '[class]': 'look()' },
})
export class SlotLine {
  readonly slot = input.required<ShownSlot>();
  readonly showsLabel = input(true);
  readonly showsIcon = input(true);

  protected readonly isPlain = computed(() => this.slot().value.shape === 'text');
  protected readonly look = computed(() => classOfSlot(this.slot().form));
}
