import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { PieceModelOf } from '@plindo/core/page';
import { SleepingForm } from './sleeping-form';

@Component({
  selector: 'pl-form-place',
  imports: [SleepingForm],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: '<pl-sleeping-form id="form" [piece]="piece()" />',
})
export class FormPlace {
  readonly piece = input.required<PieceModelOf<'form'>>();
}
