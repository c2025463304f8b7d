import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatSelectModule } from '@angular/material/select';
import type { Field } from '@plindo/core/structure';
import { starsOf } from '@plindo/core/structure';

/** A rating from 0 to its stars, in halves. */
@Component({
  selector: 'pl-rating-control',
  imports: [MatFormFieldModule, MatSelectModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <mat-form-field>
      <mat-label>{{ label() }}</mat-label>
      <mat-select [value]="input()" (selectionChange)="inputChange.emit($event.value)">
        <mat-option value="">–</mat-option>
        @for (rating of ratings(); track rating) {
          <mat-option [value]="rating">{{ rating }} of {{ stars() }}</mat-option>
        }
      </mat-select>
    </mat-form-field>
  `,
  styles: `
    mat-form-field {
      inline-size: 100%;
    }
  `,
})
export class RatingControl {
  readonly label = input.required<string>();
  readonly field = input.required<Field>();
  /** As text. */
  readonly input = input('');
  readonly inputChange = output<string>();

  protected readonly stars = computed(() => starsOf(this.field()));
  protected readonly ratings = computed(() => Array.from({ length: this.stars() * 2 + 1 }, (_, at) => String(at / 2)));
}
