import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';

/** A colour, picked or typed. */
@Component({
  selector: 'pl-colour-control',
  imports: [MatFormFieldModule, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <mat-form-field>
      <mat-label>{{ label() }}</mat-label>
      <input matInput [value]="input()" placeholder="#0f6e6a" (input)="inputChange.emit($any($event.target).value)" />
      <input
        matSuffix
        type="color"
        [attr.aria-label]="'Pick ' + label()"
        [value]="shown()"
        (input)="inputChange.emit($any($event.target).value)"
      />
    </mat-form-field>
  `,
  styles: `
    mat-form-field {
      inline-size: 100%;
    }
    [type='color'] {
      inline-size: 2.5rem;
      block-size: 2.5rem;
      margin-inline-end: 0.5rem;
      padding: 0;
      border: 0;
      background: none;
      cursor: pointer;
    }
  `,
})
export class ColourControl {
  readonly label = input.required<string>();
  /** As typed. */
  readonly input = input('');
  readonly inputChange = output<string>();

  protected readonly shown = computed(() => (/^#[0-9a-f]{6}$/i.test(this.input()) ? this.input() : '#ffffff'));
}
