import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { CalendarEntry } from '@plindo/core/listings';
import { dayNumberOfDate } from '@plindo/core/structure';
import { firstWeekday, periodStart } from '@plindo/core/time';
import { Reading } from '../../shared/reading';

const DAY_IN_MS = 86_400_000;

/** How many listings leave in each week, by what is and by what would be, side by side. */
@Component({
  selector: 'pl-weeks-table',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <table class="data-table">
      <thead>
        <tr>
          <th>Week from</th>
          <th>Leave now</th>
          <th>Would leave</th>
        </tr>
      </thead>
      <tbody>
        @for (week of weeks(); track week.start) {
          <tr [class.other]="week.now !== week.then">
            <td>{{ week.label }}</td>
            <td>{{ week.now }}</td>
            <td>{{ week.then }}</td>
          </tr>
        } @empty {
          <tr>
            <td colspan="3" class="quiet">None leaves in the next 90 days.</td>
          </tr>
        }
      </tbody>
    </table>
  `,
  styles: `
    :host {
      display: block;
      overflow-x: auto;
    }
    .other td:last-child {
      font-weight: 600;
    }
  `,
})
export class WeeksTable {
  readonly now = input.required<readonly CalendarEntry[]>();
  readonly then = input.required<readonly CalendarEntry[]>();
  private readonly context = inject(Reading).context;

  protected readonly weeks = computed(() => {
    const { formats, locale } = this.context();
    const first = firstWeekday(locale);
    const weekOf = ({ day }: CalendarEntry): number => periodStart(dayNumberOfDate(day)!, 'week', first);
    const count = (entries: readonly CalendarEntry[], start: number): number =>
      entries.filter((entry) => weekOf(entry) === start).reduce((sum, entry) => sum + entry.count, 0);
    const starts = [...new Set([...this.now(), ...this.then()].map(weekOf))].sort((a, b) => a - b);
    return starts.map((start) => {
      const label = formats.dated(start * DAY_IN_MS, 'short');
      return { start, label, now: count(this.now(), start), then: count(this.then(), start) };
    });
  });
}
