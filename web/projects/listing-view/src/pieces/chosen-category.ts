import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { PieceModelOf } from '@plindo/core/page';
import { Icon } from '../icons/icon';
import { PictureView } from '../picture';

@Component({
  selector: 'pl-chosen-category-piece',
  imports: [Icon, NgTemplateOutlet, PictureView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let own = piece().category;
    <div class="category" [style.border-inline-start-color]="own.colour || null">
      @if (own.picture; as picture) {
        <pl-picture [picture]="picture" [eager]="true" sizes="10rem" />
      }
      <div>
        @switch (piece().level) {
          @case (1) {
            <h1><ng-container [ngTemplateOutlet]="name" /></h1>
          }
          @case (2) {
            <h2><ng-container [ngTemplateOutlet]="name" /></h2>
          }
        }
        @if (own.text) {
          <p>{{ own.text }}</p>
        }
      </div>
    </div>
    <ng-template #name>
      @if (own.icon) {
        <pl-icon [name]="own.icon" [style.color]="own.colour || null" />
      }
      {{ own.label }}
    </ng-template>
  `,
})
export class ChosenCategoryPiece {
  readonly piece = input.required<PieceModelOf<'chosen-category'>>();
}
