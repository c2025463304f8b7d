import { ChangeDetectionStrategy, Component, computed, forwardRef, inject, input } from '@angular/core';
import type { SentPage } from '@plindo/core/page';
import { MAKE_WORDS, PAGE_WORDS } from '../page-words';
import { SleepingForm } from './sleeping-form';
import { SummaryView } from './summary';

/** What a visitor has sent in, what became of it, and what they can still do about it. */
@Component({
  selector: 'pl-sent-page',
  imports: [SleepingForm, SummaryView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let sent = model().sent;
    <div class="sent">
      <h1>{{ model().title.split(' – ')[0] }}</h1>
      <p class="state">{{ sent.sentence }}</p>
      @if (sent.thanks) {
        <p>{{ sent.thanks }}</p>
      }
      @if (sent.reason) {
        <section class="reason">
          <h2>{{ say('sent.reason') }}</h2>
          <p>{{ sent.reason }}</p>
        </section>
      }
      @if (sent.href) {
        <p>
          <a [href]="sent.href">{{ say('sent.see') }}</a>
        </p>
      }
      @if (sent.message) {
        <section>
          <h2>{{ say('sent.what') }}</h2>
          <blockquote>{{ sent.message }}</blockquote>
        </section>
        @if (sent.canBeWithdrawn) {
          <details>
            <summary>{{ say('sent.correct') }}</summary>
            <form
              class="asks"
              method="post"
              enctype="multipart/form-data"
              [action]="'/sent/' + sent.secret + '/message'"
            >
              <label class="asked">
                {{ say('sent.message') }}
                <textarea name="message" rows="4" maxlength="4000" required>{{ sent.message }}</textarea>
              </label>
              <p class="acts">
                <button type="submit" class="main">{{ say('form.send') }}</button>
              </p>
            </form>
          </details>
        }
      } @else if (!model().form?.attempt) {
        <section>
          <h2>{{ say('sent.what') }}</h2>
          <pl-summary [lines]="sent.summary" />
        </section>
      }
      @if (model().form; as form) {
        <details [open]="form.attempt !== null">
          <summary>{{ say('sent.correct') }}</summary>
          <pl-sleeping-form id="form" [piece]="form" />
        </details>
      }
      @if (sent.canBeWithdrawn) {
        <form class="asks" method="post" enctype="multipart/form-data" [action]="'/sent/' + sent.secret + '/withdraw'">
          <p class="acts">
            <button type="submit">{{ say('sent.withdraw') }}</button>
          </p>
        </form>
      }
      <p class="hint">{{ say('sent.keep-link') }}</p>
    </div>
  `,
  providers: [{ provide: PAGE_WORDS, useFactory: () => inject(forwardRef(() => SentPageView)).words }],
})
export class SentPageView {
  readonly model = input.required<SentPage>();
  private readonly wordsOf = inject(MAKE_WORDS);
  readonly words = computed(() => this.wordsOf(this.model().words));
  protected readonly say = (key: Parameters<ReturnType<typeof this.words>['say']>[0]): string => this.words().say(key);
}
