import type { CdkDragDrop } from '@angular/cdk/drag-drop';
import { CdkDrag, CdkDragHandle, CdkDropList, moveItemInArray } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, effect, inject, input, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { CatalogApi, DesignsApi, ListingSearch } from '@plindo/api';
import type { FoundListing, ServingPage, ServingTable } from '@plindo/core/contract';
import { Icon } from '@plindo/listing-view';
import { DesignsStore } from '../../shared/designs-store';
import { KindList } from '../../shared/kind-list';
import { KindsStore } from '../../shared/kinds-store';
import { Notices } from '../../shared/notices';

/** Which of the pages of a kind serves which of its listings, in which order they are tried, and why for any listing. */
@Component({
  selector: 'pl-serving-page',
  imports: [CdkDrag, CdkDragHandle, CdkDropList, Icon, KindList, MatButtonModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './serving-page.html',
  styleUrl: './serving-page.scss',
})
export class ServingPagePage {
  /** From the address. */
  readonly kindId = input.required<string>();

  private readonly api = inject(DesignsApi);
  private readonly designs = inject(DesignsStore);
  private readonly kinds = inject(KindsStore);
  private readonly notices = inject(Notices);

  protected readonly kind = this.kinds.kindOf(this.kindId);
  protected readonly table = signal<ServingTable | null>(null);
  protected readonly search = new ListingSearch(inject(CatalogApi));
  protected readonly asked = signal<FoundListing | null>(null);
  protected readonly answer = signal<ServingPage | null>(null);

  constructor() {
    void this.kinds.reload();
    effect(() => this.read(Number(this.kindId())));
  }

  private read(kindId: number): void {
    this.api.servingTable(kindId).subscribe({
      next: (table) => this.table.set(table),
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  protected dropped({ previousIndex, currentIndex }: CdkDragDrop<unknown>): void {
    this.move(previousIndex, currentIndex);
  }

  /** Only pages that ask for as much can change places: what asks for more goes first by itself. */
  protected move(from: number, to: number): void {
    const pages = [...(this.table()?.pages ?? [])];
    if (!pages[from] || !pages[to] || from === to) return;
    if (pages[from].asks !== pages[to].asks || pages[to].id === null) {
      return this.notices.said('A page with more conditions comes first.');
    }
    moveItemInArray(pages, from, to);
    const ids = pages.flatMap(({ id }) => id ?? []);
    this.notices.tellAndShow(this.api.order(ids), 'Ordered the pages', () => {
      void this.designs.reload();
      this.read(Number(this.kindId()));
    });
  }

  protected canMove(at: number, by: 1 | -1): boolean {
    const pages = this.table()?.pages ?? [];
    const other = pages[at + by];
    return other !== undefined && other.id !== null && other.asks === pages[at]!.asks;
  }

  protected ask(listing: FoundListing): void {
    this.search.clear();
    this.asked.set(listing);
    this.answer.set(null);
    this.api.serving(listing.id).subscribe({
      next: (answer) => this.answer.set(answer),
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  /** Why a page that was tried serves it or does not, in a sentence. */
  protected whyOf({ id }: ServingPage, tried: ServingPage['tried'][number]): string {
    if (tried.id === id) {
      return tried.asks === 0
        ? 'serves it: it has no condition, and none before it serves it.'
        : 'serves it: all its conditions hold.';
    }
    return tried.holds ? 'would serve it, too, but comes later.' : 'does not: one of its conditions does not hold.';
  }
}
