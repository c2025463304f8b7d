import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import { SubmissionsApi, sentenceOf } from '@plindo/api';
import type { OwnSubmission } from '@plindo/core/contract';
import { Reading } from '../shared/reading';
import { INTENT_WORDS, STATE_WORDS } from '../run/review/review-words';

/** What somebody has sent in with a form: what became of it, and the way to see, correct or withdraw it. */
@Component({
  selector: 'pl-own-submissions-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (failure()) {
      <p class="issues" role="alert">{{ failure() }}</p>
    }
    @if (all(); as all) {
      @if (all.length || isShownEmpty()) {
        <section class="panel">
          <h2>What you have sent in</h2>
          <ul>
            @for (one of all; track one.id) {
              <li>
                @if (one.path) {
                  <a [href]="one.path">{{ one.title }}</a>
                } @else {
                  {{ one.title }}
                }
                <span class="quiet">
                  {{ intents[one.intent] }}, {{ momentOf(one) }}. {{ states[one.state] }}.
                  @if (one.isOwned) {
                    It is yours: you can correct it.
                  }
                </span>
              </li>
            } @empty {
              <li class="quiet">
                Nothing yet. What you send in with a form of the site stands here, also what you sent before you had
                this access.
              </li>
            }
          </ul>
        </section>
      }
    }
  `,
  styles: `
    ul {
      display: grid;
      gap: 0.5rem;
      margin: 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: grid;
    }
  `,
})
export class OwnSubmissionsPanel {
  private readonly api = inject(SubmissionsApi);
  private readonly reading = inject(Reading);

  /** Whether it says that there is nothing; else it isn't there then. */
  readonly isShownEmpty = input(false);

  protected readonly intents = INTENT_WORDS;
  protected readonly states = STATE_WORDS;
  protected readonly all = signal<readonly OwnSubmission[] | null>(null);
  protected readonly failure = signal('');

  constructor() {
    this.api.own().subscribe({
      next: (all) => this.all.set(all),
      error: (error: unknown) => this.failure.set(sentenceOf(error)),
    });
  }

  protected momentOf({ createdAt }: OwnSubmission): string {
    return this.reading.moment(createdAt);
  }
}
