import { ChangeDetectionStrategy, Component, inject, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { Reading } from '../shared/reading';
import { ComingFile } from './reading/coming-file';

/** What file it is, and which of its sheets. */
@Component({
  selector: 'pl-file-head',
  imports: [MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (file.facts(); as facts) {
      <p>
        <strong>{{ file.name() }}</strong>: {{ number(facts.rows) }} rows, {{ facts.headers.length }} columns,
        {{ facts.format }}.
        <ng-content />
        <button matButton type="button" (click)="another.emit()">Choose another file</button>
      </p>
      @if (facts.tables.length > 1) {
        <label>
          <span>Sheet</span>
          <select class="plain-select" (change)="file.chooseTable(+$any($event.target).value)">
            @for (name of facts.tables; track $index) {
              <option [value]="$index" [selected]="$index === facts.table">{{ name }}</option>
            }
          </select>
        </label>
      }
    }
  `,
  styles: `
    p {
      margin: 0;
    }
    label {
      display: inline-flex;
      gap: 0.5rem;
      align-items: center;
    }
  `,
})
export class FileHead {
  readonly another = output();

  private readonly reading = inject(Reading);
  protected readonly file = inject(ComingFile);

  protected number(count: number): string {
    return this.reading.context().formats.number(count);
  }
}
