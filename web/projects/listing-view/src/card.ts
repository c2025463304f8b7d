import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { CardModel } from '@plindo/core/page';
import { Icon } from './icons/icon';
import { Marked } from './marked';
import { PictureView } from './picture';
import { Slots } from './slots';

/** How one listing looks in a list. The whole card leads to the listing; its title is the link. */
@Component({
  selector: 'pl-card',
  imports: [Icon, Marked, PictureView, Slots],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <article [class.featured]="card().featured">
      @if (card().hasPictures) {
        <pl-picture [picture]="card().picture" [title]="card().title" [eager]="eager()" />
      }
      <div class="words">
        @if (card().featured) {
          <p class="flag"><pl-icon name="star_fill" />Featured</p>
        }
        <h3>
          @if (card().href; as href) {
            <a [href]="href"><pl-marked [text]="card().title" [marks]="card().marks?.title" /></a>
          } @else {
            <pl-marked [text]="card().title" [marks]="card().marks?.title" />
          }
        </h3>
        @if (card().summary) {
          <p class="summary"><pl-marked [text]="card().summary" [marks]="card().marks?.summary" /></p>
        }
        @if (card().distance) {
          <p class="distance"><pl-icon name="location_on" />{{ card().distance }}</p>
        }
        @if (card().slots.length) {
          <pl-slots [slots]="card().slots" />
        }
      </div>
    </article>
  `,
  styles: `
    :host {
      display: block;
    }
    article {
      position: relative;
      display: flex;
      flex-direction: column;
      block-size: 100%;
      background: var(--pl-raised);
      border: 1px solid var(--pl-line);
      border-radius: var(--pl-corner);
      overflow: hidden;
    }
    article:hover {
      border-color: var(--pl-teal);
    }
    pl-picture {
      aspect-ratio: 3 / 2;
    }
    .words {
      display: flex;
      flex-direction: column;
      gap: 0.5rem;
      padding: 0.875rem 1rem 1rem;
    }
    h3 {
      font-size: 1.1875rem;
      overflow-wrap: anywhere;
    }
    a {
      color: var(--pl-ink);
      text-decoration: none;
    }
    a:hover {
      color: var(--pl-teal);
      text-decoration: underline;
    }
    a::after {
      content: '';
      position: absolute;
      inset: 0;
    }
    .flag {
      display: flex;
      align-items: center;
      gap: 0.25em;
      font-size: 0.8125rem;
      font-weight: 600;
      color: var(--pl-ochre);
    }
    .distance {
      display: flex;
      align-items: center;
      gap: 0.25em;
      font-size: 0.9375rem;
      font-variant-numeric: tabular-nums;
    }
    .summary {
      display: -webkit-box;
      -webkit-line-clamp: 3;
      -webkit-box-orient: vertical;
      overflow: hidden;
      color: var(--pl-quiet);
    }
  `,
})
export class Card {
  readonly card = input.required<CardModel>();
  /** True when the card is seen without scrolling. */
  readonly eager = input(false);
}
