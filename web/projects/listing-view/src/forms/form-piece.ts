import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  Injector,
  afterNextRender,
  computed,
  effect,
  inject,
  input,
  linkedSignal,
  signal,
  viewChild,
} from '@angular/core';
import type { AttemptModel, FormFault, FormModel, PieceModelOf } from '@plindo/core/page';
import { isAbout } from '@plindo/core/values';
import { whenIdle } from '../browser';
import { sayOnPage } from '../page-words';
import { FormRefusal, checkForm, lookOver, sendForm } from './form-calls';
import type { KeptAnswers } from './form-memory';
import { FormMemory, fillForm } from './form-memory';
import { proofOf } from './proof';
import { QuestionView } from './question';
import { SummaryView } from './summary';

const CHECK_PAUSE_IN_MS = 400;

/**
 * A form with which visitors send in a listing. Without scripts it is one plain form: its answers are looked over on the next
 * page, and sent from there. With scripts its steps come one after the other, answers are checked on the way, and what is typed
 * is kept in the browser.
 */
@Component({
  selector: 'pl-form-piece',
  imports: [QuestionView, SummaryView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './form-piece.html',
})
export class FormPiece {
  readonly piece = input.required<PieceModelOf<'form'> | FormModel>();
  /** Whether it is only looked at, as in its designer: all of it is seen, and nothing can be sent. */
  readonly isShownOnly = input(false);

  protected readonly say = sayOnPage();
  protected readonly interactive = signal(false);
  /** Position of the step that is shown. */
  protected readonly step = signal(0);
  protected readonly attempt = linkedSignal((): AttemptModel | null => this.piece().attempt);
  protected readonly faults = linkedSignal((): readonly FormFault[] => this.piece().attempt?.faults ?? []);
  protected readonly hidden = linkedSignal((): ReadonlySet<string> => {
    const questions = this.piece().steps.flatMap((step) => step.questions);
    return new Set(questions.filter(({ isHidden }) => isHidden).map(({ field }) => field));
  });
  protected readonly isBusy = signal(false);
  protected readonly isProving = signal(false);
  /** What was typed before and not sent, which stands in the form again. */
  protected readonly draft = signal<KeptAnswers | null>(null);
  protected readonly failure = signal('');
  protected readonly isChanging = signal(false);

  /** Steps of which something is asked; the last one is about the sender, and consents. */
  protected readonly lastStep = computed(() => this.piece().steps.length - 1 + (this.hasLast() ? 1 : 0));
  protected readonly hasLast = computed(() => this.piece().asksSender || this.piece().consents.length > 0);
  protected readonly summary = computed(() => (this.isChanging() ? null : (this.attempt()?.summary ?? null)));

  private readonly form = viewChild<ElementRef<HTMLFormElement>>('form');
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  private readonly injector = inject(Injector);
  private checking: ReturnType<typeof setTimeout> | undefined;
  private proof: Promise<string> | null = null;

  constructor() {
    afterNextRender(() => whenIdle(() => this.begin()));
    effect(() => {
      const token = this.summary() ? this.attempt()?.token : undefined;
      if (token && this.interactive()) this.proof ??= proofOf(token);
    });
  }

  protected isShown(step: number): boolean {
    return !this.interactive() || this.step() === step;
  }

  protected faultOf(field: string): string {
    return this.faults().find((one) => one.field === field)?.message ?? '';
  }

  /** What was touched may make other questions come or go; what is typed is kept. */
  protected touch(): void {
    const form = this.form()?.nativeElement;
    if (!this.interactive() || !form) return;
    if (this.piece().secret === '') this.memory().keep(form);
    if (!this.piece().steps.some(({ questions }) => questions.some(({ isAskedAbout }) => isAskedAbout))) return;
    clearTimeout(this.checking);
    this.checking = setTimeout(() => void this.check(), CHECK_PAUSE_IN_MS);
  }

  /** Goes on to the next step when nothing is wrong with this one. */
  protected async next(): Promise<void> {
    const faults = await this.check();
    if (faults === null) return;
    const own = this.fieldsOf(this.step());
    const wrong = faults.filter(({ field }) => own.some((key) => isAbout(field, key)));
    this.faults.set(wrong);
    if (wrong.length > 0) return this.focus('.faults');
    this.show(this.step() + 1);
  }

  protected show(step: number): void {
    this.step.set(step);
    this.focus(`[data-step="${step}"] legend`);
  }

  protected async lookOver(event: Event): Promise<void> {
    const form = this.form()?.nativeElement;
    if (this.isShownOnly()) event.preventDefault();
    if (!this.interactive() || !form) return;
    event.preventDefault();
    await this.busy(async () => {
      const { token, faults, summary, sum } = await lookOver(this.piece().action, new FormData(form));
      this.proof = null;
      this.attempt.set({ token, faults, summary, sum });
      this.faults.set(faults);
      this.isChanging.set(false);
      if (faults.length > 0) this.showFault(faults[0]!);
      else this.focus('.summary-head');
    });
  }

  protected async send(event: Event): Promise<void> {
    const token = this.attempt()?.token;
    if (!this.interactive() || !token) return;
    const solution = await this.proved(token, event);
    if (solution === '') return;
    await this.busy(async () => {
      const sent = await sendForm(this.piece().action, token, solution);
      if ('href' in sent) {
        this.memory().forget();
        location.assign(sent.href);
        return;
      }
      this.faults.set(sent.faults);
      this.isChanging.set(true);
    });
  }

  /** The solved puzzle; '' where the browser can't solve it, and the plain form with its sum is sent instead. */
  private async proved(token: string, event: Event): Promise<string> {
    event.preventDefault();
    this.isProving.set(true);
    const solution = await (this.proof ??= proofOf(token));
    this.isProving.set(false);
    if (solution === '') this.interactive.set(false);
    return solution;
  }

  protected change(event: Event): void {
    if (!this.interactive()) return;
    event.preventDefault();
    this.isChanging.set(true);
    this.show(0);
  }

  protected anew(): void {
    this.memory().forget();
    location.reload();
  }

  private begin(): void {
    if (this.isShownOnly()) return;
    this.interactive.set(true);
    const { attempt, secret } = this.piece();
    const kept = attempt || secret !== '' ? null : this.memory().read();
    const form = this.form()?.nativeElement;
    if (attempt && attempt.faults.length > 0) this.showFault(attempt.faults[0]!);
    if (!kept || !form) return;
    this.draft.set(kept);
    // Rows that it needs have to be there first.
    const fill = (): void => {
      fillForm(form, kept);
      this.touch();
    };
    afterNextRender(fill, { injector: this.injector });
  }

  /** What is wrong so far; null when the server could not be asked. */
  private async check(): Promise<readonly FormFault[] | null> {
    const form = this.form()?.nativeElement;
    if (!form) return null;
    try {
      const { faults, hidden } = await checkForm(this.piece().action, new FormData(form));
      this.hidden.set(new Set(hidden));
      this.failure.set('');
      return faults;
    } catch (error) {
      this.fail(error);
      return null;
    }
  }

  private async busy(work: () => Promise<void>): Promise<void> {
    if (this.isBusy()) return;
    this.isBusy.set(true);
    this.failure.set('');
    try {
      await work();
    } catch (error) {
      this.fail(error);
    } finally {
      this.isBusy.set(false);
    }
  }

  private fail(error: unknown): void {
    const why = error instanceof FormRefusal ? error.message : '';
    this.failure.set(why || this.say('form.failed'));
  }

  private showFault({ field }: FormFault): void {
    const { steps } = this.piece();
    const at = steps.findIndex((_, step) => this.fieldsOf(step).some((key) => isAbout(field, key)));
    this.step.set(at === -1 ? this.lastStep() : at);
    this.focus('.faults');
  }

  private fieldsOf(step: number): string[] {
    const own = this.piece().steps[step];
    return own ? own.questions.map(({ field }) => field) : ['sender', 'consent'];
  }

  private focus(selector: string): void {
    afterNextRender(() => this.host.querySelector<HTMLElement>(selector)?.focus(), { injector: this.injector });
  }

  private memory(): FormMemory {
    return new FormMemory(this.piece().id);
  }
}
