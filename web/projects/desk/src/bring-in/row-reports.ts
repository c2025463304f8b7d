import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { RowReport } from '@plindo/core/exchange';

const LONGEST_TITLE = 60;

/** Rows that don't come in as they are, and why. */
@Component({
  selector: 'pl-row-reports',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <table class="data-table">
      <thead>
        <tr>
          <th>Line</th>
          <th>Row</th>
          <th>What is wrong</th>
        </tr>
      </thead>
      <tbody>
        @for (report of reports(); track $index) {
          <tr>
            <td>{{ report.line }}</td>
            <td>{{ report.title.slice(0, longest) }}</td>
            <td>
              @for (found of report.issues; track $index) {
                <div>{{ found.message }}</div>
              }
            </td>
          </tr>
        }
      </tbody>
    </table>
  `,
})
export class RowReports {
  readonly reports = input.required<readonly RowReport[]>();
  protected readonly longest = LONGEST_TITLE;
}
