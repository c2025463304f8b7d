import { ChangeDetectionStrategy, Component, computed, input, linkedSignal, output, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { testValueIssue } from '@plindo/core/listings';
import type { TableFilter } from '@plindo/core/query';
import type { Operator, ReadContext } from '@plindo/core/structure';
import { operatorWords, operatorsFor, takesValue } from '@plindo/core/structure';
import { TestValue } from '../../shared/test-value';
import type { TableColumn } from './table-columns';
import { filterSubject } from './table-filters';

/** Narrows the table by one column: a sentence of a choice and a value. */
@Component({
  selector: 'pl-filter-panel',
  imports: [MatButtonModule, TestValue],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form (submit)="$event.preventDefault(); keep()" (keydown.escape)="closed.emit()">
      <p class="label">{{ column().field.label }}</p>
      <select
        class="plain-select"
        [attr.aria-label]="'How ' + column().field.label + ' compares'"
        (change)="op.set($any($event.target).value)"
      >
        @for (one of operators(); track one) {
          <option [value]="one" [selected]="one === op()">{{ words(one, column().field) }}</option>
        }
      </select>
      <pl-test-value [field]="column().field" [op]="op()" [value]="value()" (valueChange)="value.set($event)" />
      @if (refused()) {
        <p class="problem" role="alert">{{ refused() }}</p>
      }
      <div class="acts">
        @if (filter()) {
          <button matButton type="button" (click)="filterChange.emit(null)">Remove the filter</button>
        }
        <button matButton type="button" (click)="closed.emit()">Cancel</button>
        <button matButton="filled" class="next-step" type="submit">Show these</button>
      </div>
    </form>
  `,
  styles: `
    form {
      display: grid;
      gap: 0.625rem;
      min-inline-size: 17rem;
      padding: 1rem;
      border: 1px solid var(--pl-line);
      border-radius: var(--pl-corner);
      background: var(--pl-raised);
      box-shadow: 0 4px 18px rgb(22 38 58 / 18%);
    }
    .label {
      font-weight: 600;
    }
    .problem {
      max-inline-size: 20rem;
      color: var(--pl-signal);
    }
    .acts {
      display: flex;
      justify-content: end;
      gap: 0.25rem;
    }
  `,
})
export class FilterPanel {
  readonly column = input.required<TableColumn>();
  readonly filter = input.required<TableFilter | null>();
  readonly context = input.required<ReadContext>();
  /** Null takes the filter off. */
  readonly filterChange = output<TableFilter | null>();
  readonly closed = output();

  protected readonly words = operatorWords;
  protected readonly operators = computed(() => operatorsFor(this.column().field));
  protected readonly op = linkedSignal((): Operator => this.filter()?.op ?? this.operators()[0]!);
  protected readonly value = linkedSignal((): unknown => this.filter()?.value);
  protected readonly refused = signal('');

  protected keep(): void {
    const by = filterSubject(this.column());
    const op = this.op();
    const value = takesValue(op) ? this.value() : undefined;
    const wrong = testValueIssue({ op, value }, this.column().field, this.context());
    if (wrong) this.refused.set(wrong.message);
    else this.filterChange.emit({ by, op, ...(value !== undefined && { value }) });
  }
}
