import { ChangeDetectionStrategy, Component, effect, inject, input, signal, untracked } from '@angular/core';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import type { PlannedImport } from '@plindo/core/exchange';
import type { DesignedPage } from '@plindo/core/page';
import type { SiteSettings } from '@plindo/core/structure';
import { DesignedPageView } from '@plindo/listing-view';
import { heldLink } from '../../shared/held-link';
import type { ImportRefusal } from '../reading/import-worker';
import { ImportWorker } from '../reading/import-worker';

/** The page that visitors would have of the rows of the file, with its facets, search and order working. */
@Component({
  selector: 'pl-rows-preview',
  imports: [DesignedPageView, MatProgressBarModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (fault()) {
      <p class="issues" role="alert">{{ fault() }}</p>
    } @else if (page(); as model) {
      <pl-designed-page [attr.style]="model.look || null" [model]="model" (stateChange)="look($event.url)" />
    } @else {
      <p class="quiet">Working out the page from all rows …</p>
      <mat-progress-bar mode="indeterminate" aria-label="Working out the page" />
    }
  `,
  styles: `
    :host {
      display: block;
      max-block-size: 48rem;
      margin-block-start: 0.5rem;
      overflow-y: auto;
      padding: 1rem;
      border: 1px solid var(--pl-line);
      border-radius: var(--pl-corner);
      background: var(--pl-paper);
    }
    pl-designed-page {
      zoom: 0.8;
    }
  `,
  host: { '(click)': 'holdLink($event)' },
})
export class RowsPreview {
  readonly planned = input.required<PlannedImport>();
  readonly site = input.required<SiteSettings>();

  private readonly worker = inject(ImportWorker);
  protected readonly page = signal<DesignedPage | null>(null);
  protected readonly fault = signal('');

  constructor() {
    effect(() => {
      this.planned();
      untracked(() => this.look(''));
    });
  }

  /** Shows another state of the page, told by its address. */
  protected look(url: string): void {
    const planned = this.planned();
    const search = url.split('?')[1] ?? '';
    this.worker.ask({ do: 'page', planned, site: this.site(), search }).then(
      (page) => {
        // An answer about a plan that has changed meanwhile is not shown.
        if (planned === this.planned()) this.page.set(page);
      },
      (error: unknown) => this.fault.set((error as ImportRefusal).message),
    );
  }

  /** Links of the page lead to its states; a listing has no page yet. */
  protected holdLink(event: MouseEvent): void {
    const href = heldLink(event, 'a', `/${this.planned().kind.slug}`);
    if (href) this.look(href);
  }
}
