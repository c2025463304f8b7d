import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { PieceModelOf } from '@plindo/core/page';
import { sayOnPage } from '../page-words';

@Component({
  selector: 'pl-sort-piece',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let own = piece();
    <label>
      <span>{{ say('sort.label') }}</span>
      <select [name]="own.name" [attr.form]="own.form">
        @for (sort of own.choices; track sort.key) {
          <option [value]="sort.key" [selected]="sort.current" [attr.selected]="sort.current ? '' : null">
            {{ sort.label }}
          </option>
        }
      </select>
    </label>
    <button type="submit" [attr.form]="own.form" class="go">{{ say('sort.apply') }}</button>
  `,
})
export class SortPiece {
  readonly piece = input.required<PieceModelOf<'sort'>>();
  protected readonly say = sayOnPage();
}
