import { ChangeDetectionStrategy, Component, inject, input, output } from '@angular/core';
import type { ColumnChoice, ColumnPlan, ImportPlan } from '@plindo/core/exchange';
import { withColumnUse, withFieldLabel } from '@plindo/core/exchange';
import type { Field, FieldTypeName } from '@plindo/core/structure';
import { FIELD_TYPE_NAMES, fieldType } from '@plindo/core/structure';
import type { FileFacts } from './import-protocol';
import { ImportWorker } from './import-worker';

const TYPE_MARK = 'field:';
const SAMPLES = 3;

/** Types that a column of text can become; pictures are added in the form, as a file holds none. */
const COLUMN_TYPES = FIELD_TYPE_NAMES.filter((name) => name !== 'picture');

/** What each column of a file becomes, why, and a way to decide otherwise. */
@Component({
  selector: 'pl-column-table',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="scroll">
      <table class="data-table">
        <thead>
          <tr>
            <th>Column</th>
            <th>First rows</th>
            <th>Becomes</th>
            <th>Called</th>
            <th>Why</th>
          </tr>
        </thead>
        <tbody>
          @for (column of plan().columns; track column.column) {
            <tr>
              <th scope="row">{{ column.header }}</th>
              <td class="samples">
                @for (sample of samples(column); track $index) {
                  <div>{{ sample }}</div>
                }
              </td>
              <td>
                <select
                  class="plain-select"
                  [attr.aria-label]="'What ' + column.header + ' becomes'"
                  (change)="choose(column, $any($event.target).value)"
                >
                  @for (option of options; track option.value) {
                    <option [value]="option.value" [selected]="option.value === valueOf(column)">
                      {{ option.label }}
                    </option>
                  }
                </select>
              </td>
              <td>
                @if (fieldOf(column); as field) {
                  <input
                    class="plain-input"
                    maxlength="80"
                    [value]="field.label"
                    [attr.aria-label]="'Label of ' + column.header"
                    (change)="rename(field, $any($event.target).value)"
                  />
                }
              </td>
              <td class="why">
                {{ column.reason }}
                @if (column.against) {
                  <div class="against">{{ column.against }}</div>
                }
              </td>
            </tr>
          }
        </tbody>
      </table>
    </div>
  `,
  styles: `
    .scroll {
      overflow-x: auto;
    }
    .samples {
      max-inline-size: 14rem;
      color: var(--pl-quiet);
    }
    .samples div {
      overflow: hidden;
      text-overflow: ellipsis;
      white-space: nowrap;
    }
    .plain-input {
      inline-size: 10rem;
    }
    .why {
      min-inline-size: 14rem;
      font-size: 0.9375rem;
    }
    .against {
      color: var(--pl-warm);
    }
    tbody th {
      color: var(--pl-ink);
      font-size: 1rem;
    }
  `,
})
export class ColumnTable {
  readonly facts = input.required<FileFacts>();
  readonly plan = input.required<ImportPlan>();
  readonly planChange = output<ImportPlan>();

  private readonly worker = inject(ImportWorker);

  protected readonly options = [
    { value: 'title', label: 'Title' },
    { value: 'summary', label: 'Summary' },
    ...COLUMN_TYPES.map((name) => ({ value: TYPE_MARK + name, label: capitalised(fieldType(name).label) })),
    { value: 'latitude', label: 'Latitude of a place' },
    { value: 'longitude', label: 'Longitude of a place' },
    { value: 'nothing', label: 'Leave out' },
  ];

  protected samples({ column }: ColumnPlan): string[] {
    return this.facts()
      .firstRows.slice(0, SAMPLES)
      .map((row) => row[column] ?? '');
  }

  protected valueOf(column: ColumnPlan): string {
    return column.use === 'field' ? `${TYPE_MARK}${this.fieldOf(column)?.type}` : column.use;
  }

  protected fieldOf({ fieldKey }: ColumnPlan): Field | undefined {
    return this.plan().fields.find((field) => field.key === fieldKey);
  }

  protected async choose({ column }: ColumnPlan, value: string): Promise<void> {
    let choice: ColumnChoice;
    if (value.startsWith(TYPE_MARK)) {
      const type = value.slice(TYPE_MARK.length) as FieldTypeName;
      choice = { use: 'field', type, proposal: await this.worker.ask({ do: 'propose', column, type }) };
    } else {
      choice = { use: value as Exclude<ColumnPlan['use'], 'field'> };
    }
    this.planChange.emit(withColumnUse(this.plan(), column, choice));
  }

  protected rename(field: Field, label: string): void {
    if (label.trim() !== '') this.planChange.emit(withFieldLabel(this.plan(), field.key, label.trim()));
  }
}

function capitalised(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
