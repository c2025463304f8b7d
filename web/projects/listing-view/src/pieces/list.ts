import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import type { PieceModelOf } from '@plindo/core/page';
import { DateGroups } from '../controls/date-groups';
import { Icon } from '../icons/icon';
import { SleepingCard } from '../sleeping-card';
import { ListEmpty } from './list-empty';
import { ListTable } from './list-table';
import { PAGE_CARD_FORMS } from './page-context';
import { sayOnPage } from '../page-words';
import { VisitorsList } from '../visitor/visitors-list';

/** Listings as a grid, rows, a scrolling row or a ranked list of cards, or as a table that folds on narrow screens. */
@Component({
  selector: 'pl-list-piece',
  imports: [DateGroups, Icon, ListEmpty, ListTable, SleepingCard, VisitorsList],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let own = piece();
    @if (own.heading && (!own.visitors || own.visitors.chosen)) {
      <div class="head">
        <h2>
          @if (own.all; as all) {
            <a [href]="all.href">{{ own.heading }}</a>
          } @else {
            {{ own.heading }}
          }
        </h2>
        @if (own.all; as all) {
          <a class="all" [href]="all.href"
            >{{ say('list.all', { count: all.total }) }}<pl-icon name="arrow_forward"
          /></a>
        }
      </div>
    }
    @if (own.intro) {
      <p class="intro">{{ own.intro }}</p>
    }
    @if (own.state; as state) {
      @if (state.empty; as empty) {
        <pl-list-empty [empty]="empty" />
      }
      @if (state.note) {
        <p class="note">{{ state.note }}</p>
      }
      @if (!own.heading && !state.rest && !state.groups.length && own.cards.length) {
        <h2 class="hidden-text">{{ state.label }}</h2>
      }
      @if (state.groups.length) {
        <pl-date-groups [forms]="forms()" [groups]="state.groups" [width]="own.width" />
      }
      @if (state.featured.length) {
        <div class="featured">
          <h2>{{ say('list.featured') }}</h2>
          <ul [class]="own.layout" [style.--card-width]="own.width + 'rem'">
            @for (card of state.featured; track card.print; let first = $first) {
              <li [attr.data-listing]="card.id"><pl-card [sleeping]="card" [forms]="forms()" [eager]="first" /></li>
            }
          </ul>
        </div>
      }
      @if (state.rest && own.cards.length) {
        <h2 class="rest">{{ state.rest }}</h2>
      }
    }
    @if (own.visitors) {
      <pl-visitors-list [list]="own" />
    } @else if (own.layout === 'table') {
      @if (own.rows.length) {
        <pl-list-table [list]="own" />
      }
    } @else if (own.cards.length) {
      <ul
        [class]="own.layout"
        [style.--card-width]="own.width + 'rem'"
        [attr.tabindex]="own.layout === 'scrolling' ? 0 : null"
      >
        @for (card of own.cards; track card.print; let at = $index) {
          <li [attr.data-listing]="card.id">
            @if (own.layout === 'ranked') {
              <span class="place" aria-hidden="true">{{ (own.state?.before ?? 0) + at + 1 }}</span>
            }
            <pl-card
              [sleeping]="card"
              [forms]="forms()"
              [eager]="at === 0 && own.state !== null && !own.state.featured.length"
            />
          </li>
        }
      </ul>
    }
  `,
})
export class ListPiece {
  readonly piece = input.required<PieceModelOf<'list'>>();
  protected readonly say = sayOnPage();
  protected readonly forms = inject(PAGE_CARD_FORMS);
}
