import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { CatalogApi, FIRST_ASK } from '@plindo/api';
import type { CategorySetSummary } from '@plindo/core/contract';
import type { Listing } from '@plindo/core/listings';
import type { Category } from '@plindo/core/structure';
import { firstValueFrom } from 'rxjs';

export interface SplitData {
  readonly category: Category;
  readonly usedBy: CategorySetSummary['usedBy'];
}

export interface SplitResult {
  readonly label: string;
  readonly listings: readonly number[];
}

const LISTINGS_AT_ONCE = 500;

/** Parts a category in two: names the new one and chooses the listings that go there. */
@Component({
  selector: 'pl-split-dialog',
  imports: [MatButtonModule, MatDialogModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>Split {{ data.category.label }}</h2>
    <mat-dialog-content>
      <label class="line">
        The new category is called
        <input #label class="plain-input" maxlength="80" (input)="named.set(label.value.trim() !== '')" />
      </label>
      <p>Which listings go there?</p>
      <div class="listings">
        @for (listing of listings(); track listing.id) {
          <label>
            <input type="checkbox" (change)="toggle(listing.id, $any($event.target).checked)" /> {{ listing.title }}
          </label>
        } @empty {
          <p class="quiet">No listing has this category itself.</p>
        }
      </div>
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button matButton mat-dialog-close>Cancel</button>
      <button matButton="filled" class="next-step" [disabled]="!named()" (click)="split(label.value)">Split it</button>
    </mat-dialog-actions>
  `,
  styles: `
    .line,
    .listings {
      display: grid;
      gap: 0.375rem;
    }
    .listings {
      max-block-size: 20rem;
      overflow-y: auto;
    }
  `,
})
export class SplitDialog {
  protected readonly data = inject<SplitData>(MAT_DIALOG_DATA);
  private readonly api = inject(CatalogApi);
  private readonly dialog = inject<MatDialogRef<SplitDialog, SplitResult>>(MatDialogRef);

  protected readonly listings = signal<readonly Listing[]>([]);
  protected readonly named = signal(false);
  private readonly chosen = new Set<number>();

  constructor() {
    void this.fetch();
  }

  protected toggle(id: number, isChosen: boolean): void {
    if (isChosen) this.chosen.add(id);
    else this.chosen.delete(id);
  }

  protected split(label: string): void {
    this.dialog.close({ label: label.trim(), listings: [...this.chosen] });
  }

  /** The listings that have the category itself, not one below it. */
  private async fetch(): Promise<void> {
    for (const kindId of new Set(this.data.usedBy.map((use) => use.kindId))) {
      for (let offset = 0; ; offset += LISTINGS_AT_ONCE) {
        const ask = {
          ...FIRST_ASK,
          offset,
          limit: LISTINGS_AT_ONCE,
        } as const;
        const { listings, total } = await firstValueFrom(this.api.listings(kindId, ask));
        const has = ({ values }: Listing): boolean =>
          Object.values(values).some((value) => Array.isArray(value) && value.includes(this.data.category.key));
        this.listings.update((known) => [...known, ...listings.filter(has)]);
        if (offset + LISTINGS_AT_ONCE >= total) break;
      }
    }
  }
}
