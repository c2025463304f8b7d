import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { ListingPage } from '@plindo/core/page';
import { Icon } from './icons/icon';
import { PictureView } from './picture';

/** The page of one listing. */
@Component({
  selector: 'pl-listing-page',
  imports: [Icon, PictureView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <nav aria-label="Where you are">
      <a [href]="model().kind.href"><pl-icon name="arrow_back" />All {{ model().kind.many.toLowerCase() }}</a>
    </nav>
    <article>
      <header>
        @if (card().featured) {
          <p class="flag"><pl-icon name="star_fill" />Featured</p>
        }
        <h1>{{ card().title }}</h1>
        @if (card().summary) {
          <p class="summary">{{ card().summary }}</p>
        }
      </header>
      @if (card().picture; as picture) {
        <pl-picture class="lead" [picture]="picture" [eager]="true" sizes="(max-width: 52rem) 92vw, 40rem" />
      }
      @if (facts().length) {
        <dl>
          @for (slot of facts(); track slot.key) {
            <div>
              <dt><pl-icon [name]="slot.icon" />{{ slot.label }}</dt>
              <dd>
                @if (slot.shape === 'link') {
                  <a [href]="slot.href" rel="nofollow ugc">{{ slot.text }}</a>
                } @else if (slot.shape === 'picture' && slot.picture) {
                  <pl-picture class="small" [picture]="slot.picture" />
                } @else {
                  {{ slot.text }}
                }
              </dd>
            </div>
          }
        </dl>
      }
      @for (slot of texts(); track slot.key) {
        <section>
          <h2>{{ slot.label }}</h2>
          <p class="long">{{ slot.text }}</p>
        </section>
      }
    </article>
  `,
  styleUrl: './listing-page.scss',
})
export class ListingPageView {
  readonly model = input.required<ListingPage>();

  protected readonly card = computed(() => this.model().card);
  protected readonly facts = computed(() => this.model().slots.filter((slot) => slot.shape !== 'long-text'));
  protected readonly texts = computed(() => this.model().slots.filter((slot) => slot.shape === 'long-text'));
}
