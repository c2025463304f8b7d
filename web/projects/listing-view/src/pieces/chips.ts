import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { PieceModelOf } from '@plindo/core/page';
import { Icon } from '../icons/icon';

@Component({
  selector: 'pl-chips-piece',
  imports: [Icon],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ul aria-label="Chosen">
      @for (chip of piece().chips; track chip.label) {
        <li>
          <a [href]="chip.href"><span class="hidden-text">Take back </span>{{ chip.label }}<pl-icon name="close" /></a>
        </li>
      }
      <li><a class="clear" [href]="piece().clearHref">Clear all</a></li>
    </ul>
  `,
})
export class ChipsPiece {
  readonly piece = input.required<PieceModelOf<'chips'>>();
}
