import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import type { Field, Range, ReadContext } from '@plindo/core/structure';
import { fieldType } from '@plindo/core/structure';
import { MomentInput } from '../moments/moment-input';
import { momentControl } from '../moments/moment-text';

/** From and to. Either may stay empty. */
@Component({
  selector: 'pl-range-control',
  imports: [MatFormFieldModule, MatInputModule, MomentInput],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <fieldset>
      <legend>{{ label() }}</legend>
      @for (end of ends; track end.key) {
        @if (moment(); as control) {
          <div>
            <p>{{ end.label }}</p>
            <pl-moment-input
              [control]="control"
              [label]="label() + ', ' + end.label"
              [value]="textOf(end.key)"
              (valueChange)="tell(end.key, $event)"
            />
          </div>
        } @else {
          <mat-form-field>
            <mat-label>{{ end.label }}</mat-label>
            <input matInput [value]="textOf(end.key)" (input)="tell(end.key, $any($event.target).value)" />
          </mat-form-field>
        }
      }
    </fieldset>
  `,
  styles: `
    fieldset {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 0.5rem;
      margin: 0;
      padding: 0;
      border: 0;
    }
    legend {
      padding-block-end: 0.375rem;
      font-weight: 600;
    }
  `,
})
export class RangeControl {
  readonly label = input.required<string>();
  readonly field = input.required<Field>();
  readonly context = input.required<ReadContext>();
  readonly input = input<unknown>();
  readonly inputChange = output<Range>();

  protected readonly ends = [
    { key: 'from', label: 'From' },
    { key: 'to', label: 'To' },
  ] as const;
  private readonly endField = computed((): Field => {
    const field = this.field();
    return { ...field, type: field.settings.ends ?? 'decimal' };
  });
  protected readonly moment = computed(() => momentControl(this.endField()));
  private readonly range = computed((): Range => {
    const input = this.input();
    return typeof input === 'object' && input !== null ? input : {};
  });

  protected textOf(key: 'from' | 'to'): string {
    const end = this.range()[key];
    const own = this.endField();
    const type = fieldType(own.type);
    if (!type.holds(end)) return typeof end === 'string' ? end : '';
    return type.toInput?.(end, own, this.context()) ?? type.toText(end, own);
  }

  protected tell(key: 'from' | 'to', text: string): void {
    this.inputChange.emit({ ...this.range(), [key]: text });
  }
}
