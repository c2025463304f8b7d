import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { RatingFacetModel } from '@plindo/core/page';
import { sayOnPage } from '../page-words';

/** So many stars at least. */
@Component({
  selector: 'pl-rating-facet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="steps">
      <label>
        <input type="radio" [name]="facet().name" [attr.form]="form()" value="" [checked]="isOpen()" />
        <span class="label">{{ say('facet.any') }}</span>
      </label>
      @for (step of facet().steps; track step.value) {
        <label>
          <input type="radio" [name]="facet().name" [attr.form]="form()" [value]="step.value" [checked]="step.chosen" />
          <span class="label">{{ step.label }}</span>
          <span class="count"
            >{{ step.count
            }}<span class="hidden-text"> {{ say('count.listings', { count: step.count ?? 0 }) }}</span></span
          >
        </label>
      }
    </div>
  `,
})
export class RatingFacet {
  readonly facet = input.required<RatingFacetModel>();
  /** The id of the form that its controls are part of. */
  readonly form = input.required<string>();
  protected readonly say = sayOnPage();
  protected readonly isOpen = computed(() => this.facet().steps.every(({ chosen }) => !chosen));
}
