import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import type { PieceModelOf } from '@plindo/core/page';
import { Pager } from '../controls/pager';
import { PAGE_STEERING } from './steering';

@Component({
  selector: 'pl-pager-piece',
  imports: [Pager],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <pl-pager
      [pager]="piece().pager"
      [interactive]="steering.interactive()"
      (more)="steering.follow({ url: $event, replace: false, stays: true })"
    />
  `,
})
export class PagerPiece {
  readonly piece = input.required<PieceModelOf<'pager'>>();
  protected readonly steering = inject(PAGE_STEERING);
}
