import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { RowComparison } from '@plindo/core/exchange';

/** What rows change, field by field. */
@Component({
  selector: 'pl-changed-rows',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <table class="data-table">
      <thead>
        <tr>
          <th>Line</th>
          <th>Listing</th>
          <th>Field</th>
          <th>Now</th>
          <th>Will be</th>
        </tr>
      </thead>
      <tbody>
        @for (row of rows(); track row.line) {
          @for (one of row.differences; track one.label; let first = $first) {
            <tr>
              @if (first) {
                <td [attr.rowspan]="row.differences.length">{{ row.line }}</td>
                <th scope="rowgroup" [attr.rowspan]="row.differences.length">{{ row.title }}</th>
              }
              <td>{{ one.label }}</td>
              <td class="before">{{ one.before || '—' }}</td>
              <td>{{ one.after || '—' }}</td>
            </tr>
          }
        }
      </tbody>
    </table>
  `,
  styles: `
    :host {
      display: block;
      overflow-x: auto;
    }
    .before {
      color: var(--pl-quiet);
    }
    th[scope='rowgroup'] {
      color: var(--pl-ink);
      font-size: 1rem;
    }
    td {
      max-inline-size: 20rem;
      overflow-wrap: break-word;
    }
  `,
})
export class ChangedRows {
  readonly rows = input.required<readonly RowComparison[]>();
}
