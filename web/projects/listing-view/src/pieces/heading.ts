import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { PieceModelOf } from '@plindo/core/page';

@Component({
  selector: 'pl-heading-piece',
  imports: [NgTemplateOutlet],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @switch (piece().level) {
      @case (1) {
        <h1><ng-container [ngTemplateOutlet]="words" /></h1>
      }
      @case (2) {
        <h2><ng-container [ngTemplateOutlet]="words" /></h2>
      }
      @default {
        <h3><ng-container [ngTemplateOutlet]="words" /></h3>
      }
    }
    <ng-template #words>
      @if (piece().href; as href) {
        <a [href]="href">{{ piece().text }}</a>
      } @else {
        {{ piece().text }}
      }
    </ng-template>
  `,
})
export class HeadingPiece {
  readonly piece = input.required<PieceModelOf<'heading'>>();
}
