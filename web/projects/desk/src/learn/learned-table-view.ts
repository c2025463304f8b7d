import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import type { LearnAsk } from '@plindo/api';
import { LearnApi } from '@plindo/api';
import type { LearnedCell, LearnedTable } from '@plindo/core/learn';
import { cellText, learnedCsv } from '@plindo/core/learn';
import { Icon } from '@plindo/listing-view';
import { Notices } from '../shared/notices';
import { Reading } from '../shared/reading';
import { saveAsFile } from '../shared/save-as-file';
import { ActButtons } from './acts/act-buttons';
import { LearnChart } from './learn-chart';

const SHOWN_FIRST = 10;

/** A table of what was learned, with its chart above it and a way to save it as a file. */
@Component({
  selector: 'pl-learned-table',
  imports: [ActButtons, Icon, LearnChart, MatButtonModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './learned-table-view.html',
  styleUrl: './learned-table-view.scss',
})
export class LearnedTableView {
  readonly table = input.required<LearnedTable>();
  /** What was asked, by which the rest of a long table is fetched. */
  readonly ask = input.required<LearnAsk>();
  /** Something was done about a row. */
  readonly acted = output<void>();
  /** Somebody asks for the views of a listing over time. */
  readonly overTime = output<number>();

  private readonly api = inject(LearnApi);
  private readonly notices = inject(Notices);
  private readonly reading = inject(Reading);
  protected readonly showsAll = signal(false);
  protected readonly shown = computed(() => {
    const { rows } = this.table();
    return this.showsAll() ? rows : rows.slice(0, SHOWN_FIRST);
  });
  protected readonly hasActs = computed(() => this.table().rows.some(({ acts, listing }) => acts?.length || listing));

  protected text(cell: LearnedCell, column: number): string {
    return cellText(cell, this.table().columns[column]!.kind, this.reading.context().formats);
  }

  protected isNumber(column: number): boolean {
    return this.table().columns[column]!.kind !== 'words';
  }

  protected count(number: number): string {
    return this.reading.context().formats.number(number);
  }

  /** A file has all rows, also where the page has only the first ones. */
  protected save(): void {
    const { key, rows, total } = this.table();
    if (rows.length === total) return this.saveAsCsv(this.table());
    this.api.table(key, this.ask()).subscribe({
      next: (whole) => this.saveAsCsv(whole),
      error: (error: unknown) => this.notices.refused(error),
    });
  }

  private saveAsCsv(table: LearnedTable): void {
    const { from, to } = this.ask();
    saveAsFile(learnedCsv(table), `${table.key}-${from}-${to}.csv`, 'text/csv;charset=utf-8');
  }
}
