import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { Explanation } from '@plindo/core/query';

/** Where a listing stands in a list, or every reason that keeps it out. */
@Component({
  selector: 'pl-explanation',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let told = explanation();
    @if (told.position) {
      <p>
        <a [href]="href()">{{ title() }}</a> is here: number {{ told.position }}, on page {{ told.page }}.
      </p>
    } @else {
      <p>
        <a [href]="href()">{{ title() }}</a> is not here:
      </p>
      <ul>
        @for (reason of told.reasons; track $index) {
          <li>
            @if (reason.about === 'condition' && reason.place) {
              Condition {{ reason.place }}:
            }
            {{ reason.sentence }}
          </li>
        }
      </ul>
    }
  `,
})
export class ExplanationView {
  readonly explanation = input.required<Explanation>();
  readonly title = input.required<string>();
  /** Where the listing is changed. */
  readonly href = input.required<string>();
}
