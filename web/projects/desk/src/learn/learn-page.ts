import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { ActivatedRoute, Router, RouterLink, RouterLinkActive } from '@angular/router';
import type { LearnAsk } from '@plindo/api';
import { LearnApi, SessionStore, sentenceOf } from '@plindo/api';
import type { Comparison, LearnReport, LearnTotal, LearnedTable, Period } from '@plindo/core/learn';
import { COMPARISONS } from '@plindo/core/learn';
import { dateFromDayNumber } from '@plindo/core/structure';
import { dayNumberAt } from '@plindo/core/time';
import { Icon } from '@plindo/listing-view';
import { Explain } from '../guide/explain';
import { KindsStore } from '../shared/kinds-store';
import { MomentInput } from '../shared/moments/moment-input';
import { Reading } from '../shared/reading';
import { StageList } from '../shared/stage-list';
import { UndoStack } from '../shared/undo-stack';
import { ActButtons } from './acts/act-buttons';
import { LEARN_PAGES } from './learn-groups';
import type { LearnState } from './learn-state';
import { COMPARISON_WORDS, SPANS, SPAN_WORDS, periodOf, stateOf } from './learn-state';
import { LearnedTableView } from './learned-table-view';

const DAY_IN_MS = 86_400_000;
/** On the first page stand the steps, and one table. */
const FIRST_TABLE = 'views-over-time';

/** What visitors look at, choose and search, and what to do about it. */
@Component({
  selector: 'pl-learn-page',
  imports: [
    ActButtons,
    Explain,
    Icon,
    LearnedTableView,
    MatButtonModule,
    MomentInput,
    RouterLink,
    RouterLinkActive,
    StageList,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './learn-page.html',
  styleUrl: './learn-page.scss',
})
export class LearnPage {
  private readonly api = inject(LearnApi);
  private readonly route = inject(ActivatedRoute);
  private readonly router = inject(Router);
  private readonly reading = inject(Reading);
  private readonly session = inject(SessionStore);
  private readonly kindsStore = inject(KindsStore);
  private readonly query = toSignal(this.route.queryParamMap, { requireSync: true });
  private readonly params = toSignal(this.route.paramMap, { requireSync: true });

  protected readonly pages = LEARN_PAGES;
  protected readonly spans = SPANS.map((span) => ({ span, label: SPAN_WORDS[span] }));
  protected readonly comparisons = COMPARISONS.map((against) => ({ against, label: COMPARISON_WORDS[against] }));
  protected readonly page = computed(
    () => this.pages.find(({ group }) => group === this.params().get('group')) ?? this.pages[0]!,
  );
  protected readonly state = computed(() => stateOf((name) => this.query().get(name)));
  protected readonly kinds = computed(() =>
    (this.kindsStore.kinds() ?? []).filter(({ kind }) => !kind.putAside).map(({ kind }) => kind),
  );
  protected readonly isCounting = computed(() => this.session.session()?.site.countsViews !== false);

  private readonly period = computed(() => {
    const { nowInMs, zone } = this.reading.context();
    return periodOf(this.state(), dayNumberAt(nowInMs, zone));
  });
  /** What the report is asked for by; null for days that are none. */
  protected readonly asked = computed((): LearnAsk | null => {
    const [period, { against, kind, listing }] = [this.period(), this.state()];
    if (!period) return null;
    const days = { from: dateFromDayNumber(period.from), to: dateFromDayNumber(period.to) };
    return { ...days, against, ...(kind !== null && { kind }), ...(listing !== null && { listing }) };
  });
  protected readonly report = signal<LearnReport | null>(null);
  /** What the report was asked for by. */
  protected readonly toldOf = signal<LearnAsk | null>(null);
  protected readonly failure = signal('');
  protected readonly hasNothing = computed(() => {
    const report = this.report();
    return report !== null && report.firstDay === null && report.totals.every(({ now }) => now === 0);
  });
  protected readonly tables = computed((): readonly LearnedTable[] => {
    const { group } = this.page();
    return (this.report()?.tables ?? []).filter((table) =>
      group === null ? table.key === FIRST_TABLE : table.group === group,
    );
  });
  protected readonly time = computed(() => {
    const report = this.report();
    return report ? `${this.spanText(report.period)}, beside ${this.spanText(report.before)}` : '';
  });

  /** Since when there are any numbers, where that isn't before all that is told. */
  protected readonly since = computed(() => {
    const report = this.report();
    if (!report || report.firstDay === null || report.firstDay <= report.before.from) return '';
    return `Plindo has counted since ${this.reading.context().formats.dated(report.firstDay * DAY_IN_MS, 'long')}.`;
  });

  constructor() {
    if (this.kindsStore.kinds() === null) void this.kindsStore.reload();
    const { revision } = inject(UndoStack);
    effect(() => {
      revision();
      this.load();
    });
  }

  protected load(): void {
    const asked = this.asked();
    if (!asked) return;
    this.api.report(asked).subscribe({
      next: (report) => {
        // A late answer to what was asked before would show another time.
        if (asked !== this.asked()) return;
        this.report.set(report);
        this.toldOf.set(asked);
        this.failure.set('');
      },
      error: (error: unknown) => this.failure.set(sentenceOf(error)),
    });
  }

  /** Puts part of the state into the address; what is as it is by itself stays out of it. */
  protected set(part: Partial<LearnState>): void {
    void this.router.navigate([], { queryParams: part, queryParamsHandling: 'merge', replaceUrl: true });
  }

  protected setSpan(span: LearnState['span']): void {
    const period = this.period();
    const isOwn = span === 'own' && period !== null;
    const days = isOwn ? { from: dateFromDayNumber(period.from), to: dateFromDayNumber(period.to) } : {};
    this.set({ span, ...(span === 'own' ? days : { from: null, to: null }) } as Partial<LearnState>);
  }

  protected setKind(value: string): void {
    this.set({ kind: Number(value) || null, listing: null });
  }

  protected setAgainst(value: string): void {
    this.set({ against: value as Comparison });
  }

  /** Shows the views of a listing over time. */
  protected showOverTime(listing: number): void {
    void this.router.navigate(['/learn', 'views'], { queryParams: { listing }, queryParamsHandling: 'merge' });
  }

  protected number(value: number): string {
    return this.reading.context().formats.number(value);
  }

  /** "12 % more", "as many". */
  protected changeWords({ now, before }: LearnTotal): string {
    if (before === 0) return now === 0 ? 'none before either' : 'none before';
    if (now === before) return 'as many as before';
    const share = Math.round((Math.abs(now - before) / before) * 100);
    if (share === 0) return `about as many as ${this.number(before)} before`;
    return `${this.number(share)} % ${now > before ? 'more' : 'fewer'} than ${this.number(before)} before`;
  }

  private spanText({ from, to }: Period): string {
    return this.reading.context().formats.datedSpan(from * DAY_IN_MS, to * DAY_IN_MS, 'long');
  }
}
