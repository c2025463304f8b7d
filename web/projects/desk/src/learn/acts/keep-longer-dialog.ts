import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { CatalogApi, issuesOf } from '@plindo/api';
import type { Listing, ListingInput } from '@plindo/core/listings';
import { readListing } from '@plindo/core/listings';
import { BUILT_IN_FIELDS, textOfMoment } from '@plindo/core/structure';
import type { Issue } from '@plindo/core/values';
import type { LeavingDraft } from '../../fill/form/leaving-control';
import { LeavingControl } from '../../fill/form/leaving-control';
import { FieldControl } from '../../shared/controls/field-control';
import { KindsStore } from '../../shared/kinds-store';
import { Reading } from '../../shared/reading';

/** Asks until when a listing stays on the site, and saves it. Closes with the number of the change. */
@Component({
  selector: 'pl-keep-longer-dialog',
  imports: [FieldControl, LeavingControl, MatButtonModule, MatDialogModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>{{ listing.title }}</h2>
    <mat-dialog-content>
      @if (kind; as kind) {
        @if (kind.expiry) {
          <pl-leaving-control
            [kind]="kind"
            [draft]="draft()"
            [content]="content()"
            [publishedAt]="listing.publishedAt"
            [context]="context()"
            [issues]="issues()"
            (draftChange)="draft.set($event)"
          />
        } @else {
          <pl-field-control
            [field]="momentField"
            [context]="context()"
            path="shownUntil"
            [input]="draft().shownUntil"
            [issues]="issues()"
            (inputChange)="draft.set({ expiry: draft().expiry, shownUntil: $event })"
          />
        }
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button matButton mat-dialog-close>Cancel</button>
      <button matButton="filled" class="next-step" type="button" (click)="save()">Save</button>
    </mat-dialog-actions>
  `,
})
export class KeepLongerDialog {
  protected readonly listing = inject<Listing>(MAT_DIALOG_DATA);
  private readonly ref = inject<MatDialogRef<KeepLongerDialog, number>>(MatDialogRef);
  private readonly api = inject(CatalogApi);
  protected readonly kind = inject(KindsStore).byId(this.listing.kindId);
  protected readonly context = inject(Reading).context;
  protected readonly momentField = BUILT_IN_FIELDS.shownUntil;

  protected readonly draft = signal<LeavingDraft>({
    expiry: this.listing.expiry,
    shownUntil: this.listing.shownUntil === null ? '' : textOfMoment(this.listing.shownUntil),
  });
  private readonly refused = signal<readonly Issue[]>([]);
  private readonly input = computed((): ListingInput => ({ ...this.draft() }));
  private readonly read = computed(() =>
    this.kind ? readListing(this.input(), this.kind, this.context(), this.listing) : null,
  );
  protected readonly content = computed(() => this.read()?.content ?? this.listing);
  /** Those of what is typed, and what the server said of it. */
  protected readonly issues = computed(() => [...(this.read()?.issues ?? []), ...this.refused()]);

  protected save(): void {
    if (this.read()?.issues.some(({ field }) => field === 'shownUntil')) return;
    this.api.changeListing(this.listing, this.input()).subscribe({
      next: ({ changeId }) => this.ref.close(changeId),
      error: (error: unknown) => this.refused.set(issuesOf(error)),
    });
  }
}
