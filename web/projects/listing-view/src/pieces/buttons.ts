import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { PieceModelOf } from '@plindo/core/page';

@Component({
  selector: 'pl-buttons-piece',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (button of piece().buttons; track $index) {
      <a class="button" [class.plain]="piece().look === 'plain'" [href]="button.href">{{ button.words }}</a>
    }
  `,
})
export class ButtonsPiece {
  readonly piece = input.required<PieceModelOf<'buttons'>>();
}
