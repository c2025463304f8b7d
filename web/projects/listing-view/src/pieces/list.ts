import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import type { PieceModelOf, TableRowModel } from '@plindo/core/page';
import { Icon } from '../icons/icon';
import { SleepingCard } from '../sleeping-card';
import { Value } from '../value';
import { PAGE_CARD_FORMS } from './page-context';

/** Listings as a grid, rows, a scrolling row or a ranked list of cards, or as a table that folds on narrow screens. */
@Component({
  selector: 'pl-list-piece',
  imports: [Icon, SleepingCard, Value],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let own = piece();
    @if (own.heading) {
      <div class="head">
        <h2>
          @if (own.all; as all) {
            <a [href]="all.href">{{ own.heading }}</a>
          } @else {
            {{ own.heading }}
          }
        </h2>
        @if (own.all; as all) {
          <a class="all" [href]="all.href">See all {{ all.total }}<pl-icon name="arrow_forward" /></a>
        }
      </div>
    }
    @if (own.intro) {
      <p class="intro">{{ own.intro }}</p>
    }
    @if (own.layout === 'table') {
      <table>
        <thead>
          <tr>
            @for (column of own.columns; track column.key) {
              <th scope="col">{{ column.label || column.name }}</th>
            }
          </tr>
        </thead>
        <tbody>
          @for (row of own.rows; track row.id) {
            <tr>
              @for (column of own.columns; track column.key; let first = $first) {
                <td [attr.data-label]="column.label || column.name">
                  @if (row.values[column.key]; as value) {
                    @if (hrefOf(row, column.isTitle, first); as href) {
                      <a [href]="href">{{ value.text }}</a>
                    } @else if (value.shape === 'text') {
                      {{ value.text }}
                    } @else {
                      <pl-value [slot]="value" />
                    }
                  }
                </td>
              }
            </tr>
          }
        </tbody>
      </table>
    } @else {
      <ul
        [class]="own.layout"
        [style.--card-width]="own.width + 'rem'"
        [attr.tabindex]="own.layout === 'scrolling' ? 0 : null"
      >
        @for (card of own.cards; track card.print; let at = $index) {
          <li>
            @if (own.layout === 'ranked') {
              <span class="place" aria-hidden="true">{{ at + 1 }}</span>
            }
            <pl-card [sleeping]="card" [forms]="forms()" />
          </li>
        }
      </ul>
    }
  `,
})
export class ListPiece {
  readonly piece = input.required<PieceModelOf<'list'>>();
  protected readonly forms = inject(PAGE_CARD_FORMS);

  /** The title leads to the listing; where the table doesn't show it, the first column does. */
  protected hrefOf({ href }: TableRowModel, isTitle: boolean, isFirst: boolean): string | null {
    const hasTitle = this.piece().columns.some((column) => column.isTitle);
    return isTitle || (isFirst && !hasTitle) ? href : null;
  }
}
