import { ChangeDetectionStrategy, Component, inject, input, output, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { CatalogApi } from '@plindo/api';
import type { Revision } from '@plindo/core/contract';
import type { Listing } from '@plindo/core/listings';
import { Notices } from '../../shared/notices';
import { Reading } from '../../shared/reading';

/** Every state of a listing: who changed what when, and a way back to each. */
@Component({
  selector: 'pl-history-panel',
  imports: [MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <details class="panel" (toggle)="load($any($event.target).open)">
      <summary><h2>History</h2></summary>
      <ol>
        @for (revision of revisions(); track revision.id; let isLatest = $first) {
          <li>
            <p class="quiet">{{ momentOf(revision) }}, {{ revision.who }}{{ revision.undone ? ' (undone)' : '' }}</p>
            <ul>
              @for (difference of revision.differences; track difference.label) {
                <li>
                  <strong>{{ difference.label }}</strong>
                  @if (difference.before) {
                    <del>{{ difference.before }}</del>
                  }
                  @if (difference.after) {
                    <ins>{{ difference.after }}</ins>
                  }
                </li>
              } @empty {
                <li>{{ revision.sentence }}</li>
              }
            </ul>
            @if (!isLatest && revision.isState) {
              <button matButton type="button" (click)="restore(revision)">Restore this state</button>
            }
          </li>
        } @empty {
          <li class="quiet">Nothing yet.</li>
        }
      </ol>
    </details>
  `,
  styles: `
    summary {
      cursor: pointer;
    }
    h2 {
      display: inline;
    }
    ol,
    ul {
      margin: 0;
      padding: 0;
      list-style: none;
    }
    ol > li {
      padding-block: 0.625rem;
      border-block-end: 1px solid var(--pl-line);
    }
    strong {
      margin-inline-end: 0.5em;
    }
    del {
      margin-inline-end: 0.5em;
      color: var(--pl-quiet);
    }
    ins {
      text-decoration: none;
    }
    li {
      overflow-wrap: anywhere;
    }
  `,
})
export class HistoryPanel {
  readonly listing = input.required<Listing>();
  readonly restored = output<Listing>();

  private readonly api = inject(CatalogApi);
  private readonly context = inject(Reading).context;
  private readonly notices = inject(Notices);
  protected readonly revisions = signal<readonly Revision[]>([]);

  protected momentOf({ at }: Revision): string {
    return this.context().formats.moment(Date.parse(at));
  }

  protected load(isOpen = true): void {
    if (!isOpen) return;
    this.api.history(this.listing().id).subscribe({
      next: (revisions) => this.revisions.set(revisions),
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  protected restore({ id }: Revision): void {
    this.api.restoreListing(this.listing().id, id).subscribe({
      next: ({ changeId, result }) => {
        this.restored.emit(result);
        this.load();
        this.notices.changed(`Restored an earlier state of ${result.title}`, changeId, () => this.refetch());
      },
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  private refetch(): void {
    this.api.listing(this.listing().id).subscribe((listing) => {
      this.restored.emit(listing);
      this.load();
    });
  }
}
