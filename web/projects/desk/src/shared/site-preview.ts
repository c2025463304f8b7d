import { ChangeDetectionStrategy, Component, computed, input, linkedSignal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { PreviewedPage } from '@plindo/core/contract';
import { LiveView } from './live-view';
import { WholePage } from './whole-page';

/** The pages of a site that is not there yet, one at a time, in every width, light and dark. */
@Component({
  selector: 'pl-site-preview',
  imports: [LiveView, MatButtonModule, WholePage],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="pages" role="group" aria-label="Pages">
      @for (one of pages(); track one.path; let at = $index) {
        <button matButton="outlined" [attr.aria-pressed]="at === shown()" (click)="shown.set(at)">
          {{ one.label }}
        </button>
      }
    </div>
    @if (page(); as seen) {
      <pl-live-view [kindId]="null" [isAnyWidth]="true">
        <pl-whole-page [model]="seen.model" />
      </pl-live-view>
    }
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: minmax(0, 1fr);
      gap: 0.75rem;
      min-inline-size: 0;
    }
    .pages {
      display: flex;
      flex-wrap: wrap;
      gap: 0.5rem;
    }
    [aria-pressed='true'] {
      background: var(--pl-wash);
      font-weight: 600;
    }
  `,
})
export class SitePreview {
  readonly pages = input.required<readonly PreviewedPage[]>();

  protected readonly shown = linkedSignal({ source: this.pages, computation: () => 0 });
  protected readonly page = computed(() => this.pages()[this.shown()]);
}
