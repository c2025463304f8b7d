import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { PieceModelOf } from '@plindo/core/page';
import { Icon } from '../icons/icon';
import { sayOnPage } from '../page-words';

/** Puts the listing of the page on the visitor's shortlist; `KeepButtons` sees to it, and the sheet hides it without scripts. */
@Component({
  selector: 'pl-keep-piece',
  imports: [Icon],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button
      type="button"
      class="button plain"
      aria-pressed="false"
      [attr.data-keep]="piece().id"
      [attr.data-title]="piece().title"
    >
      <pl-icon name="bookmark" />{{ say('keep.keep') }}
    </button>
  `,
})
export class KeepPiece {
  readonly piece = input.required<PieceModelOf<'keep'>>();
  protected readonly say = sayOnPage();
}
