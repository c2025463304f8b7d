import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { PageModel } from '@plindo/core/page';
import { DesignedPageView, SiteFooter, SiteHeader } from '@plindo/listing-view';

/** A page of the site with its header and footer, to be looked at only. */
@Component({
  selector: 'pl-whole-page',
  imports: [DesignedPageView, SiteFooter, SiteHeader],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page" inert [attr.style]="model().look || null">
      @let page = model();
      @if (page.type === 'designed') {
        <pl-site-header [frame]="page" />
        <pl-designed-page [model]="page" />
        @if (page.footer; as footer) {
          <pl-site-footer [footer]="footer" />
        }
      } @else {
        <p>There is no such page.</p>
      }
    </div>
  `,
  styles: `
    :host {
      display: block;
      min-inline-size: 0;
      container-type: inline-size;
    }
    .page {
      --edge: clamp(1rem, 4cqi, 2.5rem);
      background: var(--pl-paper);
      color: var(--pl-ink);
    }
    /* As the site has it around its pages, by the width of the page in the place of that of the window. */
    pl-designed-page {
      padding: clamp(1rem, 3vw, 2rem) var(--edge) 3rem;
    }
    .page ::ng-deep .width-full {
      inline-size: auto;
      margin-inline: calc(-1 * var(--edge));
      padding-inline: var(--edge);
    }
    .page ::ng-deep .strip {
      content-visibility: visible;
    }
  `,
})
export class WholePage {
  readonly model = input.required<PageModel>();
}
