import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { Condition, Field, FieldTest, Operator } from '@plindo/core/structure';
import { isGroup, operatorWords, operatorsFor } from '@plindo/core/structure';
import { Icon } from '@plindo/listing-view';
import { TestValue } from '../../shared/test-value';

/** A listing's own values say when a field is shown, so only tests of them stand here. */
function isTest(condition: Condition): condition is FieldTest {
  return 'field' in condition;
}

interface Part {
  readonly test: FieldTest;
  readonly field: Field | undefined;
  readonly operators: readonly Operator[];
}

/** When a field is asked for and shown: a sentence of choices over the other fields. */
@Component({
  selector: 'pl-show-when-editor',
  imports: [Icon, MatButtonModule, TestValue],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (parts().length) {
      <p class="sentence">
        Shown when
        @if (parts().length > 1) {
          <select
            class="plain-select"
            aria-label="All or any"
            [value]="join()"
            (change)="tell(tests(), $any($event.target).value)"
          >
            <option value="all" [selected]="join() === 'all'">all of</option>
            <option value="any" [selected]="join() === 'any'">any of</option>
            <option value="none" [selected]="join() === 'none'">none of</option>
          </select>
        }
      </p>
      @for (part of parts(); track $index; let at = $index) {
        <div class="part">
          <select
            class="plain-select"
            aria-label="Field"
            (change)="set(at, { field: $any($event.target).value, op: 'is-not-empty' })"
          >
            @for (field of others(); track field.key) {
              <option [value]="field.key" [selected]="field.key === part.test.field">{{ field.label }}</option>
            }
          </select>
          <select
            class="plain-select"
            aria-label="How it compares"
            (change)="set(at, { field: part.test.field, op: $any($event.target).value, value: part.test.value })"
          >
            @for (op of part.operators; track op) {
              <option [value]="op" [selected]="op === part.test.op">
                {{ part.field ? words(op, part.field) : op }}
              </option>
            }
          </select>
          @if (part.field; as field) {
            <pl-test-value
              [field]="field"
              [op]="part.test.op"
              [value]="part.test.value"
              (valueChange)="set(at, { field: part.test.field, op: part.test.op, value: $event })"
            />
          }
          <button matButton type="button" aria-label="Remove this condition" (click)="remove(at)">
            <pl-icon name="close" />
          </button>
        </div>
      }
    }
    @if (others().length) {
      <button matButton type="button" (click)="add()">
        {{ parts().length ? 'Add another condition' : 'Show it only when …' }}
      </button>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.5rem;
      justify-items: start;
    }
    .part {
      display: flex;
      flex-wrap: wrap;
      gap: 0.375rem;
      align-items: center;
    }
  `,
})
export class ShowWhenEditor {
  readonly condition = input.required<Condition | null>();
  /** The fields that can be asked about. */
  readonly others = input.required<readonly Field[]>();
  readonly conditionChange = output<Condition | null>();

  protected readonly words = operatorWords;
  protected readonly join = computed(() => {
    const condition = this.condition();
    return condition && isGroup(condition) ? condition.join : 'all';
  });
  protected readonly tests = computed((): readonly FieldTest[] => {
    const condition = this.condition();
    if (!condition) return [];
    return (isGroup(condition) ? condition.of : [condition]).filter(isTest);
  });
  protected readonly parts = computed(() =>
    this.tests().map((test): Part => {
      const field = this.others().find(({ key }) => key === test.field);
      return { test, field, operators: field ? operatorsFor(field) : [] };
    }),
  );

  protected set(at: number, test: FieldTest): void {
    const field = this.others().find(({ key }) => key === test.field);
    const value = field?.type === 'yes-no' && test.value === undefined ? 'yes' : test.value;
    this.tell(
      this.tests().map((other, index) => (index === at ? { ...test, ...(value !== undefined && { value }) } : other)),
      this.join(),
    );
  }

  protected add(): void {
    const [first] = this.others();
    if (first) this.tell([...this.tests(), { field: first.key, op: 'is-not-empty' }], this.join());
  }

  protected remove(at: number): void {
    this.tell(
      this.tests().filter((_, index) => index !== at),
      this.join(),
    );
  }

  protected tell(tests: readonly FieldTest[], join: 'all' | 'any' | 'none'): void {
    const [only, ...more] = tests;
    if (!only) this.conditionChange.emit(null);
    else this.conditionChange.emit(more.length === 0 && join !== 'none' ? only : { join, of: tests });
  }
}
