import { ChangeDetectionStrategy, Component, effect, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { CatalogApi, PausedQuestion } from '@plindo/api';
import type { KeptPicture } from '@plindo/core/contract';
import type { Picture } from '@plindo/core/structure';
import { PictureView } from '@plindo/listing-view';
import { Notices } from '../notices';

const MOST_SHOWN = 60;

/** Chooses one of the pictures that are kept already. */
@Component({
  selector: 'pl-picture-picker',
  imports: [MatButtonModule, MatDialogModule, PictureView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>Pictures that are kept</h2>
    <mat-dialog-content>
      <input
        class="plain-input"
        type="search"
        aria-label="Find by file name"
        placeholder="File name"
        [value]="text()"
        (input)="text.set($any($event.target).value)"
      />
      <div class="grid">
        @for (picture of pictures(); track picture.hash) {
          <button type="button" [title]="picture.fileName" (click)="choose(picture)">
            <pl-picture [picture]="shown(picture)" sizes="9rem" />
            <span>{{ picture.fileName }}</span>
          </button>
        } @empty {
          <p class="quiet">No picture is called so.</p>
        }
      </div>
    </mat-dialog-content>
    <mat-dialog-actions align="end"><button matButton mat-dialog-close>Cancel</button></mat-dialog-actions>
  `,
  styles: `
    .grid {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(9rem, 1fr));
      gap: 0.75rem;
      margin-block-start: 0.75rem;
      min-block-size: 12rem;
    }
    .grid button {
      display: grid;
      gap: 0.25rem;
      align-content: start;
      padding: 0.25rem;
      border: 1px solid transparent;
      border-radius: var(--pl-corner);
      background: none;
      color: var(--pl-ink);
      font: inherit;
      font-size: 0.8125rem;
      overflow-wrap: anywhere;
      text-align: start;
      cursor: pointer;
    }
    .grid button:hover {
      border-color: var(--pl-accent);
    }
    pl-picture {
      aspect-ratio: 4 / 3;
      border-radius: var(--pl-corner);
    }
  `,
})
export class PicturePicker {
  private readonly api = inject(CatalogApi);
  private readonly dialog = inject<MatDialogRef<PicturePicker, Picture>>(MatDialogRef);
  private readonly notices = inject(Notices);
  protected readonly text = signal('');
  protected readonly pictures = signal<readonly KeptPicture[]>([]);

  constructor() {
    const question = new PausedQuestion(
      (text: string) => this.api.pictures({ text, unused: false, offset: 0, limit: MOST_SHOWN }),
      { next: ({ pictures }) => this.pictures.set(pictures), error: (error) => this.notices.refused(error) },
    );
    effect(() => question.ask(this.text()));
  }

  /** Its file name stands below it and names it. */
  protected shown({ hash, width, height }: KeptPicture): Picture {
    return { hash, width, height, alt: '' };
  }

  protected choose(picture: KeptPicture): void {
    this.dialog.close(this.shown(picture));
  }
}
