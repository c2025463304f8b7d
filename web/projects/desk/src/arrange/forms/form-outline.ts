import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { Icon } from '@plindo/listing-view';
import type { ChosenPart, FormWork } from './form-work';

/** Steps and questions of a form as a tree. Alt and an arrow move what has the focus, Delete removes it. */
@Component({
  selector: 'pl-form-outline',
  imports: [Icon, MatButtonModule, NgTemplateOutlet],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let own = work();
    <button type="button" class="row whole" [class.here]="own.chosen() === null" (click)="own.chosen.set(null)">
      The form as a whole
    </button>
    <ol>
      @for (step of own.form().steps; track step.key; let at = $index) {
        <li>
          <span class="line" [class.here]="isChosen({ step: at, question: null })">
            <button
              type="button"
              class="row"
              (click)="own.chosen.set({ step: at, question: null })"
              (keydown)="key($event, { step: at, question: null })"
            >
              <strong>{{ step.title || 'Step ' + (at + 1) }}</strong>
            </button>
            @if (isChosen({ step: at, question: null })) {
              <ng-container
                *ngTemplateOutlet="acts; context: { part: { step: at, question: null }, what: 'the step' }"
              />
            }
          </span>
          <ol>
            @for (question of step.questions; track question.key; let below = $index) {
              <li class="line" [class.here]="isChosen({ step: at, question: below })">
                <button
                  type="button"
                  class="row"
                  (click)="own.chosen.set({ step: at, question: below })"
                  (keydown)="key($event, { step: at, question: below })"
                >
                  {{ own.nameOf(question) }}
                  @if (question.isRequired) {
                    <span class="quiet">required</span>
                  }
                  @if (question.showWhen) {
                    <span class="quiet">sometimes</span>
                  }
                </button>
                @if (isChosen({ step: at, question: below })) {
                  <ng-container
                    *ngTemplateOutlet="acts; context: { part: { step: at, question: below }, what: 'the question' }"
                  />
                }
              </li>
            }
          </ol>
        </li>
      }
    </ol>
    <ng-template #acts let-part="part" let-what="what">
      <button type="button" class="act" [attr.aria-label]="'Move ' + what + ' up'" (click)="own.move(part, -1)">
        <pl-icon name="arrow_upward" />
      </button>
      <button type="button" class="act" [attr.aria-label]="'Move ' + what + ' down'" (click)="own.move(part, 1)">
        <pl-icon name="arrow_downward" />
      </button>
      <button type="button" class="act" [attr.aria-label]="'Remove ' + what" (click)="own.remove(part)">
        <pl-icon name="delete" />
      </button>
    </ng-template>
  `,
  styles: `
    ol {
      margin: 0;
      padding: 0;
      list-style: none;
    }
    ol ol {
      padding-inline-start: 1rem;
    }
    .line {
      display: flex;
      align-items: center;
      border-radius: var(--pl-corner);
    }
    .here {
      background: var(--pl-wash);
    }
    .row {
      flex: 1;
      min-inline-size: 0;
      padding: 0.4rem 0.5rem;
      border: 0;
      border-radius: var(--pl-corner);
      background: none;
      color: var(--pl-ink);
      font: inherit;
      text-align: start;
      cursor: pointer;
    }
    .whole {
      inline-size: 100%;
    }
    .whole.here {
      background: var(--pl-wash);
    }
    .act {
      display: inline-flex;
      padding: 0.3rem;
      border: 0;
      background: none;
      color: var(--pl-quiet);
      cursor: pointer;
    }
    .quiet {
      color: var(--pl-quiet);
      font-size: 0.8125rem;
    }
  `,
})
export class FormOutline {
  readonly work = input.required<FormWork>();

  protected isChosen({ step, question }: ChosenPart): boolean {
    const chosen = this.work().chosen();
    return chosen?.step === step && chosen.question === question;
  }

  protected key(event: KeyboardEvent, part: ChosenPart): void {
    const by = event.altKey
      ? ({ ArrowUp: -1, ArrowDown: 1 } as const)[event.key as 'ArrowUp' | 'ArrowDown']
      : undefined;
    if (by !== undefined) this.work().move(part, by);
    else if (event.key === 'Delete') this.work().remove(part);
    else return;
    event.preventDefault();
  }
}
