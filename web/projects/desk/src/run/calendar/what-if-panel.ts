import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { PausedQuestion, RunApi } from '@plindo/api';
import type { CalendarEntry } from '@plindo/core/listings';
import type { Kind } from '@plindo/core/structure';
import { dateFromDayNumber, dayNumberOfDate } from '@plindo/core/structure';
import { KindsStore } from '../../shared/kinds-store';
import { Notices } from '../../shared/notices';
import { WeeksTable } from './weeks-table';

const DAY_IN_MS = 86_400_000;

/** What would be if listings of a kind left earlier or later than by their rule, week by week beside what is. */
@Component({
  selector: 'pl-what-if-panel',
  imports: [RouterLink, WeeksTable],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (kinds().length) {
      <section class="panel">
        <h2>What if …</h2>
        <div class="sentence">
          <select class="plain-select" aria-label="Kind" (change)="choose(+$any($event.target).value)">
            @for (one of kinds(); track one.id) {
              <option [value]="one.id" [selected]="one.id === kind()?.id">{{ one.many }}</option>
            }
          </select>
          left
          <input
            class="plain-input"
            type="number"
            aria-label="How many days"
            min="0"
            max="3650"
            [value]="days()"
            (input)="set(+$any($event.target).value, side())"
          />
          days
          <select class="plain-select" aria-label="Later or earlier" (change)="set(days(), +$any($event.target).value)">
            <option value="1">later</option>
            <option value="-1" [selected]="side() < 0">earlier</option>
          </select>
          than now?
        </div>
        @if (days() !== 0) {
          <pl-weeks-table [now]="now()" [then]="then()" />
          <p class="quiet">
            Nothing is changed here.
            <a [routerLink]="['/run/expiry', kind()?.id]">Change the rule of {{ kind()?.many }}</a>
          </p>
        }
      </section>
    }
  `,
  styles: `
    section {
      display: grid;
      gap: 0.75rem;
    }
    .sentence {
      display: flex;
      flex-wrap: wrap;
      gap: 0.5rem;
      align-items: center;
    }
    .sentence input {
      inline-size: 5rem;
    }
    p {
      margin: 0;
    }
  `,
})
export class WhatIfPanel {
  /** The stretch of time that is compared. */
  readonly from = input.required<number>();
  readonly until = input.required<number>();

  private readonly api = inject(RunApi);
  private readonly store = inject(KindsStore);
  private readonly notices = inject(Notices);
  private readonly chosen = signal<number | null>(null);
  protected readonly days = signal(0);
  protected readonly side = signal(1);
  /** When they leave by the rule as it is, some time before and after the stretch as well. */
  private readonly entries = signal<readonly CalendarEntry[]>([]);

  /** Only kinds with a rule that counts in something. */
  protected readonly kinds = computed(() =>
    (this.store.kinds() ?? []).map(({ kind }) => kind).filter(({ expiry }) => expiry !== null),
  );
  protected readonly kind = computed((): Kind | undefined => {
    return this.kinds().find(({ id }) => id === this.chosen()) ?? this.kinds()[0];
  });

  protected readonly now = computed(() => this.within(this.entries()));
  protected readonly then = computed(() => {
    const moved = this.side() * this.days();
    return this.within(
      this.entries().map((entry) => ({ ...entry, day: dateFromDayNumber(dayNumberOfDate(entry.day)! + moved) })),
    );
  });

  private readonly question = new PausedQuestion(
    ({ kind, days }: { kind: Kind; days: number }) => {
      const around = (days + 1) * DAY_IN_MS;
      return this.api.whatIf(kind.id, kind.expiry, this.from() - around, this.until() + around);
    },
    { next: (entries) => this.entries.set(entries), error: (error) => this.notices.refused(error) },
  );

  protected choose(id: number): void {
    this.chosen.set(id);
    this.compare();
  }

  protected set(days: number, side: number): void {
    this.days.set(Math.trunc(Math.abs(days)) || 0);
    this.side.set(side);
    this.compare();
  }

  private compare(): void {
    const [kind, days] = [this.kind(), this.days()];
    if (kind && days > 0) this.question.ask({ kind, days });
  }

  private within(entries: readonly CalendarEntry[]): CalendarEntry[] {
    const [from, until] = [this.from(), this.until()].map((at) => new Date(at).toISOString().slice(0, 10));
    return entries.filter(({ day }) => day >= from! && day < until!);
  }
}
