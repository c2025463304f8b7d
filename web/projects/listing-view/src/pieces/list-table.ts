import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { ListModel, SlotForm, TableHead, TableRowModel } from '@plindo/core/page';
import { Icon } from '../icons/icon';
import { Marked } from '../marked';
import { Value } from '../value';

/** Listings as a table that folds on narrow screens; heads lead to the orders that visitors can choose. */
@Component({
  selector: 'pl-list-table',
  imports: [Icon, Marked, Value],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let own = list();
    <table class="folds">
      <thead>
        <tr>
          @for (column of own.columns; track column.key) {
            <th scope="col" [attr.aria-sort]="headOf(column)?.order">
              @if (headOf(column)?.href; as href) {
                <a [href]="href">{{ column.label || column.name }}<pl-icon [name]="iconOf(column)" /></a>
              } @else {
                {{ column.label || column.name }}
                @if (headOf(column)?.order) {
                  <pl-icon [name]="iconOf(column)" />
                }
              }
            </th>
          }
        </tr>
      </thead>
      <tbody>
        @for (row of own.rows; track row.id) {
          <tr [attr.data-listing]="row.id">
            @for (column of own.columns; track column.key; let first = $first) {
              <td [attr.data-label]="column.label || column.name" [class.empty]="!row.values[column.key]">
                @if (row.values[column.key]; as value) {
                  @if (hrefOf(row, column.isTitle, first); as href) {
                    <a [href]="href"><pl-marked [text]="value.text" [marks]="value.marks" /></a>
                  } @else if (value.href && value.shape === 'text') {
                    <a [href]="value.href">{{ value.text }}</a>
                  } @else if (value.shape === 'text') {
                    <pl-marked [text]="value.text" [marks]="value.marks" />
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
  `,
})
export class ListTable {
  readonly list = input.required<ListModel>();

  protected headOf({ key }: SlotForm): TableHead | undefined {
    return this.list().state?.heads[key];
  }

  protected iconOf(column: SlotForm): string {
    const order = this.headOf(column)?.order;
    if (!order) return 'swap_vert';
    return order === 'ascending' ? 'arrow_upward' : 'arrow_downward';
  }

  /** The title leads to the listing; where the table doesn't show it, the first column does. */
  protected hrefOf({ href }: TableRowModel, isTitle: boolean, isFirst: boolean): string | null {
    const hasTitle = this.list().columns.some((column) => column.isTitle);
    return isTitle || (isFirst && !hasTitle) ? href : null;
  }
}
