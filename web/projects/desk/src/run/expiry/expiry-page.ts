import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatSlideToggleModule } from '@angular/material/slide-toggle';
import { RouterLink } from '@angular/router';
import { CatalogApi, PausedQuestion, RunApi, SessionStore, issuesOf } from '@plindo/api';
import type { CalendarEntry, ExpiryEffects } from '@plindo/core/listings';
import { countedWords, daysWords, deedWords, hasDays } from '@plindo/core/listings';
import type { Consequence, CountedFrom, ExpiryRule, Kind } from '@plindo/core/structure';
import {
  BUILT_IN_FIELDS,
  expiryFaults,
  fieldByKey,
  isCountable,
  makeExpiryRule,
  momentOfText,
  textOfMoment,
} from '@plindo/core/structure';
import type { CalendarSpan } from '@plindo/core/time';
import { SPAN_UNITS, momentOfLocal } from '@plindo/core/time';
import { Icon } from '@plindo/listing-view';
import type { Observable } from 'rxjs';
import { forkJoin } from 'rxjs';
import { FieldControl } from '../../shared/controls/field-control';
import { KindList } from '../../shared/kind-list';
import { KindsStore } from '../../shared/kinds-store';
import type { MayHoldWork } from '../../shared/may-hold-work';
import { Notices } from '../../shared/notices';
import { Reading } from '../../shared/reading';
import { WeeksTable } from '../calendar/weeks-table';
import { ConsequenceEditor } from './consequence-editor';
import { OFFERED_DEEDS, newConsequence } from './deeds';
import { EffectsPanel } from './effects-panel';
import { Explain } from '../../guide/explain';

const AHEAD_IN_MS = 90 * 86_400_000;

/** When the listings of a kind leave the site by themselves, and what then happens, as a sentence of choices. */
@Component({
  selector: 'pl-expiry-page',
  imports: [
    Explain,
    ConsequenceEditor,
    EffectsPanel,
    FieldControl,
    Icon,
    KindList,
    MatButtonModule,
    MatSlideToggleModule,
    RouterLink,
    WeeksTable,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './expiry-page.html',
  styleUrl: './expiry-page.scss',
  host: { '(document:keydown.control.s)': 'save($event)', '(document:keydown.meta.s)': 'save($event)' },
})
export class ExpiryPage implements MayHoldWork {
  /** From the address. */
  readonly kindId = input.required<string>();

  private readonly api = inject(CatalogApi);
  private readonly run = inject(RunApi);
  private readonly notices = inject(Notices);
  private readonly store = inject(KindsStore);
  private readonly session = inject(SessionStore);

  protected readonly context = inject(Reading).context;
  protected readonly momentField = { ...BUILT_IN_FIELDS.leavesAt, label: 'The moment' };
  protected readonly units = SPAN_UNITS;
  protected readonly kind = this.store.kindOf(this.kindId);
  protected readonly isOwner = this.session.isOwner;
  /** The rule as it is being changed; null for none. */
  protected readonly rule = signal<ExpiryRule | null>(null);
  protected readonly changed = signal(false);
  protected readonly saving = signal(false);
  protected readonly refused = signal<readonly string[]>([]);
  protected readonly effects = signal<ExpiryEffects | null>(null);
  protected readonly dates = computed(() => this.kind()?.fields.filter(isCountable) ?? []);
  protected readonly deeds = computed(() => {
    const kind = this.kind();
    return kind ? OFFERED_DEEDS.filter((offered) => offered.begin(kind) !== null) : [];
  });
  /** What is still wrong with the rule. */
  protected readonly faults = computed(() => {
    const [kind, rule] = [this.kind(), this.rule()];
    return kind ? expiryFaults({ expiry: rule, fields: kind.fields }) : [];
  });
  /** The whole rule, to be read aloud. */
  protected readonly aloud = computed(() => {
    const [kind, rule] = [this.kind(), this.rule()];
    return kind && rule && this.faults().length === 0 ? this.sentences(kind, rule) : [];
  });
  protected readonly countedField = computed(() => {
    const from = this.rule()?.countedFrom;
    const kind = this.kind();
    return (from?.by === 'field' && kind && fieldByKey(kind, from.field)) || null;
  });
  protected readonly hasDays = hasDays;
  private shown: string | null = null;

  /** When listings leave in the next 90 days, by the rule as it is kept and as it is being changed. */
  protected readonly compared = signal<{ now: readonly CalendarEntry[]; then: readonly CalendarEntry[] } | null>(null);
  private readonly comparison = new PausedQuestion(
    ({ kind, rule }: { kind: Kind; rule: ExpiryRule | null }) => {
      const from = this.context().nowInMs;
      const ask = (one: ExpiryRule | null): Observable<CalendarEntry[]> =>
        this.run.whatIf(kind.id, one, from, from + AHEAD_IN_MS);
      return forkJoin({ now: ask(kind.expiry), then: ask(rule) });
    },
    { next: (both) => this.compared.set(both), error: () => this.compared.set(null) },
  );

  private readonly question = new PausedQuestion(
    ({ id, rule }: { id: number; rule: ExpiryRule | null }) => this.run.planExpiry(id, rule),
    {
      next: (effects) => {
        this.effects.set(effects);
        this.refused.set([]);
      },
      error: (error) => this.refused.set(issuesOf(error).map(({ message }) => message)),
    },
  );

  constructor() {
    void this.store.reload();
    effect(() => {
      const kind = this.kind();
      if (kind) untracked(() => this.show(kind));
    });
  }

  mayLeave(): boolean {
    return !this.changed() || confirm('The rule is not saved. Leave it as it was?');
  }

  /** Shows the rule as it is kept; work on the same kind is not thrown away. */
  private show(kind: Kind): void {
    const isOther = this.shown !== this.kindId();
    if (this.changed() && !isOther) return;
    this.shown = this.kindId();
    this.changed.set(false);
    this.rule.set(kind.expiry);
    this.ask();
  }

  protected put(change: Partial<ExpiryRule>): void {
    const rule = this.rule();
    if (rule) this.set({ ...rule, ...change });
  }

  protected toggle(isOn: boolean): void {
    if (!isOn) this.set(null);
    else this.begin(this.dates()[0]?.key ?? null);
  }

  /** Begins a rule by a date of the listings, or, where there is none, by when they were published. */
  protected begin(field: string | null): void {
    const counted = field === null ? ({ by: 'publishing' } as const) : ({ by: 'field', field } as const);
    const offset = field === null ? ({ amount: 1, unit: 'month' } as const) : undefined;
    this.set(makeExpiryRule({ countedFrom: counted, ...(offset && { offset }) }));
  }

  protected chooseCount(choice: string): void {
    const rule = this.rule();
    if (!rule) return;
    const isField = choice.startsWith('field:');
    const countedFrom: CountedFrom = isField
      ? { by: 'field', field: choice.slice('field:'.length), rangeEnd: 'to', dayEdge: 'end' }
      : choice === 'publishing'
        ? { by: 'publishing' }
        : { by: 'moment', at: textOfMoment(this.nextYear()) };
    const needsSpan = choice === 'publishing' && rule.offset.amount <= 0;
    const offset: CalendarSpan = needsSpan
      ? { amount: 1, unit: 'month' }
      : choice === 'moment'
        ? { amount: 0, unit: 'day' }
        : rule.offset;
    this.put({ countedFrom, offset });
  }

  protected isCounted(choice: string): boolean {
    const from = this.rule()?.countedFrom;
    return from?.by === 'field' ? choice === `field:${from.field}` : from?.by === choice;
  }

  protected putCount(change: object): void {
    const rule = this.rule();
    if (rule) this.put({ countedFrom: { ...rule.countedFrom, ...change } as CountedFrom });
  }

  protected setMoment(input: unknown): void {
    const read = readMoment(input, this.context().zone);
    this.putCount({ at: read });
  }

  /** How long before or after; which of the two stays. */
  protected setOffset(amount: number, unit: string): void {
    const length = Math.trunc(Math.abs(amount));
    if (!Number.isFinite(length) || length === 0) return;
    const side = (this.rule()?.offset.amount ?? 0) < 0 ? -1 : 1;
    this.put({ offset: { amount: side * length, unit: unit as CalendarSpan['unit'] } });
  }

  protected setSide(side: number): void {
    const { amount, unit } = this.rule()!.offset;
    this.put({ offset: { amount: side * Math.max(1, Math.abs(amount)), unit } });
  }

  protected readonly abs = Math.abs;
  protected readonly capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

  protected addConsequence(name: string): void {
    const [kind, rule] = [this.kind(), this.rule()];
    const begun =
      kind &&
      this.deeds()
        .find((offered) => offered.name === name)
        ?.begin(kind);
    if (!rule || !begun) return;
    this.put({ consequences: [...rule.consequences, newConsequence(begun, rule.consequences)] });
  }

  protected changeConsequence(changed: Consequence): void {
    this.put({ consequences: this.consequences().map((one) => (one.key === changed.key ? changed : one)) });
  }

  protected raise(at: number): void {
    const consequences = [...this.consequences()];
    consequences.splice(at - 1, 0, ...consequences.splice(at, 1));
    this.put({ consequences });
  }

  protected remove(key: string): void {
    this.put({ consequences: this.consequences().filter((one) => one.key !== key) });
  }

  protected countedOf({ key }: Consequence): string {
    const counted = this.effects()?.consequences[key];
    if (!counted || this.faults().length > 0) return '';
    return `${counted.now} now, ${counted.soon} within 30 days`;
  }

  protected save(event?: Event): void {
    event?.preventDefault();
    const kind = this.kind();
    if (!kind || !this.changed() || this.saving() || !this.isOwner()) return;
    this.refused.set(this.faults());
    if (this.faults().length > 0) return;
    this.saving.set(true);
    this.api.saveKind({ ...kind, expiry: this.rule() }).subscribe({
      next: ({ changeId }) => {
        this.saving.set(false);
        this.changed.set(false);
        void this.store.reload();
        this.notices.changed(`Changed the rule of ${kind.many}`, changeId, () => void this.store.reload());
      },
      error: (error: unknown) => {
        this.saving.set(false);
        this.refused.set(issuesOf(error).map(({ message }) => message));
      },
    });
  }

  protected takeBack(): void {
    this.changed.set(false);
    this.rule.set(this.kind()?.expiry ?? null);
    this.ask();
  }

  protected consequences(): readonly Consequence[] {
    return this.rule()?.consequences ?? [];
  }

  private set(rule: ExpiryRule | null): void {
    this.rule.set(rule);
    this.changed.set(true);
    this.ask();
  }

  private ask(): void {
    const kind = this.kind();
    this.refused.set([]);
    if (!kind || !this.isOwner() || this.faults().length > 0) return;
    this.question.ask({ id: kind.id, rule: this.rule() });
    if (this.changed()) this.comparison.ask({ kind, rule: this.rule() });
  }

  private sentences(kind: Kind, rule: ExpiryRule): string[] {
    const { formats } = this.context();
    const when = `${kind.many} leave the site ${countedWords(rule, kind, formats)}.`;
    const then = rule.consequences.map(({ days, deed }) => {
      const moment = days === 0 ? 'When it leaves' : daysWords({ days });
      return `${moment}: ${deedWords(deed, kind, formats)}.`;
    });
    return [when, ...then];
  }

  private nextYear(): number {
    const year = new Date(this.context().nowInMs).getUTCFullYear();
    return Date.UTC(year + 1, 0, 1);
  }
}

/** What was typed as a moment, as moments are kept; the same where it is none yet. */
function readMoment(input: unknown, zone: string): string {
  const text = typeof input === 'string' ? input : '';
  if (!Number.isNaN(momentOfText(text))) return text;
  const local = Date.parse(`${text}Z`);
  return Number.isNaN(local) ? text : textOfMoment(momentOfLocal(local, zone));
}
