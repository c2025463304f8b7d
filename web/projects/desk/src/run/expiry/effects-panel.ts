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
    const [leaving, back] = [turns['leaves-now'], turns['comes-back']];
    const gone = left - leaving;
    const all = listings === 1 ? 'the only one' : `${listings}`;
    return [
      `${following} of ${all} ${verb(following, 'follows', 'follow')} the rule.`,
      ...(undated > 0
        ? [`${undated} of them ${verb(undated, 'stays, as it has', 'stay, as they have')} no date.`]
        : []),
      ...(leaving > 0 ? [`It takes ${leaving} of ${listings} ${this.many()} off the site now.`] : []),
      ...(back > 0 ? [`${back} ${verb(back, 'comes', 'come')} back to the site.`] : []),
      ...(gone > 0 ? [`${gone} ${verb(gone, 'has', 'have')} left already.`] : []),
      `${soon}${leaving > 0 ? ' more' : ''} ${verb(soon, 'leaves', 'leave')} within ${SOON_IN_DAYS} days.`,
      ...(leaving + back === 0 ? ['What visitors see now stays as it is.'] : []),
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

function verb(count: number, one: string, many: string): string {
  return count === 1 ? one : many;
}
