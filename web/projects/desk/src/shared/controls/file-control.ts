import { ChangeDetectionStrategy, Component, inject, input, output, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { CatalogApi, sentenceOf } from '@plindo/api';
import { filePath } from '@plindo/core/page';
import type { KeptFile } from '@plindo/core/structure';
import { Icon } from '@plindo/listing-view';

/** Chooses a file and sends it. */
@Component({
  selector: 'pl-file-control',
  imports: [Icon, MatButtonModule, MatProgressBarModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div role="group" [attr.aria-label]="label()">
      <p class="label">{{ label() }}</p>
      @if (file(); as kept) {
        <p>
          <a [href]="pathOf(kept)" download><pl-icon name="attach_file" />{{ kept.name }}</a>
          <span class="quiet">{{ sizeOf(kept) }}</span>
        </p>
      }
      @if (sending()) {
        <mat-progress-bar mode="indeterminate" aria-label="Sending the file" />
      }
      @if (refused()) {
        <p class="problem" role="alert">{{ refused() }}</p>
      }
      <div class="button-row">
        <label class="file-button">
          <input type="file" (change)="send($any($event.target).files?.[0]); $any($event.target).value = ''" />
          <span>{{ file() ? 'Choose another file' : 'Choose a file' }}</span>
        </label>
        @if (file()) {
          <button matButton type="button" (click)="fileChange.emit(null)">Remove the file</button>
        }
      </div>
    </div>
  `,
  styles: `
    div {
      display: grid;
      gap: 0.5rem;
    }
    .button-row {
      display: flex;
    }
    .label {
      font-weight: 600;
    }
    .problem {
      color: var(--pl-signal);
    }
  `,
})
export class FileControl {
  readonly label = input.required<string>();
  readonly file = input<KeptFile | null>();
  readonly fileChange = output<KeptFile | null>();

  protected readonly sending = signal(false);
  protected readonly refused = signal('');
  private readonly api = inject(CatalogApi);

  protected pathOf(file: KeptFile): string {
    return filePath(file);
  }

  protected sizeOf({ bytes }: KeptFile): string {
    return bytes < 1e6 ? `${Math.max(1, Math.round(bytes / 1e3))} kB` : `${(bytes / 1e6).toFixed(1)} MB`;
  }

  protected send(chosen: File | undefined): void {
    if (!chosen) return;
    this.sending.set(true);
    this.refused.set('');
    this.api.addFile(chosen).subscribe({
      next: (kept) => {
        this.sending.set(false);
        this.fileChange.emit(kept);
      },
      error: (error: unknown) => {
        this.sending.set(false);
        this.refused.set(sentenceOf(error));
      },
    });
  }
}
