import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { PieceModelOf } from '@plindo/core/page';
import { Icon } from '../icons/icon';

@Component({
  selector: 'pl-breadcrumb-piece',
  imports: [Icon],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <nav [attr.aria-label]="piece().label">
      <a [href]="piece().href"><pl-icon name="arrow_back" />{{ piece().words }}</a>
    </nav>
  `,
})
export class BreadcrumbPiece {
  readonly piece = input.required<PieceModelOf<'breadcrumb'>>();
}
