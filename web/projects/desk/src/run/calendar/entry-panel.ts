import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import type { CalendarEntry } from '@plindo/core/listings';
import { momentWords } from '@plindo/core/listings';
import { Icon } from '@plindo/listing-view';
import { Reading } from '../../shared/reading';

/** The listings behind an entry of the calendar, with what can be done to those that leave. */
@Component({
  selector: 'pl-entry-panel',
  imports: [Icon, MatButtonModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section class="panel" [attr.aria-label]="title()">
      <div class="head">
        <h2>{{ title() }}</h2>
        <button type="button" class="out" aria-label="Close" (click)="closed.emit()"><pl-icon name="close" /></button>
      </div>
      <p class="quiet">{{ day() }}</p>
      @if (leaves()) {
        <div class="acts">
          <label>
            Let the {{ ids().length }} chosen leave
            <input
              class="plain-input"
              type="number"
              aria-label="Days later"
              [value]="days()"
              (input)="days.set(+$any($event.target).value)"
            />
            days later
          </label>
          <button
            matButton="outlined"
            type="button"
            [disabled]="ids().length === 0 || !days()"
            (click)="moved.emit({ days: days(), ids: ids() })"
          >
            Postpone them
          </button>
          <button matButton type="button" [disabled]="ids().length === 0" (click)="kept.emit(ids())">
            Let them stay
          </button>
        </div>
      }
      <ul>
        @for (one of entry().listings; track one.id) {
          <li>
            @if (leaves()) {
              <input
                type="checkbox"
                [attr.aria-label]="one.title"
                [checked]="ids().includes(one.id)"
                (change)="toggle(one.id, $any($event.target).checked)"
              />
            }
            <span>
              <a [routerLink]="['/fill', entry().kindId, one.id]">{{ one.title }}</a>
              <span class="quiet">{{ momentOf(one.at) }}</span>
            </span>
          </li>
        }
      </ul>
      @if (entry().count > entry().listings.length) {
        <p class="quiet">and {{ entry().count - entry().listings.length }} more</p>
      }
    </section>
  `,
  styles: `
    section,
    .acts {
      display: grid;
      gap: 0.75rem;
      justify-items: start;
    }
    .head {
      display: flex;
      gap: 0.5rem;
      align-items: start;
      justify-content: space-between;
      inline-size: 100%;
    }
    h2 {
      font-size: 1.0625rem;
    }
    p {
      margin: 0;
    }
    .out {
      display: inline-flex;
      padding: 0.375rem;
      border: 0;
      background: none;
      cursor: pointer;
    }
    label input {
      inline-size: 5rem;
    }
    ul {
      display: grid;
      gap: 0.5rem;
      margin: 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: flex;
      gap: 0.5rem;
      align-items: start;
    }
    li > span {
      display: grid;
    }
    .quiet {
      font-size: 0.875rem;
    }
  `,
})
export class EntryPanel {
  readonly entry = input.required<CalendarEntry>();
  readonly title = input.required<string>();
  readonly day = input.required<string>();
  /** So many days later, for some of the listings. */
  readonly moved = output<{ days: number; ids: readonly number[] }>();
  readonly kept = output<readonly number[]>();
  readonly closed = output();

  private readonly context = inject(Reading).context;
  protected readonly leaves = computed(() => this.entry().what === 'leaves');
  protected readonly days = linkedSignal({ source: this.entry, computation: () => 7 });
  /** The listings that are chosen: at first all of them. */
  protected readonly ids = linkedSignal({
    source: this.entry,
    computation: ({ listings }): readonly number[] => listings.map(({ id }) => id),
  });

  protected toggle(id: number, isOn: boolean): void {
    const others = this.ids().filter((one) => one !== id);
    this.ids.set(isOn ? [...others, id] : others);
  }

  protected momentOf(at: number): string {
    return this.leaves() ? momentWords(at, this.context().formats) : this.context().formats.exactly(at);
  }
}
