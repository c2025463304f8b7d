import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { PieceModelOf } from '@plindo/core/page';
import { Icon } from '../icons/icon';
import { sayOnPage } from '../page-words';

@Component({
  selector: 'pl-chips-piece',
  imports: [Icon],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ul [attr.aria-label]="say('chips.label')">
      @for (chip of piece().chips; track chip.label) {
        <li>
          <a [href]="chip.href" [attr.aria-label]="say('chips.take-back', { choice: chip.label })"
            >{{ chip.label }}<pl-icon name="close"
          /></a>
        </li>
      }
      <li>
        <a class="clear" [href]="piece().clearHref">{{ say('chips.clear') }}</a>
      </li>
    </ul>
  `,
})
export class ChipsPiece {
  readonly piece = input.required<PieceModelOf<'chips'>>();
  protected readonly say = sayOnPage();
}
