import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { PagesApi, sentenceOf } from '@plindo/api';
import type { PageModel } from '@plindo/core/page';
import { EMPTY, catchError, forkJoin, switchMap } from 'rxjs';
import { WholePage } from '../../shared/whole-page';

/** A page of the site as visitors see it, beside what it will be when all drafts are published. */
@Component({
  selector: 'pl-before-after',
  imports: [WholePage],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (refusal(); as reason) {
      <p class="quiet" role="status">{{ reason }}</p>
    } @else if (pages(); as both) {
      <div class="both">
        @for (one of both; track $index) {
          <figure>
            <figcaption>{{ $index === 0 ? 'As visitors see it' : 'With the drafts' }}</figcaption>
            <pl-whole-page [model]="one" />
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
    pl-whole-page {
      zoom: 0.45;
      max-block-size: 100rem;
      overflow: auto;
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
