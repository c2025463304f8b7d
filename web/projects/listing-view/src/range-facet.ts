import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { RangeFacetModel } from '@plindo/core/page';

const CHART_HEIGHT = 32;

/** A range between two typed bounds, over a small chart of where the listings lie. */
@Component({
  selector: 'pl-range-facet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (facet().bounds; as bounds) {
      <svg [attr.viewBox]="'0 0 ' + facet().histogram.length + ' 32'" preserveAspectRatio="none" aria-hidden="true">
        @for (bar of bars(); track $index) {
          <rect [attr.x]="$index + 0.08" [attr.y]="32 - bar" width="0.84" [attr.height]="bar" />
        }
      </svg>
      <p class="note">{{ bounds.sentence }}</p>
    }
    <div class="ends">
      @for (end of ends(); track end.name) {
        <label>
          <span>{{ end.label }}</span>
          <input
            [type]="facet().inputType"
            [name]="facet().key + '-' + end.name"
            [value]="end.chosen"
            [placeholder]="end.outer"
            [attr.step]="facet().inputType === 'number' ? 'any' : null"
            [attr.aria-label]="facet().label + ' ' + end.name + ' ' + facet().unit"
          />
        </label>
      }
      @if (facet().unit) {
        <span class="unit">{{ facet().unit }}</span>
      }
    </div>
  `,
  styles: `
    svg {
      display: block;
      inline-size: 100%;
      block-size: 2rem;
      border-block-end: 1px solid var(--pl-line);
    }
    rect {
      fill: color-mix(in oklab, var(--pl-teal) 45%, var(--pl-paper));
    }
    .note {
      padding-block: 0.25rem 0.375rem;
      font-size: 0.8125rem;
      color: var(--pl-quiet);
    }
    .ends {
      display: flex;
      align-items: end;
      gap: 0.5rem;
    }
    label {
      flex: 1;
      min-inline-size: 0;
      font-size: 0.8125rem;
      color: var(--pl-quiet);
    }
    input {
      display: block;
      inline-size: 100%;
      min-block-size: 2.5rem;
      padding-inline: 0.5rem;
      border: 1px solid var(--pl-line);
      border-radius: var(--pl-corner);
      background: var(--pl-raised);
      color: var(--pl-ink);
      font: inherit;
      font-size: 1rem;
      font-variant-numeric: tabular-nums;
    }
    .unit {
      padding-block-end: 0.5rem;
      color: var(--pl-quiet);
    }
  `,
})
export class RangeFacet {
  readonly facet = input.required<RangeFacetModel>();

  protected readonly ends = computed(() => {
    const { from, to, bounds } = this.facet();
    return [
      { name: 'from', label: 'From', chosen: from, outer: bounds?.from ?? '' },
      { name: 'to', label: 'To', chosen: to, outer: bounds?.to ?? '' },
    ];
  });

  /** Heights of the bars; one that has any listing can be seen. */
  protected readonly bars = computed(() => {
    const { histogram } = this.facet();
    const most = Math.max(1, ...histogram);
    return histogram.map((count) => (count === 0 ? 0 : Math.max(2, (count / most) * CHART_HEIGHT)));
  });
}
