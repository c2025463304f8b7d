import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { FooterModel } from '@plindo/core/page';

/** What stands below every page. */
@Component({
  selector: 'pl-site-footer',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let own = footer();
    @if (own.columns.length) {
      <div class="columns">
        @for (column of own.columns; track $index) {
          <section>
            @if (column.heading) {
              <h2>{{ column.heading }}</h2>
            }
            @if (column.html) {
              <div class="rich-text" [innerHTML]="column.html"></div>
            }
            @if (column.links.length) {
              <ul>
                @for (link of column.links; track $index) {
                  <li>
                    <a [href]="link.href">{{ link.label }}</a>
                  </li>
                }
              </ul>
            }
          </section>
        }
      </div>
    }
    @if (own.line) {
      <p class="line">{{ own.line }}</p>
    }
  `,
})
export class SiteFooter {
  readonly footer = input.required<FooterModel>();
}
