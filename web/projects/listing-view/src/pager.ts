import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { PagerModel } from '@plindo/core/page';
import { Icon } from './icons/icon';

/** Numbered pages as links. */
@Component({
  selector: 'pl-pager',
  imports: [Icon],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (pager().pages > 1 || pager().previous) {
      <nav aria-label="Pages">
        @if (pager().previous; as previous) {
          <a [href]="previous" rel="prev"><pl-icon name="chevron_left" />Previous</a>
        }
        @for (link of pager().links; track $index) {
          @if (link === null) {
            <span aria-hidden="true">…</span>
          } @else if (link.page === pager().page) {
            <a [href]="link.href" aria-current="page" class="current">
              <span class="hidden-text">Page </span>{{ link.page }}
            </a>
          } @else {
            <a [href]="link.href"><span class="hidden-text">Page </span>{{ link.page }}</a>
          }
        }
        @if (pager().next; as next) {
          <a [href]="next" rel="next">Next<pl-icon name="chevron_right" /></a>
        }
      </nav>
    }
  `,
  styles: `
    nav {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      justify-content: center;
      gap: 0.25rem;
      padding-block: 1.5rem;
      font-variant-numeric: tabular-nums;
    }
    a {
      display: inline-flex;
      align-items: center;
      min-inline-size: 2.75rem;
      min-block-size: 2.75rem;
      justify-content: center;
      padding-inline: 0.5rem;
      border-radius: var(--pl-corner);
      text-decoration: none;
    }
    a:hover {
      background: var(--pl-teal-wash);
    }
    .current {
      background: var(--pl-ink);
      color: var(--pl-paper);
      font-weight: 600;
    }
    .current:hover {
      background: var(--pl-ink);
    }
  `,
})
export class Pager {
  readonly pager = input.required<PagerModel>();
}
