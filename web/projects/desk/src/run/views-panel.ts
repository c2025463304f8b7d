import { CdkCopyToClipboard } from '@angular/cdk/clipboard';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { LearnApi, SessionApi, SessionStore, sentenceOf } from '@plindo/api';
import { Explain } from '../guide/explain';
import { Notices } from '../shared/notices';
import { Reading } from '../shared/reading';

/** Whether views are counted, what the site says of that to visitors, and forgetting all of them. */
@Component({
  selector: 'pl-views-panel',
  imports: [CdkCopyToClipboard, Explain, MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (store.isOwner()) {
      <section class="panel">
        <h2>What Plindo counts <pl-explain page="see-what-is-looked-at" about="views of listings" /></h2>
        <p class="quiet">
          How often visitors look at the pages of listings, what they search and choose, and where they come from: the
          stage Learn tells of it, and views are also a column, an order and a condition. Robots and people who have
          signed in don’t count, and nobody counts twice in half an hour.
        </p>
        <label class="count">
          <input type="checkbox" [checked]="isCounting()" (change)="count($any($event.target).checked)" />
          <span>Count what visitors look at, search and choose</span>
        </label>
        <p>For the page on which your site says what it keeps of visitors:</p>
        <blockquote>{{ sentence() }}</blockquote>
        @if (refused()) {
          <p class="problem" role="alert">{{ refused() }}</p>
        }
        <div class="button-row">
          <button
            matButton="outlined"
            type="button"
            [cdkCopyToClipboard]="sentence()"
            (cdkCopyToClipboardCopied)="copied()"
          >
            Copy the sentence
          </button>
          <button matButton type="button" (click)="erase()">Forget all of it …</button>
        </div>
      </section>
    }
  `,
  styles: `
    blockquote {
      max-inline-size: 46rem;
      margin: 0.5rem 0 1rem;
      padding-inline-start: 1rem;
      border-inline-start: 3px solid var(--pl-line);
    }
    .count {
      display: flex;
      gap: 0.5rem;
      align-items: center;
      margin-block: 0.75rem;
    }
  `,
})
export class ViewsPanel {
  protected readonly store = inject(SessionStore);
  private readonly learn = inject(LearnApi);
  private readonly api = inject(SessionApi);
  private readonly notices = inject(Notices);
  private readonly reading = inject(Reading);

  protected readonly refused = signal('');
  private readonly site = computed(() => this.store.session()?.site);
  protected readonly isCounting = computed(() => this.site()?.countsViews !== false);
  protected readonly sentence = computed(() => {
    const { words } = this.reading.context().formats;
    return words.say(this.isCounting() ? 'views.privacy' : 'views.privacy-off', { site: this.site()?.name ?? '' });
  });

  protected count(countsViews: boolean): void {
    this.api.saveSite({ countsViews }).subscribe({
      next: ({ changeId }) => {
        this.refused.set('');
        this.api.load().subscribe();
        const sentence = countsViews ? 'Plindo counts what visitors do' : 'Plindo counts nothing of visitors any more';
        this.notices.changed(sentence, changeId, () => this.api.load().subscribe());
      },
      error: (error: unknown) => this.refused.set(sentenceOf(error)),
    });
  }

  protected copied(): void {
    this.notices.said('The sentence is copied.');
  }

  protected erase(): void {
    if (!confirm('Forget all that was counted? It is gone for good, also from orders, conditions and cards.')) return;
    this.learn.eraseAll().subscribe({
      next: () => this.notices.said('All that was counted is forgotten.'),
      error: (error: unknown) => this.refused.set(sentenceOf(error)),
    });
  }
}
