import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { PieceModelOf } from '@plindo/core/page';

/** What stands in the place of a piece that has nothing to show. */
@Component({
  selector: 'pl-nothing-piece',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<p>{{ piece().sentence }}</p>`,
})
export class NothingPiece {
  readonly piece = input.required<PieceModelOf<'nothing'>>();
}
