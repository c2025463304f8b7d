import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { PieceModelOf } from '@plindo/core/page';
import { Icon } from '../icons/icon';
import { SlotLine } from './slot-line';

@Component({
  selector: 'pl-values-piece',
  imports: [Icon, SlotLine],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let own = piece();
    @if (own.layout === 'sections') {
      @for (slot of own.slots; track slot.form.key) {
        <section>
          @if (slot.form.label) {
            <h2>{{ slot.form.label }}</h2>
          }
          <pl-slot [slot]="slot" [showsLabel]="false" [showsIcon]="false" />
        </section>
      }
    } @else {
      <dl [class]="own.layout + ' columns-' + own.columns">
        @for (slot of own.slots; track slot.form.key) {
          <div>
            <dt [class.hidden-text]="!slot.form.label">
              @if (slot.form.icon) {
                <pl-icon [name]="slot.form.icon" />
              }
              {{ slot.form.label || slot.form.name }}
            </dt>
            <dd><pl-slot [slot]="slot" [showsLabel]="false" [showsIcon]="false" /></dd>
          </div>
        }
      </dl>
    }
  `,
})
export class ValuesPiece {
  readonly piece = input.required<PieceModelOf<'values'>>();
}
