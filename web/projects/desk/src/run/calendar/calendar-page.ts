import { ChangeDetectionStrategy, Component, computed, inject, signal, viewChild } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { RouterLink } from '@angular/router';
import type { CalendarOptions, EventDropArg, EventInput } from '@fullcalendar/core';
import { FullCalendarComponent, FullCalendarModule } from '@fullcalendar/angular';
import dayGridPlugin from '@fullcalendar/daygrid';
import interactionPlugin from '@fullcalendar/interaction';
import { CatalogApi, RunApi, SessionStore, sentenceOf } from '@plindo/api';
import type { CalendarDeed, CalendarView } from '@plindo/core/contract';
import type { CalendarEntry } from '@plindo/core/listings';
import { MOST_IN_ENTRY } from '@plindo/core/listings';
import { dateFromDayNumber, dayNumberOfDate, textOfMoment } from '@plindo/core/structure';
import { dayNumberAt, firstWeekday, movedMoment, startOfDay } from '@plindo/core/time';
import { KindList } from '../../shared/kind-list';
import { KindsStore } from '../../shared/kinds-store';
import { Notices } from '../../shared/notices';
import { Reading } from '../../shared/reading';
import { EntryPanel } from './entry-panel';
import { FeedPanel } from './feed-panel';
import { WhatIfPanel } from './what-if-panel';

const AHEAD_IN_DAYS = 90;
const BACK_IN_DAYS = 35;

/** What happens to listings by itself in the next 90 days, and what Plindo did, as a calendar or as a table. */
@Component({
  selector: 'pl-calendar-page',
  imports: [
    EntryPanel,
    FeedPanel,
    FullCalendarModule,
    KindList,
    MatButtonModule,
    MatButtonToggleModule,
    RouterLink,
    WhatIfPanel,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './calendar-page.html',
  styleUrl: './calendar-page.scss',
})
export class CalendarPage {
  private readonly api = inject(RunApi);
  private readonly catalog = inject(CatalogApi);
  private readonly notices = inject(Notices);
  private readonly kinds = inject(KindsStore);
  private readonly reading = inject(Reading);
  private readonly context = this.reading.context;
  private readonly session = inject(SessionStore);

  private readonly months = viewChild(FullCalendarComponent);
  protected readonly view = signal<CalendarView | null>(null);
  protected readonly failure = signal('');
  /** On a narrow screen days are too narrow for words. */
  protected readonly showsTable = signal(matchMedia('(max-width: 52rem)').matches);
  protected readonly open = signal<CalendarEntry | null>(null);
  protected readonly isOwner = this.session.isOwner;
  private readonly now = Date.now();
  protected readonly from = this.dayStart(-BACK_IN_DAYS);
  protected readonly today = this.now;
  protected readonly until = this.dayStart(AHEAD_IN_DAYS + 1);

  protected readonly options = computed((): CalendarOptions => {
    const { locale, zone } = this.context();
    return {
      plugins: [dayGridPlugin, interactionPlugin],
      // Five weeks from this one on: what comes matters more than what was.
      views: { weeks: { type: 'dayGrid', duration: { weeks: 5 }, dateIncrement: { weeks: 4 } } },
      initialView: 'weeks',
      locale,
      firstDay: firstWeekday(locale) % 7,
      // Days are told by the server in the zone of the site.
      timeZone: 'UTC',
      now: new Date(dayNumberAt(this.now, zone) * 86_400_000).toISOString(),
      height: 'auto',
      eventOrder: 'rank',
      eventDurationEditable: false,
      headerToolbar: { start: 'title', center: '', end: 'prev,today,next' },
      buttonIcons: false,
      buttonText: { today: 'Today', prev: '‹', next: '›' },
      buttonHints: { prev: 'Four weeks back', next: 'Four weeks on' },
      events: this.events(),
      eventClick: ({ event }) => this.show(event.extendedProps['entry'] as CalendarEntry | undefined),
      eventDrop: (dropped) => this.postpone(dropped),
    };
  });

  protected readonly isEmpty = computed(() => {
    const view = this.view();
    return view !== null && view.coming.length === 0 && view.done.length === 0;
  });

  private readonly events = computed((): EventInput[] => {
    const { coming = [], done = [] } = this.view() ?? {};
    // They are named by their kinds, and drawn once.
    if (!this.kinds.kinds()) return [];
    return [
      // On the day on which a listing leaves, what happens at that moment needs no line of its own.
      ...coming
        .filter((entry) => !this.isWithLeaving(entry))
        .map((entry): EventInput => {
          return {
            rank: entry.what === 'leaves' ? 0 : 1,
            title: this.titleOf(entry),
            start: entry.day,
            allDay: true,
            editable: entry.what === 'leaves',
            classNames: [`what-${entry.what.split(':')[0]}`],
            extendedProps: { entry },
          };
        }),
      ...done.map((deed): EventInput => {
        const classNames = ['done', ...(deed.undone ? ['undone'] : [])];
        return { rank: 2, title: deed.sentence, start: this.dayOf(deed), allDay: true, editable: false, classNames };
      }),
    ];
  });

  private isWithLeaving({ what, kindId }: CalendarEntry): boolean {
    const rule = this.kinds.kinds()?.find(({ kind }) => kind.id === kindId)?.kind.expiry;
    return rule?.consequences.find(({ key }) => what === `then:${key}`)?.days === 0;
  }

  constructor() {
    void this.kinds.reload();
    this.load();
  }

  protected load(): void {
    this.api.calendar(this.from, this.until).subscribe({
      next: (view) => this.view.set(view),
      error: (error: unknown) => this.failure.set(sentenceOf(error)),
    });
  }

  protected show(entry: CalendarEntry | undefined): void {
    this.open.set(entry ?? null);
    // It has another width when the panel has come or gone.
    setTimeout(() => this.months()?.getApi().updateSize());
  }

  protected titleOf({ count, kindId, label }: CalendarEntry): string {
    const kind = this.kinds.kinds()?.find((one) => one.kind.id === kindId)?.kind;
    return `${count} ${(count === 1 ? kind?.one : kind?.many) ?? ''}: ${label}`;
  }

  protected dayWords(day: string): string {
    return this.context().formats.weekday(Date.parse(`${day}T00:00Z`));
  }

  protected momentOf(iso: string): string {
    return this.reading.moment(iso);
  }

  /** What leaves on a day leaves as many days later, or earlier, as it was dragged. */
  private postpone({ event, oldEvent, revert }: EventDropArg): void {
    const entry = event.extendedProps['entry'] as CalendarEntry;
    const moved = dayNumberOfDate(event.startStr)! - dayNumberOfDate(oldEvent.startStr)!;
    if (entry.count > MOST_IN_ENTRY) {
      this.notices.said(`At most ${MOST_IN_ENTRY} listings can be moved at once. Change the rule instead.`);
      revert();
      return;
    }
    this.move(
      entry,
      moved,
      entry.listings.map(({ id }) => id),
      revert,
    );
  }

  /** Lets some listings of an entry leave so many days later than they would. */
  protected move({ kindId, listings }: CalendarEntry, days: number, ids: readonly number[], revert?: () => void): void {
    const { zone } = this.context();
    const parts = listings
      .filter(({ id }) => ids.includes(id))
      .map(({ id, at }) => {
        const later = movedMoment(at, { amount: days, unit: 'day' }, zone);
        return { id, input: { shownUntil: textOfMoment(later) } };
      });
    const many = parts.length === 1 ? 'one listing leaves' : `${parts.length} listings leave`;
    const sentence = `Now ${many} ${Math.abs(days)} ${Math.abs(days) === 1 ? 'day' : 'days'} ${days < 0 ? 'earlier' : 'later'}`;
    this.catalog.batch(kindId, { parts }).subscribe({
      next: ({ changeId }) => this.changed(sentence, changeId),
      error: (error: unknown) => {
        this.notices.refused(error);
        revert?.();
      },
    });
  }

  /** Lets some listings stay. */
  protected keep({ kindId }: CalendarEntry, ids: readonly number[]): void {
    const parts = ids.map((id) => ({ id, input: { expiry: 'off', shownUntil: null } }));
    this.catalog.batch(kindId, { parts }).subscribe({
      next: ({ changeId }) => this.changed('They stay now, whatever the rule says', changeId),
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  private changed(sentence: string, changeId: number): void {
    this.show(undefined);
    this.load();
    this.notices.changed(sentence, changeId, () => this.load());
  }

  private dayOf({ at }: CalendarDeed): string {
    return dateFromDayNumber(dayNumberAt(Date.parse(at), this.context().zone));
  }

  private dayStart(days: number): number {
    const { zone } = this.context();
    return startOfDay(dayNumberAt(this.now, zone) + days, 'moments', zone);
  }
}
