import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { PagesApi, sentenceOf } from '@plindo/api';
import type { PageModel } from '@plindo/core/page';
import { DesignedPageView, SiteFooter, SiteHeader } from '@plindo/listing-view';
import { EMPTY, catchError, forkJoin, switchMap } from 'rxjs';

/** A page of the site as visitors see it, beside what it will be when all drafts are published. */
@Component({
  selector: 'pl-before-after',
  imports: [DesignedPageView, SiteFooter, SiteHeader],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (refusal(); as reason) {
      <p class="quiet" role="status">{{ reason }}</p>
    } @else if (pages(); as both) {
      <div class="both" inert>
        @for (one of both; track $index) {
          <figure>
            <figcaption>{{ $index === 0 ? 'As visitors see it' : 'With the drafts' }}</figcaption>
            <div class="page" [attr.style]="one.look || null">
              @if (one.type === 'designed') {
                <pl-site-header [frame]="one" />
                <pl-designed-page [model]="one" />
                @if (one.footer; as footer) {
                  <pl-site-footer [footer]="footer" />
                }
              } @else {
                <p>There is no such page.</p>
              }
            </div>
          </figure>
        }
      </div>
    } @else {
      <p class="quiet" role="status">Reading the page …</p>
    }
  `,
  styles: `
    .both {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(min(22rem, 100%), 1fr));
      gap: 1rem;
    }
    figure {
      min-inline-size: 0;
      margin: 0;
      border: 1px solid var(--pl-line);
      border-radius: var(--pl-corner);
      overflow: hidden;
    }
    figcaption {
      padding: 0.375rem 0.75rem;
      background: var(--pl-wash);
      font-weight: 600;
    }
    .page {
      zoom: 0.45;
      max-block-size: 100rem;
      background: var(--pl-paper);
      color: var(--pl-ink);
      overflow: auto;
    }
    pl-designed-page {
      padding: 1rem;
    }
    /* The page is narrower here than the window. */
    .page ::ng-deep .width-full {
      inline-size: auto;
      margin-inline: -1rem;
      padding-inline: 2.5rem;
    }
    .page ::ng-deep .strip {
      content-visibility: visible;
    }
  `,
})
export class BeforeAfter {
  readonly path = input.required<string>();
  /** Goes up when drafts have changed. */
  readonly revision = input(0);

  private readonly api = inject(PagesApi);
  protected readonly pages = signal<readonly PageModel[] | null>(null);
  protected readonly refusal = signal('');

  constructor() {
    toObservable(computed(() => ({ path: this.path(), revision: this.revision() })))
      .pipe(
        switchMap(({ path }) =>
          forkJoin([this.api.page(path), this.api.draftedPage(path)]).pipe(
            catchError((error: unknown) => {
              this.refusal.set(sentenceOf(error));
              return EMPTY;
            }),
          ),
        ),
        takeUntilDestroyed(),
      )
      .subscribe((both) => {
        this.refusal.set('');
        this.pages.set(both);
      });
  }
}
