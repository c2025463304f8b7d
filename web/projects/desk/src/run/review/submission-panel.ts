import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  output,
  signal,
  untracked,
} from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatMenuModule } from '@angular/material/menu';
import { RouterLink } from '@angular/router';
import { ListingSearch, SessionStore, SubmissionsApi, sentenceOf } from '@plindo/api';
import type { Changed, SubmissionDetail, SubmissionSummary, SubmittedField } from '@plindo/core/contract';
import type { Field } from '@plindo/core/structure';
import { fieldAt } from '@plindo/core/structure';
import type { SentValues } from '@plindo/core/submissions';
import { sentText } from '@plindo/core/submissions';
import { Icon, PictureView } from '@plindo/listing-view';
import { CatalogApi } from '@plindo/api';
import type { Observable } from 'rxjs';
import { AskForValue } from '../../fill/table/ask-for-value';
import { KindsStore } from '../../shared/kinds-store';
import { Notices } from '../../shared/notices';
import { Reading } from '../../shared/reading';
import { LinkedAnswers } from './linked-answers';
import { OwnReasons } from './own-reasons';
import { INTENT_WORDS, LIKENESS_WORDS, STATE_WORDS, SUSPICION_WORDS } from './review-words';

/** One submission: what was sent beside what is there, field by field, and what can be decided about it. */
@Component({
  selector: 'pl-submission-panel',
  imports: [Icon, MatButtonModule, MatCheckboxModule, MatMenuModule, PictureView, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './submission-panel.html',
  styleUrl: './submission-panel.scss',
})
export class SubmissionPanel {
  private readonly api = inject(SubmissionsApi);
  private readonly catalog = inject(CatalogApi);
  private readonly ask = inject(AskForValue);
  private readonly kinds = inject(KindsStore);
  private readonly notices = inject(Notices);
  private readonly reading = inject(Reading);
  private readonly session = inject(SessionStore);

  readonly id = input.required<number>();
  /** Goes up when it may have changed. */
  readonly revision = input(0);
  readonly decided = output();

  protected readonly words = {
    intent: INTENT_WORDS,
    state: STATE_WORDS,
    suspicion: SUSPICION_WORDS,
    likeness: LIKENESS_WORDS,
  };
  protected readonly isOwner = this.session.isOwner;
  protected readonly reasons = inject(OwnReasons);
  protected readonly detail = signal<SubmissionDetail | null>(null);
  protected readonly failure = signal('');
  protected readonly isBusy = signal(false);
  /** Keys of fields of which the live value stays. */
  protected readonly kept = signal<ReadonlySet<string>>(new Set());
  /** By the key of a field, what somebody has changed on the way. */
  protected readonly changed = signal<SentValues>({});
  private readonly links = new LinkedAnswers(this.catalog);
  private readonly search = new ListingSearch(this.catalog);
  protected readonly looked = signal('');
  /** Listings of the kind that were looked for, but for those that are proposed anyway. */
  protected readonly others = computed(() => {
    const { kindId, alike = [] } = this.detail() ?? {};
    return this.search.found().filter((one) => one.kindId === kindId && !alike.some(({ id }) => id === one.id));
  });
  protected readonly reason = signal('');
  protected readonly status = signal<'live' | 'draft'>('live');
  protected readonly featured = signal(false);
  protected readonly kind = computed(() => this.kinds.byId(this.detail()?.kindId ?? 0));
  protected readonly isOpen = computed(() => this.detail()?.state === 'waiting');
  /** Whether it changes a listing that was there before. */
  protected readonly hasNow = computed(() => this.detail()?.intent !== 'new' && this.detail()?.listing !== null);
  /** What was sent; of something new no field that was left empty. */
  protected readonly shownFields = computed(() => {
    const { fields = [] } = this.detail() ?? {};
    return fields.filter(({ sent }) => this.hasNow() || sent.text !== '' || sent.pictures.length > 0);
  });
  protected readonly takenCount = computed(() => this.shownFields().filter(({ key }) => !this.kept().has(key)).length);

  constructor() {
    if (this.kinds.kinds() === null) void this.kinds.reload();
    effect(() => {
      const id = this.id();
      this.revision();
      untracked(() => this.load(id));
    });
  }

  protected senderOf({ sender: { name, email } }: SubmissionDetail): string {
    return name && email ? `${name} (${email})` : name || email || 'somebody';
  }

  /** Whoever has an account is erased with it. */
  protected canBeErased({ sender: { email, userId } }: SubmissionDetail): boolean {
    return this.isOwner() && email !== '' && userId === null;
  }

  protected eraseSender({ id, sender: { email } }: SubmissionDetail): void {
    const question = `Erase who wrote from ${email}? Their name, their address and the mails to them are gone for good, from all that they sent in. What they sent stays.`;
    if (!confirm(question)) return;
    this.api.eraseSender(id).subscribe({
      next: () => {
        this.notices.said('Who sent it is erased.');
        this.load(id);
        this.decided.emit();
      },
      error: (error: unknown) => this.failure.set(sentenceOf(error)),
    });
  }

  protected momentOf(iso: string): string {
    return this.reading.moment(iso);
  }

  protected consentMoment(at: number): string {
    return this.reading.moment(new Date(at).toISOString());
  }

  protected take(key: string, isTaken: boolean): void {
    this.kept.update((all) => new Set(isTaken ? [...all].filter((one) => one !== key) : [...all, key]));
  }

  protected fieldOf(key: string): Field | undefined {
    const kind = this.kind();
    return kind && fieldAt(kind, key);
  }

  protected canBeChanged({ key }: SubmittedField): boolean {
    return this.isOpen() && this.fieldOf(key) !== undefined;
  }

  protected look(text: string): void {
    this.looked.set(text);
    this.search.type(text);
  }

  protected isChanged(key: string): boolean {
    return Object.hasOwn(this.changed(), key);
  }

  protected changedText({ key }: SubmittedField): string {
    const field = this.fieldOf(key);
    return field ? sentText(field, this.changed()[key], this.reading.context(), this.links.titleOf) || 'nothing' : '';
  }

  protected change({ key }: SubmittedField): void {
    const [field, detail] = [this.fieldOf(key), this.detail()];
    if (!field || !detail) return;
    const value = this.isChanged(key) ? this.changed()[key] : detail.values[key];
    const keep = (read: unknown): void => {
      this.changed.update((all) => ({ ...all, [key]: read }));
      this.take(key, true);
    };
    const ask = (shown: unknown, then: (read: unknown) => void): void =>
      void this.ask.open({ of: detail.title, field, value: shown, context: this.reading.context() }, then);
    if (field.type !== 'link') return ask(value, keep);
    this.links.listings(value).subscribe({
      next: (linked) => ask(linked, (chosen) => keep(this.links.numbers(chosen))),
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  protected addReason(text: string): void {
    this.reason.update((reason) => (reason.trim() === '' ? text : `${reason.trim()}\n${text}`));
  }

  protected accept(): void {
    const detail = this.detail();
    if (!detail) return;
    this.send(
      `Accepted ${detail.title}`,
      this.api.accept(detail.id, {
        ...this.decision(detail),
        ...{ values: this.taken(detail), status: this.status(), featured: this.featured() },
        listingVersion: detail.listing?.version ?? null,
      }),
    );
  }

  protected giveBack(): void {
    const detail = this.detail();
    if (detail) this.send(`Returned ${detail.title}`, this.api.giveBack(detail.id, this.decision(detail)));
  }

  protected refuse(): void {
    const detail = this.detail();
    if (detail) this.send(`Refused ${detail.title}`, this.api.refuse(detail.id, this.decision(detail)));
  }

  protected trust(): void {
    const detail = this.detail();
    if (detail) this.send(`${detail.title} is no misuse`, this.api.trust(detail.id, detail.version), true);
  }

  /** Adds what is taken to a listing that is there already. */
  protected merge({ id, title }: { readonly id: number; readonly title: string }): void {
    const detail = this.detail();
    if (!detail) return;
    this.catalog.listing(id).subscribe({
      next: ({ version }) =>
        this.send(
          `Merged ${detail.title} with ${title}`,
          this.api.merge(detail.id, {
            ...this.decision(detail),
            ...{ values: this.taken(detail), listingId: id, listingVersion: version },
          }),
        ),
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  private decision({ version }: SubmissionDetail): { version: number; reason: string } {
    return { version, reason: this.reason().trim() };
  }

  private taken({ values }: SubmissionDetail): SentValues {
    const keys = Object.keys(values).filter((key) => !this.kept().has(key));
    return Object.fromEntries(keys.map((key) => [key, this.isChanged(key) ? this.changed()[key] : values[key]]));
  }

  private send(sentence: string, sent: Observable<Changed<SubmissionSummary>>, stays = false): void {
    if (this.isBusy()) return;
    this.isBusy.set(true);
    this.failure.set('');
    sent.subscribe({
      next: ({ changeId }) => {
        this.isBusy.set(false);
        this.notices.changed(sentence, changeId, () => this.decided.emit());
        if (stays) this.load(this.id());
        this.decided.emit();
      },
      error: (error: unknown) => {
        this.isBusy.set(false);
        this.failure.set(sentenceOf(error));
      },
    });
  }

  private load(id: number): void {
    this.api.one(id).subscribe({
      next: (detail) => {
        if (id !== this.id()) return;
        const before = this.detail();
        this.detail.set(detail);
        if (before?.id === detail.id && before.version === detail.version) return;
        this.failure.set('');
        this.kept.set(new Set());
        this.changed.set({});
        this.reason.set('');
        this.look('');
        this.status.set(detail.begins.status);
        this.featured.set(detail.begins.featured);
      },
      error: (error: unknown) => this.failure.set(sentenceOf(error)),
    });
  }
}
