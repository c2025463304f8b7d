import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { DateGrouping, Field, Kind } from '@plindo/core/structure';
import { BUILT_IN_FIELDS, columnOf, makeDateGrouping, plainField } from '@plindo/core/structure';
import type { PeriodUnit } from '@plindo/core/time';

const UNITS: readonly (readonly [PeriodUnit, string])[] = [
  ['day', 'day'],
  ['iso-week', 'week, numbered from Monday'],
  ['week', 'week as it is here'],
  ['month', 'month'],
  ['quarter', 'quarter'],
  ['year', 'year'],
];

/** Headings by a date: which one, how long the stretches are, and what becomes of spans, the past and the undated. */
@Component({
  selector: 'pl-grouping-editor',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <label>
      Headings by
      <select class="plain-select" (change)="setField($any($event.target).value)">
        <option value="">nothing</option>
        @for (date of dates(); track date.key) {
          <option [value]="date.key" [selected]="date.key === grouping()?.field">{{ date.label }}</option>
        }
      </select>
    </label>
    @if (grouping(); as own) {
      <label>
        A heading for each
        <select class="plain-select" (change)="put({ unit: $any($event.target).value })">
          @for (unit of units; track unit[0]) {
            <option [value]="unit[0]" [selected]="unit[0] === own.unit">{{ unit[1] }}</option>
          }
        </select>
      </label>
      <label>
        In time order
        <select class="plain-select" (change)="put({ direction: $any($event.target).value })">
          <option value="up" [selected]="own.direction === 'up'">earliest first</option>
          <option value="down" [selected]="own.direction === 'down'">latest first</option>
        </select>
      </label>
      <label>
        Ends with
        <select class="plain-select" (change)="put({ endField: $any($event.target).value })">
          <option value="">the date itself</option>
          @for (date of dates(); track date.key) {
            <option [value]="date.key" [selected]="date.key === own.endField">{{ date.label }}</option>
          }
        </select>
      </label>
      <label>
        What goes on for longer stands
        <select class="plain-select" (change)="put({ spans: $any($event.target).value })">
          <option value="first" [selected]="own.spans === 'first'">under its first heading</option>
          <option value="every" [selected]="own.spans === 'every'">under every heading it touches</option>
        </select>
      </label>
      <label>
        What is over is
        <select class="plain-select" (change)="put({ past: $any($event.target).value })">
          <option value="in-place" [selected]="own.past === 'in-place'">where it belongs in time</option>
          <option value="folded" [selected]="own.past === 'folded'">folded, after the rest</option>
        </select>
      </label>
      <label class="tick">
        <input type="checkbox" [checked]="own.showsEmpty" (change)="put({ showsEmpty: $any($event.target).checked })" />
        Headings with nothing under them too
      </label>
      <label>
        Without a date
        <input
          class="plain-input"
          maxlength="80"
          [value]="own.undatedLabel"
          (change)="put({ undatedLabel: $any($event.target).value })"
        />
      </label>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.5rem;
    }
    label {
      display: grid;
      gap: 0.125rem;
      font-size: 0.9375rem;
    }
    .tick {
      display: flex;
      gap: 0.5rem;
      align-items: center;
    }
  `,
})
export class GroupingEditor {
  readonly grouping = input.required<DateGrouping | null>();
  readonly kinds = input.required<readonly Kind[]>();
  readonly groupingChange = output<DateGrouping | null>();

  protected readonly units = UNITS;
  protected readonly dates = computed(() => {
    const own = this.kinds().flatMap((kind) => kind.fields.filter(isDate));
    const published = { key: '@publishedAt', label: BUILT_IN_FIELDS.publishedAt.label };
    const byKey = new Map(own.map(({ key, label }) => [key, { key, label }]));
    return [...byKey.values(), published];
  });

  protected setField(field: string): void {
    const own = this.grouping();
    this.groupingChange.emit(field === '' ? null : makeDateGrouping({ ...own, field }));
  }

  protected put(change: Partial<DateGrouping>): void {
    const own = this.grouping();
    if (own) this.groupingChange.emit({ ...own, ...change });
  }
}

function isDate(field: Field): boolean {
  const spec = columnOf(plainField(field));
  return spec?.kind === 'number' && spec.time !== undefined;
}
