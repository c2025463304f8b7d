import { NgComponentOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, forwardRef, inject, input } from '@angular/core';
import type { Type } from '@angular/core';
import type { ColumnModel, DesignedPage, PieceModel, StripModel } from '@plindo/core/page';
import { PictureView } from '../picture';
import { PAGE_CARD_FORMS } from './page-context';
import { PIECE_VIEWS } from './registry';

/** A page by its design: strips, columns in them, pieces in these. Its styles stand in the sheet (`styles/_page.scss`). */
@Component({
  selector: 'pl-designed-page',
  imports: [NgComponentOutlet, PictureView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (strip of model().strips; track strip.key) {
      <section [class]="lookOf(strip)" [attr.id]="strip.anchor || null">
        @if (strip.picture; as picture) {
          <pl-picture class="behind" [picture]="picture" sizes="100vw" [eager]="$first" />
        }
        <div class="columns" [style.--columns]="columnsOf(strip)">
          @for (column of strip.columns; track column.key) {
            <div class="column" [style.--order]="column.order">
              @for (piece of column.pieces; track piece.key) {
                <ng-container [ngComponentOutlet]="viewOf(piece)" [ngComponentOutletInputs]="{ piece }" />
              }
            </div>
          }
        </div>
      </section>
    }
  `,
  providers: [{ provide: PAGE_CARD_FORMS, useFactory: () => inject(forwardRef(() => DesignedPageView)).forms }],
})
export class DesignedPageView {
  readonly model = input.required<DesignedPage>();
  readonly forms = computed(() => this.model().cardForms);

  protected viewOf({ type }: PieceModel): Type<unknown> {
    return PIECE_VIEWS[type];
  }

  protected lookOf({ width, tone, space, picture }: StripModel): string {
    return `strip width-${width} tone-${tone} space-${space}${picture ? ' on-picture' : ''}`;
  }

  /** The widths of the columns, as CSS has them. */
  protected columnsOf({ columns }: StripModel): string {
    const widthOf = ({ rem, share }: ColumnModel): string => (rem > 0 ? `${rem}rem` : `minmax(0, ${share}fr)`);
    return columns.map(widthOf).join(' ');
  }
}
