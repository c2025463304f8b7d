import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { ListingPage, SlotModel } from '@plindo/core/page';
import { Icon } from './icons/icon';
import { PictureView } from './picture';
import { Value } from './value';

/** The page of one listing. */
@Component({
  selector: 'pl-listing-page',
  imports: [Icon, PictureView, Value],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <nav aria-label="Where you are">
      @if (model().kind.href; as href) {
        <a [href]="href"><pl-icon name="arrow_back" />All {{ model().kind.many.toLowerCase() }}</a>
      }
    </nav>
    <article>
      <header>
        @if (model().featured) {
          <p class="flag"><pl-icon name="star_fill" />Featured</p>
        }
        <h1>{{ model().heading }}</h1>
        @if (model().summary) {
          <p class="summary">{{ model().summary }}</p>
        }
      </header>
      @if (model().picture; as picture) {
        <pl-picture class="lead" [picture]="picture" [eager]="true" sizes="(max-width: 52rem) 92vw, 40rem" />
      }
      @if (facts().length) {
        <dl class="facts">
          @for (slot of facts(); track slot.key) {
            <div>
              <dt><pl-icon [name]="slot.icon" />{{ slot.label }}</dt>
              <dd><pl-value [slot]="slot" /></dd>
            </div>
          }
        </dl>
      }
      @if (model().body) {
        <div class="rich-text body" [innerHTML]="model().body"></div>
      }
      @for (slot of wide(); track slot.key) {
        <section>
          <h2>{{ slot.label }}</h2>
          <pl-value [slot]="slot" />
        </section>
      }
      @if (model().byline) {
        <p class="byline">{{ model().byline }}</p>
      }
    </article>
  `,
  styleUrl: './listing-page.scss',
})
export class ListingPageView {
  readonly model = input.required<ListingPage>();

  protected readonly facts = computed(() => this.model().slots.filter(({ shape }) => !WIDE.has(shape)));
  /** Values that need the width of the page. */
  protected readonly wide = computed(() => this.model().slots.filter(({ shape }) => WIDE.has(shape)));
}

const WIDE = new Set<SlotModel['shape']>(['long-text', 'rich-text', 'rows', 'pictures']);
