import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { Router, RouterLink } from '@angular/router';
import type { QueueQuestion } from '@plindo/api';
import { SubmissionsApi, sentenceOf } from '@plindo/api';
import type { DecidedTogether, SubmissionSummary } from '@plindo/core/contract';
import { filter } from 'rxjs';
import { Explain } from '../../guide/explain';
import { DeskEvents } from '../../shared/desk-events';
import { KindList } from '../../shared/kind-list';
import { KindsStore } from '../../shared/kinds-store';
import { Notices } from '../../shared/notices';
import { SubmissionCount } from '../../shared/submission-count';
import { INTENT_WORDS, STATE_WORDS, ageInWords } from './review-words';
import { SubmissionPanel } from './submission-panel';

/** The heaps of the queue. */
const HEAPS = [
  { key: 'waiting', label: 'Waiting', state: 'waiting', suspected: 'no' },
  { key: 'suspected', label: 'Perhaps misuse', state: 'waiting', suspected: 'yes' },
  { key: 'returned', label: 'Returned', state: 'returned', suspected: 'no' },
  { key: 'all', label: 'Everything', state: 'all', suspected: 'no' },
] as const satisfies readonly ({ readonly key: string; readonly label: string } & QueueQuestion)[];
type HeapKey = (typeof HEAPS)[number]['key'];

/** Whether a key goes into a control, or is one of the browser. */
function isTyped({ target, ctrlKey, metaKey, altKey }: KeyboardEvent): boolean {
  const isControl =
    target instanceof Element &&
    target.closest('textarea, select, input:not([type=checkbox]), dialog, mat-dialog-container') !== null;
  return isControl || ctrlKey || metaKey || altKey;
}

/** What visitors have sent in: the queue on one side, what somebody decides about on the other. */
@Component({
  selector: 'pl-review-page',
  imports: [Explain, KindList, MatButtonModule, MatCheckboxModule, RouterLink, SubmissionPanel],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './review-page.html',
  styleUrl: './review-page.scss',
  host: { '(document:keydown)': 'key($event)' },
})
export class ReviewPage {
  private readonly api = inject(SubmissionsApi);
  private readonly kinds = inject(KindsStore);
  private readonly notices = inject(Notices);
  private readonly router = inject(Router);
  protected readonly count = inject(SubmissionCount);

  /** From the address: the submission that is looked at, and the heap. */
  readonly id = input<string>();
  readonly heap = input<string>();

  protected readonly heaps = HEAPS;
  protected readonly states = STATE_WORDS;
  protected readonly intents = INTENT_WORDS;
  protected readonly heapKey = computed((): HeapKey => HEAPS.find(({ key }) => key === this.heap())?.key ?? 'waiting');
  protected readonly shown = signal<readonly SubmissionSummary[] | null>(null);
  protected readonly total = signal(0);
  protected readonly failure = signal('');
  protected readonly chosen = signal<ReadonlySet<number>>(new Set());
  /** Whether anything on this heap can be decided. */
  protected readonly mayDecide = computed(() => this.heapKey() === 'waiting' || this.heapKey() === 'suspected');
  protected readonly openId = computed(() => Number(this.id() ?? 0));
  /** Goes up when what is open may have changed. */
  protected readonly revision = signal(0);

  constructor() {
    effect(() => {
      this.heapKey();
      untracked(() => {
        this.chosen.set(new Set());
        this.reload();
      });
    });
    inject(DeskEvents)
      .all.pipe(
        filter(({ submissions }) => submissions),
        takeUntilDestroyed(),
      )
      .subscribe(() => this.reload());
  }

  protected kindOf({ kindId }: SubmissionSummary): string {
    return this.kinds.byId(kindId)?.one ?? '';
  }

  protected ageOf({ createdAt }: SubmissionSummary): string {
    return ageInWords(createdAt, Date.now());
  }

  protected countOf(key: HeapKey): number | null {
    const { waiting, suspected } = this.count.counts();
    return key === 'waiting' ? waiting : key === 'suspected' ? suspected : null;
  }

  protected choose(id: number, isChosen: boolean): void {
    this.chosen.update((all) => new Set(isChosen ? [...all, id] : [...all].filter((one) => one !== id)));
  }

  protected chooseAll(isChosen: boolean): void {
    this.chosen.set(new Set(isChosen ? (this.shown() ?? []).map(({ id }) => id) : []));
  }

  /** Decides the same about all that are chosen. */
  protected together(act: DecidedTogether): void {
    const all = (this.shown() ?? []).filter(({ id }) => this.chosen().has(id));
    const count = all.length === 1 ? 'one submission' : `${all.length} submissions`;
    const said = { accept: `Accept ${count} as they were sent?`, refuse: `Refuse ${count}?`, trust: '' }[act];
    if (all.length === 0 || (said !== '' && !confirm(`${said} Their senders are told.`))) return;
    this.api.together(act, all, '').subscribe({
      next: ({ changeIds, refused }) => {
        const [first] = refused;
        const title = all.find(({ id }) => id === first?.id)?.title ?? '';
        if (first) this.notices.said(`${changeIds.length} of ${all.length} are done. ${title}: ${first.why}`);
        else this.notices.said(`${changeIds.length} of ${all.length} are done. The log takes each back.`);
        this.chosen.set(new Set());
        this.reload();
      },
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  /** What was decided leaves the queue; the next one is shown. */
  protected decided(): void {
    const all = this.shown() ?? [];
    const at = all.findIndex(({ id }) => id === this.openId());
    const next = all[at + 1] ?? all[at - 1];
    this.go(next && next.id !== this.openId() ? next.id : null);
    this.reload();
  }

  /** While nobody types, letters go through the queue, choose, and decide about what is chosen. */
  protected key(event: KeyboardEvent): void {
    if (isTyped(event)) return;
    const acts: Readonly<Record<string, () => void>> = {
      j: () => this.step(1),
      k: () => this.step(-1),
      x: () => this.chooseOpen(),
      a: () => this.together('accept'),
      r: () => this.together('refuse'),
    };
    const act = acts[event.key];
    if (!act) return;
    event.preventDefault();
    act();
  }

  private chooseOpen(): void {
    const id = this.openId();
    const isThere = this.shown()?.some((one) => one.id === id) ?? false;
    if (isThere && this.mayDecide()) this.choose(id, !this.chosen().has(id));
  }

  private step(by: number): void {
    const all = this.shown() ?? [];
    const at = all.findIndex(({ id }) => id === this.openId());
    const next = all[Math.min(all.length - 1, Math.max(0, at + by))];
    if (next) this.go(next.id);
  }

  private go(id: number | null): void {
    const heap = this.heapKey();
    void this.router.navigate(['/run/review', ...(id === null ? [] : [id])], {
      queryParams: heap === 'waiting' ? {} : { heap },
    });
  }

  protected reload(): void {
    const { state, suspected } = HEAPS.find(({ key }) => key === this.heapKey())!;
    this.count.reload();
    this.api.queue({ state, suspected }).subscribe({
      next: ({ submissions, total }) => {
        this.shown.set(submissions);
        this.total.set(total);
        this.failure.set('');
        this.revision.update((revision) => revision + 1);
      },
      error: (error: unknown) => this.failure.set(sentenceOf(error)),
    });
  }
}
