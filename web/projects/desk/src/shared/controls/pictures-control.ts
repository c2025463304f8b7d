import type { CdkDragDrop } from '@angular/cdk/drag-drop';
import { DragDropModule } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, inject, input, output, signal } from '@angular/core';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { CatalogApi, sentenceOf } from '@plindo/api';
import type { Picture } from '@plindo/core/structure';
import { Icon, PictureView } from '@plindo/listing-view';
import { firstValueFrom } from 'rxjs';

interface Sending {
  readonly done: number;
  readonly all: number;
}

/** Several pictures: dropped or chosen many at once, described, put in order by dragging or by buttons. */
@Component({
  selector: 'pl-pictures-control',
  imports: [DragDropModule, Icon, MatProgressBarModule, PictureView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div
      class="control"
      role="group"
      [attr.aria-label]="label()"
      [class.over]="isOver()"
      (dragover)="over($event, true)"
      (dragleave)="over($event, false)"
      (drop)="dropFiles($event)"
    >
      <p class="label">{{ label() }}</p>
      <div class="pictures" cdkDropList cdkDropListOrientation="mixed" (cdkDropListDropped)="dropped($event)">
        @for (picture of pictures(); track picture.hash; let at = $index) {
          <figure cdkDrag>
            <pl-picture [picture]="picture" sizes="10rem" />
            <input
              class="plain-input"
              maxlength="300"
              placeholder="What it shows"
              [attr.aria-label]="'What picture ' + (at + 1) + ' shows, in words'"
              [value]="picture.alt"
              (input)="describe(at, $any($event.target).value)"
            />
            <span class="acts">
              <button
                type="button"
                [disabled]="at === 0"
                [attr.aria-label]="'Move picture ' + (at + 1) + ' forward'"
                (click)="move(at, at - 1)"
              >
                <pl-icon name="arrow_back" />
              </button>
              <button
                type="button"
                [disabled]="at === pictures().length - 1"
                [attr.aria-label]="'Move picture ' + (at + 1) + ' back'"
                (click)="move(at, at + 1)"
              >
                <pl-icon name="arrow_forward" />
              </button>
              <button type="button" [attr.aria-label]="'Take out picture ' + (at + 1)" (click)="takeOut(at)">
                <pl-icon name="delete" />
              </button>
            </span>
          </figure>
        }
      </div>
      @if (sending(); as now) {
        <p role="status">Sending {{ now.done + 1 }} of {{ now.all }}</p>
        <mat-progress-bar [value]="(100 * now.done) / now.all" aria-label="Sending pictures" />
      }
      @for (sentence of refused(); track $index) {
        <p class="problem" role="alert">{{ sentence }}</p>
      }
      <label class="file-button">
        <input
          type="file"
          accept="image/*"
          multiple
          (change)="send($any($event.target).files); $any($event.target).value = ''"
        />
        <span>Choose pictures, or drop them here</span>
      </label>
    </div>
  `,
  styles: `
    .control {
      display: grid;
      gap: 0.5rem;
      padding: 0.5rem;
      border: 1px dashed var(--pl-line);
      border-radius: var(--pl-corner);
    }
    .over {
      border-color: var(--pl-teal);
      background: var(--pl-teal-wash);
    }
    .label {
      font-weight: 600;
    }
    .pictures {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(9.5rem, 1fr));
      gap: 0.75rem;
    }
    figure {
      display: grid;
      gap: 0.25rem;
      margin: 0;
      background: var(--pl-raised);
    }
    pl-picture {
      aspect-ratio: 4 / 3;
      border-radius: var(--pl-corner);
      cursor: grab;
    }
    .acts {
      display: flex;
      justify-content: space-between;
    }
    .acts button {
      display: grid;
      place-items: center;
      inline-size: 2.25rem;
      block-size: 2.25rem;
      border: 0;
      background: none;
      color: var(--pl-ink);
      cursor: pointer;
    }
    .acts button:disabled {
      opacity: 0.35;
    }
    .problem {
      color: var(--pl-signal);
    }
    .cdk-drag-placeholder {
      opacity: 0.4;
    }
  `,
})
export class PicturesControl {
  readonly label = input.required<string>();
  readonly pictures = input.required<readonly Picture[]>();
  readonly picturesChange = output<readonly Picture[]>();

  protected readonly sending = signal<Sending | null>(null);
  protected readonly refused = signal<readonly string[]>([]);
  protected readonly isOver = signal(false);
  private readonly api = inject(CatalogApi);

  protected over(event: DragEvent, isOver: boolean): void {
    if (!event.dataTransfer?.types.includes('Files')) return;
    event.preventDefault();
    this.isOver.set(isOver);
  }

  protected dropFiles(event: DragEvent): void {
    event.preventDefault();
    this.isOver.set(false);
    void this.send(event.dataTransfer?.files ?? null);
  }

  /** Sends one after the other; one that is refused is named, and the rest goes on. */
  protected async send(files: FileList | null): Promise<void> {
    const chosen = [...(files ?? [])];
    const refused: string[] = [];
    let pictures = this.pictures();
    for (const [done, file] of chosen.entries()) {
      this.sending.set({ done, all: chosen.length });
      try {
        const { hash, width, height } = await firstValueFrom(this.api.addPicture(file));
        if (pictures.some((picture) => picture.hash === hash)) continue;
        pictures = [...pictures, { hash, width, height, alt: '' }];
        this.picturesChange.emit(pictures);
      } catch (error) {
        refused.push(`${file.name}: ${sentenceOf(error)}`);
      }
    }
    this.sending.set(null);
    this.refused.set(refused);
  }

  protected describe(at: number, alt: string): void {
    this.picturesChange.emit(this.pictures().map((picture, other) => (other === at ? { ...picture, alt } : picture)));
  }

  protected takeOut(at: number): void {
    this.picturesChange.emit(this.pictures().filter((_, other) => other !== at));
  }

  protected move(from: number, to: number): void {
    const pictures = [...this.pictures()];
    const [picture] = pictures.splice(from, 1);
    if (picture) pictures.splice(to, 0, picture);
    this.picturesChange.emit(pictures);
  }

  protected dropped({ previousIndex, currentIndex }: CdkDragDrop<unknown>): void {
    if (previousIndex !== currentIndex) this.move(previousIndex, currentIndex);
  }
}
