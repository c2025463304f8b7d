import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatMenuModule } from '@angular/material/menu';
import type { Listing } from '@plindo/core/listings';
import { tableAsCsv, tableAsWorkbook } from '@plindo/core/exchange';
import type { Kind } from '@plindo/core/structure';
import { Icon } from '@plindo/listing-view';
import { Notices } from '../../shared/notices';
import { saveAsFile } from '../../shared/save-as-file';
import type { TableColumn } from './table-columns';
import type { TableSource } from './table-source';

const WORKBOOK = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet';

/** Saves what the table shows as a file: its rows in their order, its columns, under its filters. */
@Component({
  selector: 'pl-export-menu',
  imports: [Icon, MatButtonModule, MatMenuModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button matButton type="button" [matMenuTriggerFor]="forms" [disabled]="share() !== null">
      <pl-icon name="download" />{{ share() === null ? 'Save as a file' : 'Reading, ' + share() + ' %' }}
    </button>
    <mat-menu #forms="matMenu">
      <button mat-menu-item (click)="save('xlsx')">Workbook (XLSX)</button>
      <button mat-menu-item (click)="save('csv')">Text with columns (CSV)</button>
    </mat-menu>
  `,
})
export class ExportMenu {
  readonly kind = input.required<Kind>();
  readonly source = input.required<TableSource>();
  readonly columns = input.required<readonly TableColumn[]>();

  private readonly notices = inject(Notices);
  /** How much of the table has been read, in hundredths; null while nothing is saved. */
  protected readonly share = signal<number | null>(null);

  protected async save(form: 'csv' | 'xlsx'): Promise<void> {
    const { slug, many } = this.kind();
    const columns = this.columns();
    this.share.set(0);
    try {
      const rows: Listing[] = [];
      for await (const { listings, total } of this.source().allRows()) {
        rows.push(...listings);
        this.share.set(Math.floor((100 * rows.length) / Math.max(1, total)));
      }
      if (form === 'csv') saveAsFile(`\ufeff${tableAsCsv(rows, columns)}`, `${slug}.csv`, 'text/csv');
      else saveAsFile(await tableAsWorkbook(many, rows, columns), `${slug}.xlsx`, WORKBOOK);
    } catch (error) {
      this.notices.refused(error);
    } finally {
      this.share.set(null);
    }
  }
}
