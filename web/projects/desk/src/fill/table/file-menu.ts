import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatMenuModule } from '@angular/material/menu';
import { RouterLink } from '@angular/router';
import type { Listing } from '@plindo/core/listings';
import { tableAsCsv, tableAsWorkbook } from '@plindo/core/exchange';
import type { Kind } from '@plindo/core/structure';
import { Icon } from '@plindo/listing-view';
import { LongWork } from '../../shared/long-work/long-work';
import { Notices } from '../../shared/notices';
import { Reading } from '../../shared/reading';
import { saveAsFile } from '../../shared/save-as-file';
import type { TableColumn } from './table-columns';
import type { TableSource } from './table-source';

const WORKBOOK = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet';

/** Saves what the table shows as a file, its rows in their order, its columns, under its filters; and brings files in. */
@Component({
  selector: 'pl-file-menu',
  imports: [Icon, MatButtonModule, MatMenuModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button matButton type="button" [matMenuTriggerFor]="forms" [disabled]="isBusy()">
      <pl-icon name="table_view" /><span class="wide-words">File</span>
    </button>
    <mat-menu #forms="matMenu">
      <button mat-menu-item (click)="save('xlsx')">Save as a workbook (XLSX)</button>
      <button mat-menu-item (click)="save('csv')">Save as text with columns (CSV)</button>
      <a mat-menu-item [routerLink]="['/fill', kind().id, 'from-file']">Bring in a file</a>
    </mat-menu>
  `,
})
export class FileMenu {
  readonly kind = input.required<Kind>();
  readonly source = input.required<TableSource>();
  readonly columns = input.required<readonly TableColumn[]>();

  private readonly notices = inject(Notices);
  private readonly reading = inject(Reading);
  private readonly work = inject(LongWork);
  protected readonly isBusy = signal(false);

  protected async save(form: 'csv' | 'xlsx'): Promise<void> {
    const { slug, many } = this.kind();
    const columns = this.columns();
    const source = this.source();
    const name = `${slug}.${form}`;
    this.isBusy.set(true);
    try {
      await this.work.run({ title: `Saving ${name}`, unit: 'rows', total: null, canCancel: true }, async (report) => {
        const rows: Listing[] = [];
        for await (const { listings, total } of source.allRows()) {
          rows.push(...listings);
          report.progress(rows.length, total);
          if (report.isCancelled()) return { sentence: 'Cancelled; no file was saved.' };
        }
        if (form === 'csv') saveAsFile(`\ufeff${tableAsCsv(rows, columns)}`, name, 'text/csv');
        else saveAsFile(await tableAsWorkbook(many, rows, columns), name, WORKBOOK);
        return { sentence: `Saved ${this.number(rows.length)} rows.` };
      });
    } catch (error) {
      this.notices.refused(error);
    } finally {
      this.isBusy.set(false);
    }
  }

  private number(count: number): string {
    return this.reading.context().formats.number(count);
  }
}
