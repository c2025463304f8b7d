import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import type { Field } from '@plindo/core/structure';
import { fieldType } from '@plindo/core/structure';
import { unitSymbol } from '@plindo/core/values';
import { PictureControl } from './picture-control';
import { PlaceControl } from './place-control';

/** The control of one field in the form, chosen by its type. It tells the raw input; the form reads and checks it. */
@Component({
  selector: 'pl-field-control',
  imports: [MatCheckboxModule, MatFormFieldModule, MatInputModule, MatSelectModule, PictureControl, PlaceControl],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let own = field();
    @switch (type().control) {
      @case ('picture') {
        <pl-picture-control [label]="own.label" [picture]="$any(input())" (pictureChange)="inputChange.emit($event)" />
      }
      @case ('place') {
        <pl-place-control [field]="own" [input]="input()" (inputChange)="inputChange.emit($event)" />
      }
      @case ('one-choice') {
        <mat-form-field>
          <mat-label>{{ label() }}</mat-label>
          <mat-select [value]="input() ?? null" (selectionChange)="inputChange.emit($event.value)">
            <mat-option [value]="null">–</mat-option>
            @for (choice of own.settings.choices; track choice.key) {
              <mat-option [value]="choice.key">{{ choice.label }}</mat-option>
            }
          </mat-select>
        </mat-form-field>
      }
      @case ('several-choices') {
        <mat-form-field>
          <mat-label>{{ label() }}</mat-label>
          <mat-select multiple [value]="$any(input()) ?? []" (selectionChange)="inputChange.emit($event.value)">
            @for (choice of own.settings.choices; track choice.key) {
              <mat-option [value]="choice.key">{{ choice.label }}</mat-option>
            }
          </mat-select>
        </mat-form-field>
      }
      @case ('yes-no') {
        <mat-form-field>
          <mat-label>{{ label() }}</mat-label>
          <mat-select [value]="input() ?? null" (selectionChange)="inputChange.emit($event.value)">
            <mat-option [value]="null">–</mat-option>
            <mat-option [value]="true">Yes</mat-option>
            <mat-option [value]="false">No</mat-option>
          </mat-select>
        </mat-form-field>
      }
      @case ('area') {
        <mat-form-field>
          <mat-label>{{ label() }}</mat-label>
          <textarea
            matInput
            rows="6"
            [value]="text()"
            [attr.aria-invalid]="problem() ? 'true' : null"
            (input)="inputChange.emit($any($event.target).value)"
          ></textarea>
        </mat-form-field>
      }
      @default {
        <mat-form-field>
          <mat-label>{{ label() }}</mat-label>
          <input
            matInput
            [type]="type().control === 'date' ? 'date' : (type().inputType ?? 'text')"
            [attr.inputmode]="type().control === 'number' ? 'decimal' : null"
            [value]="text()"
            [attr.aria-invalid]="problem() ? 'true' : null"
            (input)="inputChange.emit($any($event.target).value)"
          />
          @if (suffix()) {
            <span matTextSuffix>{{ suffix() }}</span>
          }
        </mat-form-field>
      }
    }
    @if (problem()) {
      <p class="problem" role="alert">{{ problem() }}</p>
    } @else if (own.help) {
      <p class="help">{{ own.help }}</p>
    }
  `,
  styles: `
    :host {
      display: block;
    }
    mat-form-field {
      inline-size: 100%;
    }
    .problem {
      padding-block-start: 0.25rem;
      color: var(--pl-signal);
      font-size: 0.875rem;
    }
    .help {
      padding-block-start: 0.25rem;
      color: var(--pl-quiet);
      font-size: 0.875rem;
    }
  `,
})
export class FieldControl {
  readonly field = input.required<Field>();
  /** Raw input: a typed value as it is kept, or what has been typed since. */
  readonly input = input<unknown>();
  readonly problem = input('');
  readonly inputChange = output<unknown>();

  protected readonly type = computed(() => fieldType(this.field().type));
  protected readonly label = computed(() =>
    this.field().required ? `${this.field().label} (required)` : this.field().label,
  );
  protected readonly text = computed(() => {
    const input = this.input();
    if (typeof input === 'string') return input;
    return this.type().holds(input) ? this.type().toText(input, this.field()) : '';
  });
  protected readonly suffix = computed(() => {
    const { type, settings } = this.field();
    // A unit that was typed counts; the field's own stands behind a bare number.
    if (type === 'measure') return /\p{L}|°/u.test(this.text()) ? '' : unitSymbol(settings.unit ?? 'm');
    return type === 'money' ? (settings.currency ?? '') : (settings.after ?? '');
  });
}
