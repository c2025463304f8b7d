import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { PieceModelOf } from '@plindo/core/page';

@Component({
  selector: 'pl-space-piece',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: '',
  host: { '[class]': "'space-' + piece().size" },
})
export class SpacePiece {
  readonly piece = input.required<PieceModelOf<'space'>>();
}
