import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { PieceModelOf } from '@plindo/core/page';

@Component({
  selector: 'pl-rich-text-piece',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<div class="rich-text" [innerHTML]="piece().html"></div>`,
})
export class RichTextPiece {
  readonly piece = input.required<PieceModelOf<'rich-text'>>();
}
