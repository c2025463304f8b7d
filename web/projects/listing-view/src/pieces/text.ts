import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { PieceModelOf } from '@plindo/core/page';
import { SlotLine } from './slot-line';

@Component({
  selector: 'pl-text-piece',
  imports: [SlotLine],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (slot of piece().slots; track slot.form.key) {
      <p><pl-slot [slot]="slot" /></p>
    }
  `,
})
export class TextPiece {
  readonly piece = input.required<PieceModelOf<'text'>>();
}
