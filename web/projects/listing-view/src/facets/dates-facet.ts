import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { DatesFacetModel } from '@plindo/core/page';
import { sayOnPage } from '../page-words';

/** Strips of months, years or decades, each a link with its count, over two days to type. */
@Component({
  selector: 'pl-dates-facet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (strip of facet().strips; track strip.label; let at = $index) {
      @if (strip.label) {
        <p class="year" id="{{ facet().name }}-{{ strip.label }}">{{ strip.label }}</p>
      }
      <ul
        [attr.aria-labelledby]="strip.label ? facet().name + '-' + strip.label : null"
        [attr.aria-label]="strip.label ? null : facet().label"
      >
        @for (period of strip.periods; track period.value) {
          <li>
            <a
              [href]="period.href"
              [class.chosen]="period.chosen"
              [class.none]="period.count === 0"
              [attr.aria-current]="period.chosen ? 'true' : null"
            >
              <span class="bar" aria-hidden="true"
                ><span [style.block-size.%]="share(period.count ?? 0, at)"></span
              ></span>
              <span>
                @if (period.label !== period.short) {
                  <span class="hidden-text">{{ period.label }}: </span>
                }
                {{ period.short }}</span
              >
              <span class="count"
                >{{ period.count
                }}<span class="hidden-text"> {{ say('count.listings', { count: period.count ?? 0 }) }}</span></span
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
    this.facet().strips.map(({ periods }) => Math.max(1, ...periods.map(({ count }) => count ?? 0))),
  );

  /** Height of a period's bar in its strip; one that has any listing can be seen. */
  protected share(count: number, strip: number): number {
    return count === 0 ? 0 : Math.max(8, (count / this.most()[strip]!) * 100);
  }
}
