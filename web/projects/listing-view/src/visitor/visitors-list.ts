import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import type { CardForms, ChosenCards, PieceModelOf } from '@plindo/core/page';
import { COMPARED_PART, SHORTLIST_PART, shortlistAddress } from '@plindo/core/page';
import { PAGE_CARD_FORMS, PAGE_LISTING } from '../pieces/page-context';
import { SleepingCard } from '../sleeping-card';
import { sayOnPage } from '../page-words';
import { CARDS_BY_NUMBER, VisitorLists } from './visitor-lists';

const NO_CARDS: ChosenCards = { cards: [], forms: {} };
const LEAST_COMPARED = 2;

/**
 * What a browser keeps for its visitor, as cards: those of the address, with ticks to compare them, else those that the
 * browser asks for by itself. Nothing of it is there where the visitor keeps nothing, but a sentence on the page of the
 * shortlist.
 */
@Component({
  selector: 'pl-visitors-list',
  imports: [SleepingCard],
  // The page of the shortlist knows nothing of it before it has asked the browser.
  host: { '[attr.data-needs-program-at-once]': "chosen() ? '' : null" },
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let own = list();
    @if (chosen(); as chosen) {
      @if (!own.cards.length) {
        <p>{{ say(chosen.shortlist.length || wasAsked() ? 'shortlist.gone' : 'shortlist.empty') }}</p>
        <p class="needs-scripts">{{ say('shortlist.scripts') }}</p>
      }
      @if (isOfOthers()) {
        <p class="of-others">
          {{ say('shortlist.of-others') }}
          <button type="button" class="button plain" (click)="lists.keep(chosen.shortlist)">
            {{ say('shortlist.keep-all') }}
          </button>
        </p>
      }
      @if (own.cards.length >= least) {
        <form id="compare" class="compare" method="get" [action]="address">
          <input type="hidden" [name]="parts.shortlist" [value]="chosen.shortlist.join(',')" />
          <p class="note">{{ say('shortlist.how') }}</p>
          <button class="button" type="submit">{{ say('shortlist.compare') }}</button>
        </form>
      }
    } @else if (shown().cards.length && own.heading) {
      <div class="head">
        <h2>{{ own.heading }}</h2>
      </div>
    }
    @if (shown().cards.length) {
      <ul
        [class]="own.layout"
        [style.--card-width]="own.width + 'rem'"
        [attr.tabindex]="own.layout === 'scrolling' ? 0 : null"
      >
        @for (card of shown().cards; track card.print) {
          <li [attr.data-listing]="card.id">
            <pl-card [sleeping]="card" [forms]="shown().forms" />
            @if (chosen() && own.cards.length >= least) {
              <label class="tick">
                <input
                  type="checkbox"
                  [name]="parts.compared"
                  form="compare"
                  [value]="card.id"
                  [checked]="chosen()!.compared.includes(card.id)"
                />
                {{ say('shortlist.tick') }}<span class="hidden-text">: {{ card.title }}</span>
              </label>
            }
          </li>
        }
      </ul>
    }
  `,
})
export class VisitorsList {
  readonly list = input.required<PieceModelOf<'list'>>();
  protected readonly say = sayOnPage();

  protected readonly least = LEAST_COMPARED;
  /** Of the page of the shortlist: its address, and what the parts of that are called. */
  protected readonly address = shortlistAddress({ shortlist: [], compared: [] });
  protected readonly parts = { shortlist: SHORTLIST_PART, compared: COMPARED_PART };
  protected readonly lists = inject(VisitorLists);
  private readonly cardsByNumber = inject(CARDS_BY_NUMBER);
  private readonly pageForms = inject(PAGE_CARD_FORMS);
  private readonly listing = inject(PAGE_LISTING);
  private readonly asked = signal(NO_CARDS);

  protected readonly chosen = computed(() => this.list().visitors!.chosen);
  protected readonly shown = computed((): { cards: ChosenCards['cards']; forms: CardForms } =>
    this.chosen() ? { cards: this.list().cards, forms: this.pageForms() } : this.asked(),
  );
  /** Whether the address names listings that this browser does not keep. */
  protected readonly isOfOthers = computed(() => {
    const kept = this.lists.shortlist();
    return this.lists.isKnown() && (this.chosen()?.shortlist ?? []).some((id) => !kept.includes(id));
  });
  /** Whether the address names listings, even if none of them is there any more. */
  protected readonly wasAsked = computed(() => this.lists.isKnown() && this.lists.shortlist().length > 0);

  constructor() {
    effect((onCleanup) => {
      const ids = this.wanted();
      let isLate = false;
      onCleanup(() => (isLate = true));
      if (ids.length === 0) return this.asked.set(NO_CARDS);
      this.cardsByNumber(ids).then(
        (found) => isLate || this.asked.set(found),
        // A list that cannot be shown is no reason to disturb.
        () => isLate || this.asked.set(NO_CARDS),
      );
    });
  }

  /** What the browser has to ask for: of what was seen, not the listing that is being looked at. */
  private wanted(): readonly number[] {
    const { of, most, chosen } = this.list().visitors!;
    if (chosen) return [];
    const kept = of === 'shortlist' ? this.lists.shortlist() : this.lists.recent();
    return kept.filter((id) => id !== this.listing()).slice(0, most);
  }
}
