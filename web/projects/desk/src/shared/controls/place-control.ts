import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import type { Field } from '@plindo/core/structure';

/** What stands in the three inputs; the numbers as typed. */
interface PlaceInput {
  readonly latitude: unknown;
  readonly longitude: unknown;
  readonly address: string;
}

/** Latitude, longitude and an address in words. */
@Component({
  selector: 'pl-place-control',
  imports: [MatFormFieldModule, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <fieldset>
      <legend>{{ field().label }}{{ field().required ? ' (required)' : '' }}</legend>
      @for (part of parts; track part.key) {
        <mat-form-field [class]="part.key">
          <mat-label>{{ part.label }}</mat-label>
          <input
            matInput
            [attr.inputmode]="part.key === 'address' ? null : 'decimal'"
            [value]="place()[part.key] ?? ''"
            (input)="tell(part.key, $any($event.target).value)"
          />
        </mat-form-field>
      }
    </fieldset>
  `,
  styles: `
    fieldset {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(9rem, 1fr));
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
export class PlaceControl {
  readonly field = input.required<Field>();
  readonly input = input<unknown>();
  readonly inputChange = output<PlaceInput>();

  protected readonly parts = [
    { key: 'latitude', label: 'Latitude' },
    { key: 'longitude', label: 'Longitude' },
    { key: 'address', label: 'Address' },
  ] as const;
  protected readonly place = computed(() => ({
    ...EMPTY,
    ...(this.input() as Partial<PlaceInput> | null | undefined),
  }));

  protected tell(key: keyof PlaceInput, value: string): void {
    this.inputChange.emit({ ...this.place(), [key]: value });
  }
}

const EMPTY: PlaceInput = { latitude: '', longitude: '', address: '' };
