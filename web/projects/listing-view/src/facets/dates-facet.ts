import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { DatesFacetModel } from '@plindo/core/page';
import { sayOnPage } from '../page-words';

/** A strip of months, each a link with its count, over two days to type. */
@Component({
  selector: 'pl-dates-facet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (year of facet().years; track year.label) {
      <p class="year" id="{{ facet().name }}-{{ year.label }}">{{ year.label }}</p>
      <ul [attr.aria-labelledby]="facet().name + '-' + year.label">
        @for (month of year.months; track month.value) {
          <li>
            <a
              [href]="month.href"
              [class.chosen]="month.chosen"
              [class.none]="month.count === 0"
              [attr.aria-current]="month.chosen ? 'true' : null"
            >
              <span class="bar" aria-hidden="true"><span [style.block-size.%]="share(month.count ?? 0)"></span></span>
              <span
                ><span class="hidden-text">{{ month.label }}: </span>{{ month.short }}</span
              >
              <span class="count"
                >{{ month.count
                }}<span class="hidden-text"> {{ say('count.listings', { count: month.count ?? 0 }) }}</span></span
              >
            </a>
          </li>
        }
      </ul>
    }
    <div class="ends">
      <label>
        <span>{{ say('facet.from') }}</span>
        <input
          type="date"
          [name]="facet().name + '-from'"
          [attr.form]="form()"
          [value]="facet().from"
          [attr.aria-label]="say('facet.from-of', { facet: facet().label, unit: '' }).trim()"
        />
      </label>
      <label>
        <span>{{ say('facet.to') }}</span>
        <input
          type="date"
          [name]="facet().name + '-to'"
          [attr.form]="form()"
          [value]="facet().to"
          [attr.aria-label]="say('facet.to-of', { facet: facet().label, unit: '' }).trim()"
        />
      </label>
    </div>
  `,
})
export class DatesFacet {
  readonly facet = input.required<DatesFacetModel>();
  /** The id of the form that its controls are part of. */
  readonly form = input.required<string>();
  protected readonly say = sayOnPage();

  private readonly most = computed(() =>
    Math.max(1, ...this.facet().years.flatMap(({ months }) => months.map(({ count }) => count ?? 0))),
  );

  /** Height of a month's bar; one that has any listing can be seen. */
  protected share(count: number): number {
    return count === 0 ? 0 : Math.max(8, (count / this.most()) * 100);
  }
}
