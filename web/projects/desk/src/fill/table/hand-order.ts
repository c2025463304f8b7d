import type { CdkDragMove } from '@angular/cdk/drag-drop';
import type { CdkVirtualScrollViewport } from '@angular/cdk/scrolling';
import { Injectable, inject } from '@angular/core';
import { CatalogApi } from '@plindo/api';
import type { Listing } from '@plindo/core/listings';
import { Notices } from '../../shared/notices';
import { RowDrag } from './row-drag';
import type { TableSource } from './table-source';

/** The table whose rows are put in order. */
export interface HandOrderScene {
  readonly source: TableSource;
  /** Shows a row where it stands now. */
  moved(listing: Listing): void;
  /** Shows the table anew. */
  reload(): void;
}

/** Puts rows of a table in order by hand, by dragging or by steps. */
@Injectable()
export class HandOrder {
  readonly drag = new RowDrag<Listing>();
  private readonly api = inject(CatalogApi);
  private readonly notices = inject(Notices);

  /** Follows a row that is dragged over the table. */
  dragOver(
    { pointerPosition }: CdkDragMove,
    viewport: CdkVirtualScrollViewport,
    rowHeightPx: number,
    rows: number,
  ): void {
    const { top } = viewport.elementRef.nativeElement.getBoundingClientRect();
    const offset = pointerPosition.y - top + viewport.measureScrollOffset();
    this.drag.over(offset, rowHeightPx, rows);
  }

  /** Lets the row that is dragged go where it is. */
  drop(scene: HandOrderScene): void {
    const dropped = this.drag.end();
    if (dropped) this.putBehind(dropped.row, scene.source.rowAt(dropped.gap - 1) ?? null, scene);
  }

  /** Moves a row by one, down (1) or up (-1); not beyond the ends. */
  step(listing: Listing, index: number, down: number, scene: HandOrderScene): void {
    if (index + down < 0 || index + down >= scene.source.total()) return;
    // Down it goes behind the next one, up behind the one before the previous.
    this.putBehind(listing, scene.source.rowAt(index + (down > 0 ? 1 : -2)) ?? null, scene);
  }

  private putBehind(listing: Listing, after: Listing | null, scene: HandOrderScene): void {
    if (after?.id === listing.id) return;
    this.api.moveInHandOrder(listing.kindId, listing.id, after?.id ?? null).subscribe({
      next: ({ changeId, result }) => {
        scene.moved(listing);
        if (result.listings === 0) return;
        this.notices.changed(`Moved ${listing.title} in the hand order`, changeId, () => scene.reload());
      },
      error: (error: unknown) => this.notices.refused(error),
    });
  }
}
