import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import type { FoundConventions, GivenConventions } from '@plindo/core/exchange';
import { Reading } from '../shared/reading';
import type { Manner } from './manners';
import { MANNERS, mannerOf, placeOf } from './manners';

/** How the file is written, in a sentence, with one choice that reads all of it in another way. */
@Component({
  selector: 'pl-conventions-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p>
      {{ before() }} <strong>{{ manner().sample }}</strong>{{ after() }}
    </p>
    <label class="choice">
      <span>Read it as</span>
      <select class="plain-select" (change)="choose($any($event.target).value)">
        @for (one of manners; track one.key) {
          <option [value]="one.key" [selected]="one.key === manner().key">
            {{ one.sample }}, as in {{ one.places }}
          </option>
        }
      </select>
    </label>
    @if (words().length) {
      <fieldset>
        <legend>Where there are numbers and dates, these words mean that there is nothing:</legend>
        @for (one of words(); track one.word) {
          <label>
            <input
              type="checkbox"
              [checked]="isEmpty(one.word)"
              (change)="setWord(one.word, $any($event.target).checked)"
            />
            “{{ one.word }}” <span class="quiet">({{ number(one.times) }})</span>
          </label>
        }
      </fieldset>
    }
  `,
  styles: `
    p {
      margin: 0;
    }
    .choice,
    fieldset {
      display: flex;
      flex-wrap: wrap;
      gap: 0.5rem 1rem;
      align-items: center;
      margin: 0.75rem 0 0;
      padding: 0;
      border: 0;
    }
    select {
      max-inline-size: 100%;
    }
    legend {
      float: inline-start;
      margin-inline-end: 0.5rem;
    }
  `,
})
export class ConventionsPanel {
  readonly conventions = input.required<FoundConventions>();
  /** How many columns the file has. */
  readonly columns = input.required<number>();
  readonly given = input.required<GivenConventions>();
  readonly givenChange = output<GivenConventions>();

  private readonly reading = inject(Reading);
  protected readonly manners = MANNERS;
  protected readonly manner = computed(() => mannerOf(this.conventions()));
  private readonly place = computed(() => placeOf(this.conventions()));
  /** Whether somebody, or the file itself, has said how it is written. */
  private readonly isFound = computed(() => {
    const { numbers, dates } = this.conventions();
    return (numbers.isDecided || dates.isDecided) && this.given().decimal === undefined;
  });
  private readonly isTold = computed(() => this.isFound() || this.given().decimal !== undefined);
  protected readonly words = computed(() => this.conventions().foundWords);

  protected readonly before = computed(() => {
    const { numbers, dates } = this.conventions();
    if (this.isTold()) return `Written the way it is done in ${this.place()}:`;
    return numbers.of + dates.of === 0
      ? 'Every number and every date in this file can be read in one way only. Others would be read as'
      : 'The file does not show how it writes numbers and dates, so Plindo reads them as';
  });
  protected readonly after = computed(() => {
    const [speaking, all] = [this.conventions().columns, this.columns()].map((count) => this.number(count));
    return this.isFound() ? `; found from ${speaking} of ${all} columns.` : '.';
  });

  protected number(count: number): string {
    return this.reading.context().formats.number(count);
  }

  protected choose(key: Manner['key']): void {
    const { decimal, dateOrder } = MANNERS.find((one) => one.key === key)!;
    this.givenChange.emit({ ...this.given(), decimal, dateOrder });
  }

  protected isEmpty(word: string): boolean {
    return this.conventions().emptyWords.includes(word);
  }

  protected setWord(word: string, isEmpty: boolean): void {
    const others = this.conventions().emptyWords.filter((one) => one !== word);
    this.givenChange.emit({ ...this.given(), emptyWords: isEmpty ? [...others, word] : others });
  }
}
