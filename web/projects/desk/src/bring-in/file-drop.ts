import { ChangeDetectionStrategy, Component, input, output, signal } from '@angular/core';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { Icon } from '@plindo/listing-view';

/** Where a file is dropped, chosen, or pasted as cells of a spreadsheet. */
@Component({
  selector: 'pl-file-drop',
  imports: [Icon, MatProgressBarModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div
      class="drop"
      [class.over]="isOver()"
      (dragover)="$event.preventDefault(); isOver.set(true)"
      (dragleave)="isOver.set(false)"
      (drop)="$event.preventDefault(); isOver.set(false); choose($event.dataTransfer?.files)"
    >
      <pl-icon name="upload_file" />
      @if (reading(); as name) {
        <p>Reading {{ name }} …</p>
        <mat-progress-bar mode="indeterminate" aria-label="Reading the file" />
      } @else {
        <p>Drop {{ several() ? 'files' : 'a file' }} here, paste cells from a spreadsheet, or</p>
        <label class="file-button main">
          <input
            type="file"
            [multiple]="several()"
            accept=".zip,.csv,.tsv,.txt,.xlsx,.xls,.ods,.json,.ndjson,.jsonl,.geojson,text/csv"
            (change)="choose($any($event.target).files); $any($event.target).value = ''"
          />
          <span>Choose a file</span>
        </label>
        <p class="quiet">
          A spreadsheet (XLSX, ODS), a text with columns (CSV, TSV), or records (JSON, GeoJSON); up to 50 MB and 200
          columns. The first row names the columns. Nothing is kept before you say so.
        </p>
        <ng-content />
      }
    </div>
  `,
  styles: `
    .drop {
      display: grid;
      justify-items: center;
      gap: 0.75rem;
      padding: 3rem 1rem;
      border: 2px dashed var(--mat-sys-outline);
      border-radius: var(--pl-corner);
      background: var(--pl-raised);
      text-align: center;
    }
    .drop pl-icon {
      font-size: 2rem;
      color: var(--pl-accent);
    }
    .over {
      background: var(--pl-wash);
    }
  `,
  host: { '(document:paste)': 'paste($event)' },
})
export class FileDrop {
  /** The name of the file that is being read; '' for none. */
  readonly reading = input('');
  /** Whether several files may be chosen at once. */
  readonly several = input(false);
  readonly chosen = output<readonly File[]>();
  readonly pasted = output<string>();

  protected readonly isOver = signal(false);

  protected choose(files: FileList | null | undefined): void {
    const all = [...(files ?? [])];
    if (all.length > 0) this.chosen.emit(this.several() ? all : all.slice(0, 1));
  }

  /** Takes a block of cells that was copied from a spreadsheet, or any other text that a file could hold. */
  protected paste(event: ClipboardEvent): void {
    const text = event.clipboardData?.getData('text/plain') ?? '';
    if (this.reading() !== '' || text.trim() === '') return;
    event.preventDefault();
    this.pasted.emit(text);
  }
}
