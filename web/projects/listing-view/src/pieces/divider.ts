import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { PieceModelOf } from '@plindo/core/page';

@Component({
  selector: 'pl-divider-piece',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<hr />`,
})
export class DividerPiece {
  readonly piece = input.required<PieceModelOf<'divider'>>();
}
