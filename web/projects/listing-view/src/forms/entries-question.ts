import { NgTemplateOutlet } from '@angular/common';
import type { TemplateRef } from '@angular/core';
import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  Injector,
  afterNextRender,
  computed,
  inject,
  input,
  linkedSignal,
  output,
} from '@angular/core';
import type { Answer, QuestionModel } from '@plindo/core/page';
import { sayOnPage } from '../page-words';

/** So many empty rows stand below those that are answered, also for people without scripts; empty rows are left out. */
const BLANK_ROWS = 2;

/** One set of answers; a group has one, rows any number. */
interface AnsweredRow {
  readonly id: number;
  readonly answers: Readonly<Record<string, Answer>>;
}

/** The questions inside a group, or inside each of several rows, which can be added and removed where scripts run. */
@Component({
  selector: 'pl-entries-question',
  imports: [NgTemplateOutlet],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (row of shown(); track row.id; let at = $index) {
      @if (isMany()) {
        <fieldset class="entry">
          <legend>{{ nameOf(at) }}</legend>
          <ng-container [ngTemplateOutlet]="inside" [ngTemplateOutletContext]="{ $implicit: row.questions }" />
          @if (interactive()) {
            <button type="button" class="slight" (click)="remove(row.id)">
              {{ say('form.remove', { what: nameOf(at) }) }}
            </button>
          }
        </fieldset>
      } @else {
        <ng-container [ngTemplateOutlet]="inside" [ngTemplateOutletContext]="{ $implicit: row.questions }" />
      }
    }
    @if (isMany() && interactive()) {
      <button type="button" class="add" [disabled]="isFull()" (click)="add()">{{ say('form.add-row') }}</button>
    }
    <ng-template #inside let-own>
      <div class="inside">
        @for (one of own; track $index) {
          <ng-container [ngTemplateOutlet]="part()" [ngTemplateOutletContext]="{ $implicit: one }" />
        }
      </div>
    </ng-template>
  `,
})
export class EntriesQuestion {
  readonly question = input.required<QuestionModel>();
  readonly questions = input.required<readonly QuestionModel[]>();
  /** The most rows; null for a group. */
  readonly most = input.required<number | null>();
  /** Draws a question inside. */
  readonly part = input.required<TemplateRef<{ readonly $implicit: QuestionModel }>>();
  /** How many rows what was typed before needs. */
  readonly least = input(0);
  readonly interactive = input(false);
  readonly touched = output();

  protected readonly say = sayOnPage();
  protected readonly isMany = computed(() => this.most() !== null);
  protected readonly isFull = computed(() => this.rows().length >= (this.most() ?? 1));
  private readonly rows = linkedSignal((): readonly AnsweredRow[] => {
    const { entries } = this.question().answer;
    const wanted = Math.max(entries.length + BLANK_ROWS, this.least());
    const length = Math.min(this.most() ?? 1, wanted);
    return Array.from({ length }, (_, id) => ({ id, answers: entries[id] ?? {} }));
  });
  /** The rows with their questions, each named by its place in the form. */
  protected readonly shown = computed(() => {
    const [{ field }, questions] = [this.question(), this.questions()];
    return this.rows().map(({ id, answers }, at) => {
      const begins = this.isMany() ? `${field}.${at}` : field;
      const own = questions.map((one) => ({
        ...one,
        field: `${begins}.${one.field}`,
        answer: answers[one.field] ?? one.answer,
      }));
      return { id, questions: own };
    });
  });

  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  private readonly injector = inject(Injector);

  protected nameOf(at: number): string {
    return this.say('form.row', { number: at + 1 });
  }

  protected add(): void {
    const next = Math.max(-1, ...this.rows().map(({ id }) => id)) + 1;
    this.rows.update((all) => [...all, { id: next, answers: {} }]);
    this.afterDrawing(() => this.controlsOfLast()?.focus());
  }

  protected remove(id: number): void {
    this.rows.update((all) => all.filter((row) => row.id !== id));
    this.afterDrawing(() => this.touched.emit());
  }

  private controlsOfLast(): HTMLElement | null | undefined {
    return [...this.host.querySelectorAll('.entry')].at(-1)?.querySelector<HTMLElement>('input, select, textarea');
  }

  private afterDrawing(act: () => void): void {
    afterNextRender(act, { injector: this.injector });
  }
}
