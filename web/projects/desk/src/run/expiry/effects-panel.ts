import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { ExpiryEffects, Turn, TurnedListing } from '@plindo/core/listings';
import { SOON_IN_DAYS, TURNS, momentWords } from '@plindo/core/listings';
import { Reading } from '../../shared/reading';

/** What another rule or zone would do, in sentences with numbers, and the listings that they are about. */
@Component({
  selector: 'pl-effects-panel',
  imports: [RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (sentence of sentences(); track sentence) {
      <p>{{ sentence }}</p>
    }
    @for (group of groups(); track group.turn) {
      <details>
        <summary>{{ group.label }}</summary>
        <ul>
          @for (one of group.listings; track one.id) {
            <li>
              <a [routerLink]="['/fill', kindId(), one.id]">{{ one.title }}</a>
              <span class="quiet">{{ momentOf(one) }}</span>
            </li>
          }
        </ul>
      </details>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.5rem;
    }
    p {
      margin: 0;
    }
    summary {
      color: var(--pl-accent);
      cursor: pointer;
    }
    ul {
      display: grid;
      gap: 0.375rem;
      margin: 0.5rem 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: grid;
    }
    .quiet {
      font-size: 0.875rem;
    }
  `,
})
export class EffectsPanel {
  readonly effects = input.required<ExpiryEffects>();
  readonly kindId = input.required<number>();
  /** What many of the listings are called. */
  readonly many = input.required<string>();

  private readonly context = inject(Reading).context;

  protected readonly sentences = computed(() => {
    const { listings, following, undated, left, soon, turns } = this.effects();
    const many = this.many();
    const all = listings === 1 ? 'the only one' : `${listings}`;
    return [
      `${following} of ${all} ${following === 1 ? 'follows' : 'follow'} the rule.`,
      ...(undated > 0 ? [`${undated} of them have nothing to count from, so they stay.`] : []),
      ...(turns['leaves-now'] > 0 ? [`It takes ${turns['leaves-now']} of ${listings} ${many} off the site now.`] : []),
      ...(turns['comes-back'] > 0 ? [`${turns['comes-back']} come back to the site.`] : []),
      ...(left > turns['leaves-now'] ? [`${left - turns['leaves-now']} have left already.`] : []),
      `${soon} ${turns['leaves-now'] > 0 ? 'more leave' : 'leave'} within ${SOON_IN_DAYS} days.`,
      ...(turns['leaves-now'] + turns['comes-back'] === 0 ? ['What visitors see now stays as it is.'] : []),
    ];
  });

  protected readonly groups = computed(() =>
    TURNS.flatMap((turn) => {
      const listings = this.effects().examples.filter((one) => one.turn === turn);
      const total = this.effects().turns[turn];
      if (listings.length === 0) return [];
      const shown = listings.length < total ? `, the first ${listings.length} of ${total}` : ` (${total})`;
      return [{ turn, label: LABELS[turn] + shown, listings }];
    }),
  );

  protected momentOf({ before, after }: TurnedListing): string {
    const { formats } = this.context();
    const words = (moment: number | null): string => (moment === null ? 'never' : momentWords(moment, formats));
    return before === null ? words(after) : `was ${words(before)}; then ${words(after)}`;
  }
}

const LABELS: Readonly<Record<Turn, string>> = {
  'leaves-now': 'See those that leave now',
  'comes-back': 'See those that come back',
  'leaves-soon': 'See those that leave soon',
  moves: 'See the others whose moment changes',
};
