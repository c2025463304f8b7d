import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { SlotModel } from '@plindo/core/page';
import { Icon } from './icons/icon';

/** Labelled values, as they stand on a card. */
@Component({
  selector: 'pl-slots',
  imports: [Icon],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <dl>
      @for (slot of slots(); track slot.key) {
        <div>
          <dt><pl-icon [name]="slot.icon" />{{ slot.label }}</dt>
          <dd>{{ slot.text }}</dd>
        </div>
      }
    </dl>
  `,
  styles: `
    dl {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(6.25rem, 1fr));
      gap: 0.5rem 1rem;
      margin: 0;
    }
    dt {
      display: flex;
      align-items: center;
      gap: 0.3em;
      font-size: 0.8125rem;
      color: var(--pl-quiet);
    }
    dd {
      margin: 0;
      font-variant-numeric: tabular-nums;
      overflow-wrap: anywhere;
    }
  `,
})
export class Slots {
  readonly slots = input.required<readonly SlotModel[]>();
}
