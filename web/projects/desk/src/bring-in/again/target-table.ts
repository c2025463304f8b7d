import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import type { ColumnPlan, ColumnTarget, ImportPlan } from '@plindo/core/exchange';
import { fieldsForColumns, withTarget } from '@plindo/core/exchange';
import type { Kind } from '@plindo/core/structure';
import { fieldByKey } from '@plindo/core/structure';
import type { FileFacts } from '../reading/import-protocol';
import { samplesOf } from '../column-samples';
import { ImportWorker } from '../reading/import-worker';

interface Option extends ColumnTarget {
  readonly key: string;
  readonly label: string;
}

/** Which field of a kind each column of a file goes to. */
@Component({
  selector: 'pl-target-table',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="scroll">
      <table class="data-table stacks">
        <thead>
          <tr>
            <th>Column</th>
            <th>First rows</th>
            <th>Goes to</th>
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
                  [attr.aria-label]="'Where ' + column.header + ' goes'"
                  (change)="choose(column, $any($event.target).value)"
                >
                  @for (option of options(); track option.key) {
                    <option [value]="option.key" [selected]="option.key === keyOf(column)">{{ option.label }}</option>
                  }
                </select>
              </td>
              <td>{{ column.reason }}</td>
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
      max-inline-size: 16rem;
      color: var(--pl-quiet);
    }
    .samples div {
      overflow: hidden;
      text-overflow: ellipsis;
      white-space: nowrap;
    }
    tbody th {
      color: var(--pl-ink);
      font-size: 1rem;
    }
  `,
})
export class TargetTable {
  readonly facts = input.required<FileFacts>();
  readonly plan = input.required<ImportPlan>();
  readonly kind = input.required<Kind>();
  readonly planChange = output<ImportPlan>();

  private readonly worker = inject(ImportWorker);

  protected readonly options = computed((): Option[] => {
    const fields = fieldsForColumns(this.kind());
    const option = (label: string, use: ColumnTarget['use'], fieldKey: string | null = null): Option => {
      return { key: nameOf({ use, fieldKey }), label, use, fieldKey };
    };
    return [
      option('Leave out', 'nothing'),
      option('Title', 'title'),
      option('Summary', 'summary'),
      option('Address', 'slug'),
      ...fields.map(({ key, label }) => option(label, 'field', key)),
      ...fields
        .filter(({ type }) => type === 'place')
        .flatMap(({ key, label }) => [
          option(`${label}: latitude`, 'latitude', key),
          option(`${label}: longitude`, 'longitude', key),
        ]),
    ];
  });

  protected readonly keyOf = nameOf;

  protected samples(column: ColumnPlan): string[] {
    return samplesOf(this.facts(), column);
  }

  protected async choose({ column, reading }: ColumnPlan, key: string): Promise<void> {
    const target = this.options().find((option) => option.key === key)!;
    const field = target.use === 'field' ? fieldByKey(this.kind(), target.fieldKey!) : undefined;
    const { emptyWords } = this.plan().conventions;
    const { decimal, dateOrder } = reading;
    const conventions = { emptyWords, decimal, dateOrder };
    const proposed = field && (await this.worker.ask({ do: 'propose', column, type: field.type, conventions }));
    this.planChange.emit(withTarget(this.plan(), column, target, proposed?.reading ?? reading));
  }
}

function nameOf({ use, fieldKey }: ColumnTarget): string {
  return [use, fieldKey].filter(Boolean).join(' ');
}
