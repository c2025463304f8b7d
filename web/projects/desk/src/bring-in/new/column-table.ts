import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import type { ColumnChoice, ColumnPlan, Conventions, ImportPlan, ProposedType } from '@plindo/core/exchange';
import { withColumnUse, withFieldLabel } from '@plindo/core/exchange';
import type { Field, FieldTypeName } from '@plindo/core/structure';
import { FIELD_TYPE_NAMES, fieldType } from '@plindo/core/structure';
import type { FileFacts } from '../reading/import-protocol';
import { Reading } from '../../shared/reading';
import { samplesOf } from '../column-samples';
import { ImportWorker } from '../reading/import-worker';
import type { WrittenWay } from '../written-ways';
import { writtenWays } from '../written-ways';

const TYPE_MARK = 'field:';

/** Types that a column can become: also pictures, by their address or by their name in the zip. */
const COLUMN_TYPES = FIELD_TYPE_NAMES.filter((name) => !['link', 'pictures', 'file', 'computed'].includes(name));

/** What each column of a file becomes, why, and a way to decide otherwise. */
@Component({
  selector: 'pl-column-table',
  imports: [NgTemplateOutlet],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="scroll">
      <table class="data-table stacks">
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
                @if (column.doubt) {
                  <div class="doubt">
                    <strong>{{
                      column.doubt === 'numbers' ? 'Which numbers are meant?' : 'Which days are meant?'
                    }}</strong>
                    Nothing in the file tells.
                  </div>
                }
                {{ column.reason }}
                @if (column.against) {
                  <div class="against">{{ column.against }}</div>
                }
                @if (column.emptied) {
                  <div class="against">
                    {{ formats().number(column.emptied) }} {{ column.emptied === 1 ? 'cell says' : 'cells say' }} that
                    there is nothing.
                  </div>
                }
                @if (ways(column); as all) {
                  @if (column.doubt) {
                    <ng-container [ngTemplateOutlet]="choice" [ngTemplateOutletContext]="{ all, column }" />
                  } @else if (all.length > 1) {
                    <details>
                      <summary>Written otherwise?</summary>
                      <ng-container [ngTemplateOutlet]="choice" [ngTemplateOutletContext]="{ all, column }" />
                    </details>
                  }
                }
              </td>
            </tr>
          }
        </tbody>
      </table>
    </div>
    <ng-template #choice let-all="all" let-column="column">
      <fieldset class="ways">
        <legend class="hidden-text">How {{ column.header }} is written</legend>
        @for (way of all; track way.label) {
          <label>
            <input
              type="radio"
              [name]="'way-' + column.column"
              [checked]="way.isChosen"
              (change)="rewrite(column, way.conventions)"
            />
            <span>
              @for (reading of way.readings; track $index) {
                <span class="reading">{{ reading }}</span>
              }
            </span>
          </label>
        }
      </fieldset>
    </ng-template>
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
    .against,
    .doubt {
      color: var(--pl-warm);
    }
    .ways {
      display: flex;
      flex-wrap: wrap;
      gap: 0.25rem 1rem;
      margin: 0.25rem 0 0;
      padding: 0;
      border: 0;
    }
    .ways label {
      display: flex;
      gap: 0.375rem;
      align-items: baseline;
    }
    .reading + .reading::before {
      content: '·';
      margin-inline: 0.375rem;
      color: var(--pl-quiet);
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
  private readonly reading = inject(Reading);
  protected readonly formats = computed(() => this.reading.context().formats);

  protected readonly options = [
    { value: 'title', label: 'Title' },
    { value: 'summary', label: 'Summary' },
    ...COLUMN_TYPES.map((name) => ({ value: TYPE_MARK + name, label: capitalised(fieldType(name).label) })),
    { value: 'latitude', label: 'Latitude of a place' },
    { value: 'longitude', label: 'Longitude of a place' },
    { value: 'nothing', label: 'Leave out' },
  ];

  protected samples(column: ColumnPlan): string[] {
    return samplesOf(this.facts(), column);
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
      choice = { use: 'field', proposed: await this.propose(column, type, {}) };
    } else {
      choice = { use: value as Exclude<ColumnPlan['use'], 'field'> };
    }
    this.planChange.emit(withColumnUse(this.plan(), column, choice));
  }

  /** Reads one column as if it were written in another way than the rest. */
  protected async rewrite({ column }: ColumnPlan, way: Partial<Conventions>): Promise<void> {
    const proposed = await this.propose(column, null, way);
    this.planChange.emit(withColumnUse(this.plan(), column, { use: 'field', proposed }));
  }

  private propose(column: number, type: FieldTypeName | null, way: Partial<Conventions>): Promise<ProposedType> {
    const { conventions, columns } = this.plan();
    const { decimal, dateOrder } = columns[column]!.reading;
    const written = { emptyWords: conventions.emptyWords, decimal, dateOrder, ...way };
    return this.worker.ask({ do: 'propose', column, type, conventions: written });
  }

  /** The ways in which a column can be written, with what its first cells come to; none where all ways are alike. */
  protected ways(column: ColumnPlan): WrittenWay[] {
    const field = this.fieldOf(column);
    return field ? writtenWays(column, field.type, this.samples(column), this.formats()) : [];
  }

  protected rename(field: Field, label: string): void {
    if (label.trim() !== '') this.planChange.emit(withFieldLabel(this.plan(), field.key, label.trim()));
  }
}

function capitalised(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
