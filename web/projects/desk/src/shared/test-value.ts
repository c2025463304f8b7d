import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { Field, Operator } from '@plindo/core/structure';
import { takesValue } from '@plindo/core/structure';
import { MomentInput } from './moments/moment-input';
import { momentControl } from './moments/moment-text';

const SEVERAL: readonly Operator[] = ['is-one-of', 'includes-all', 'includes-none'];

/** The value that a condition compares with: ticks for choices, two ends for "between", a line for the rest. */
@Component({
  selector: 'pl-test-value',
  imports: [MomentInput],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (takes()) {
      @if (choices(); as all) {
        <div class="choices" role="group" [attr.aria-label]="'Values of ' + field().label">
          @for (choice of all; track choice.key) {
            <label>
              <input
                type="checkbox"
                [checked]="list().includes(choice.key)"
                (change)="tick(choice.key, $any($event.target).checked)"
              />{{ choice.label }}
            </label>
          }
        </div>
      } @else if (field().type === 'yes-no') {
        <select class="plain-select" aria-label="Value" (change)="valueChange.emit($any($event.target).value)">
          <option value=""></option>
          <option value="yes" [selected]="list()[0] === 'yes'">yes</option>
          <option value="no" [selected]="list()[0] === 'no'">no</option>
        </select>
      } @else if (op() === 'in-this') {
        <select class="plain-select" aria-label="Value" (change)="valueChange.emit($any($event.target).value)">
          <option value=""></option>
          @for (unit of units; track unit) {
            <option [value]="unit" [selected]="list()[0] === unit">{{ unit }}</option>
          }
        </select>
      } @else if (op() === 'in-last' || op() === 'in-next') {
        <input
          class="plain-input"
          type="number"
          min="1"
          aria-label="How many"
          [value]="stretch()[0]"
          (input)="valueChange.emit($any($event.target).value + ' ' + stretch()[1])"
        />
        <select
          class="plain-select"
          aria-label="Unit"
          (change)="valueChange.emit(stretch()[0] + ' ' + $any($event.target).value)"
        >
          @for (unit of units; track unit) {
            <option [value]="unit" [selected]="stretch()[1] === unit">{{ unit }}s</option>
          }
        </select>
      } @else if (op() === 'within') {
        <input
          class="plain-input"
          aria-label="How far"
          placeholder="10 km"
          [value]="list()[0] ?? ''"
          (input)="valueChange.emit([$any($event.target).value, list()[1] ?? ''])"
        />
        <span>of</span>
        <input
          class="plain-input"
          aria-label="Name of a place"
          [value]="list()[1] ?? ''"
          (input)="valueChange.emit([list()[0] ?? '', $any($event.target).value])"
        />
      } @else if (op() === 'between' && moment()) {
        <pl-moment-input
          [control]="moment()!"
          label="From"
          [value]="list()[0] ?? ''"
          (valueChange)="valueChange.emit([$event, list()[1] ?? ''])"
        />
        <span>and</span>
        <pl-moment-input
          [control]="moment()!"
          label="To"
          [value]="list()[1] ?? ''"
          (valueChange)="valueChange.emit([list()[0] ?? '', $event])"
        />
      } @else if (moment(); as control) {
        <pl-moment-input
          [control]="control"
          label="Value"
          [value]="list()[0] ?? ''"
          (valueChange)="valueChange.emit($event)"
        />
      } @else if (op() === 'between') {
        <input
          class="plain-input"
          aria-label="From"
          [value]="list()[0] ?? ''"
          (input)="valueChange.emit([$any($event.target).value, list()[1] ?? ''])"
        />
        <span>and</span>
        <input
          class="plain-input"
          aria-label="To"
          [value]="list()[1] ?? ''"
          (input)="valueChange.emit([list()[0] ?? '', $any($event.target).value])"
        />
      } @else {
        <input
          class="plain-input"
          aria-label="Value"
          [value]="list()[0] ?? ''"
          (input)="valueChange.emit($any($event.target).value)"
        />
      }
    }
  `,
  styles: `
    :host {
      display: inline-flex;
      flex-wrap: wrap;
      gap: 0.375rem;
      align-items: center;
    }
    .choices {
      display: grid;
      max-block-size: 14rem;
      overflow-y: auto;
      padding-inline-end: 0.75rem;
    }
    .choices label {
      display: flex;
      gap: 0.5rem;
      align-items: center;
      min-block-size: 1.75rem;
    }
    .plain-input {
      inline-size: 9rem;
    }
  `,
})
export class TestValue {
  readonly field = input.required<Field>();
  readonly op = input.required<Operator>();
  readonly value = input<unknown>();
  readonly valueChange = output<unknown>();

  protected readonly units = ['day', 'week', 'month', 'year'] as const;
  /** The number and the unit of a stretch of time, as far as they are given. */
  protected readonly stretch = computed((): readonly [string, string] => {
    const [amount = '', unit = 'week'] = (this.list()[0] ?? '').split(' ');
    return [amount, unit];
  });
  protected readonly moment = computed(() => momentControl(this.field()));
  protected readonly takes = computed(() => takesValue(this.op()));
  protected readonly choices = computed(() =>
    SEVERAL.includes(this.op()) ? this.field().settings.choices : undefined,
  );
  protected readonly list = computed((): readonly string[] => {
    const value = this.value();
    if (value === undefined || value === null) return [];
    return (Array.isArray(value) ? (value as readonly unknown[]) : [value]).map(String);
  });

  protected tick(key: string, isTicked: boolean): void {
    const others = this.list().filter((other) => other !== key);
    this.valueChange.emit(isTicked ? [...others, key] : others);
  }
}
