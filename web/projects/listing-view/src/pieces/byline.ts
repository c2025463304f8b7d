import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { PieceModelOf } from '@plindo/core/page';

@Component({
  selector: 'pl-byline-piece',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<p>{{ piece().text }}</p>`,
})
export class BylinePiece {
  readonly piece = input.required<PieceModelOf<'byline'>>();
}
