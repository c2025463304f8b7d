import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { PieceModelOf } from '@plindo/core/page';

@Component({
  selector: 'pl-count-piece',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<p role="status">{{ piece().sentence }}</p>`,
})
export class CountPiece {
  readonly piece = input.required<PieceModelOf<'count'>>();
}
