import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { HomePage } from '@plindo/core/page';
import { Card } from './card';
import { Icon } from './icons/icon';

/** The front page: each kind with its first listings. */
@Component({
  selector: 'pl-home-page',
  imports: [Card, Icon],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <header>
      <h1>{{ model().site.name }}</h1>
      @if (model().site.tagline) {
        <p>{{ model().site.tagline }}</p>
      }
    </header>
    @for (section of model().sections; track section.href; let first = $first) {
      <section>
        <div class="head">
          <h2>
            <a [href]="section.href">{{ section.label }}</a>
          </h2>
          <a class="all" [href]="section.href">See all {{ section.total }}<pl-icon name="arrow_forward" /></a>
        </div>
        @if (section.intro) {
          <p class="intro">{{ section.intro }}</p>
        }
        <ul>
          @for (card of section.cards; track card.id) {
            <li><pl-card [card]="card" [forms]="model().cardForms" [eager]="first && $first" /></li>
          }
        </ul>
      </section>
    } @empty {
      <p>Nothing has been published here yet.</p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 2.5rem;
    }
    header {
      display: grid;
      gap: 0.5rem;
      max-inline-size: 45rem;
    }
    h1 {
      font-size: clamp(2rem, 6vw, 3.25rem);
    }
    header p {
      font-size: 1.1875rem;
      color: var(--pl-quiet);
    }
    section {
      display: grid;
      gap: 0.75rem;
    }
    .head {
      display: flex;
      flex-wrap: wrap;
      align-items: baseline;
      justify-content: space-between;
      gap: 0.5rem 1rem;
    }
    h2 a {
      color: var(--pl-ink);
      text-decoration: none;
    }
    h2 a:hover {
      text-decoration: underline;
    }
    .intro {
      max-inline-size: 60ch;
      color: var(--pl-quiet);
    }
    .all {
      display: inline-flex;
      align-items: center;
      gap: 0.25rem;
      min-block-size: 2.75rem;
    }
    ul {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(16rem, 1fr));
      gap: 1rem;
      margin: 0;
      padding: 0;
      list-style: none;
    }
  `,
})
export class HomePageView {
  readonly model = input.required<HomePage>();
}
