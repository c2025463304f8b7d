import { ChangeDetectionStrategy, Component, inject, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { CatalogApi } from '@plindo/api';
import type { BinSummary, Changed } from '@plindo/core/contract';
import type { Listing } from '@plindo/core/listings';
import type { Kind, LinkedListing } from '@plindo/core/structure';
import { Icon } from '@plindo/listing-view';
import type { Observable } from 'rxjs';
import { tap } from 'rxjs';
import { Notices } from '../../shared/notices';

/** What can be done in the bin: with one listing, to restore it or to delete it for good; without, to empty the bin. */
@Component({
  selector: 'pl-bin-acts',
  imports: [Icon, MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (listing(); as own) {
      <button class="act" (click)="restore(own)" [attr.aria-label]="'Restore ' + own.title" title="Restore as a draft">
        <pl-icon name="restore_from_trash" />
      </button>
      <button class="act" (click)="remove(own)" [attr.aria-label]="'Delete ' + own.title + ' for good'" title="Delete">
        <pl-icon name="delete_forever" />
      </button>
    } @else {
      <button matButton type="button" (click)="empty()"><pl-icon name="delete_forever" />Empty the bin</button>
    }
  `,
  styles: `
    .act {
      display: inline-flex;
      align-items: center;
      min-inline-size: 2.125rem;
      block-size: 2.125rem;
      padding-inline: 0.375rem;
      border: 0;
      background: none;
      color: inherit;
      cursor: pointer;
    }
  `,
})
export class BinActs {
  readonly kind = input.required<Kind>();
  readonly listing = input<Listing | null>(null);
  readonly done = output();
  /** Shows the table anew when the act is undone later; by then this bar may be gone. */
  readonly reload = input.required<() => void>();

  private readonly api = inject(CatalogApi);
  private readonly notices = inject(Notices);

  protected restore(listing: Listing): void {
    this.run(this.api.changeListing(listing, { status: 'draft' }), `Restored ${listing.title} as a draft`);
  }

  protected remove(listing: Listing): void {
    const linked = this.kind()
      .fields.filter(({ type }) => type === 'link')
      .flatMap(({ key }) => (listing.values[key] ?? []) as readonly LinkedListing[])
      .map(({ title }) => title);
    const goes = linked.length === 0 ? '' : ` Its connections go with it: ${linked.join(', ')}.`;
    if (!confirm(`Delete ${listing.title} for good?${goes}`)) return;
    this.run(this.api.deleteListing(listing.id), `Deleted ${listing.title} for good`);
  }

  protected empty(): void {
    this.api.bin(this.kind().id).subscribe({
      next: (summary) => this.emptyKnowing(summary),
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  private emptyKnowing({ listings, connections }: BinSummary): void {
    if (listings === 0) {
      this.notices.said('The bin is empty.');
      return;
    }
    const goes = connections === 0 ? '' : ` ${connections} connections with other listings go with them.`;
    const what = listings === 1 ? 'the one listing' : `${listings} listings`;
    if (!confirm(`Delete ${what} in the bin for good?${goes}`)) return;
    this.run(this.api.emptyBin(this.kind().id), `Emptied the bin: ${listings}`);
  }

  private run(sent: Observable<Changed<unknown>>, sentence: string): void {
    this.notices.tell(sent.pipe(tap(() => this.done.emit())), sentence, this.reload());
  }
}
