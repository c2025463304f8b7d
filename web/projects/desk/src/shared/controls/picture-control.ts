import { ChangeDetectionStrategy, Component, inject, input, output, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { CatalogApi, sentenceOf } from '@plindo/api';
import type { Picture } from '@plindo/core/structure';
import { PictureView } from '@plindo/listing-view';

/** Chooses a picture, sends it, and asks what it shows. */
@Component({
  selector: 'pl-picture-control',
  imports: [MatButtonModule, MatFormFieldModule, MatInputModule, MatProgressBarModule, PictureView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="control" role="group" [attr.aria-label]="label()">
      <p class="label">{{ label() }}</p>
      @if (picture(); as shown) {
        <pl-picture [picture]="shown" />
        <mat-form-field>
          <mat-label>What it shows, in words</mat-label>
          <input matInput maxlength="300" [value]="shown.alt" (input)="tellAlt(shown, $any($event.target).value)" />
        </mat-form-field>
      }
      @if (sending()) {
        <mat-progress-bar mode="indeterminate" aria-label="Sending the picture" />
      }
      @if (refused()) {
        <p class="problem" role="alert">{{ refused() }}</p>
      }
      <div class="button-row">
        <label class="file-button">
          <input
            type="file"
            accept="image/*"
            (change)="send($any($event.target).files?.[0]); $any($event.target).value = ''"
          />
          <span>{{ picture() ? 'Choose another' : 'Choose a picture' }}</span>
        </label>
        @if (picture()) {
          <button matButton type="button" (click)="pictureChange.emit(null)">Take it out</button>
        }
      </div>
    </div>
  `,
  styles: `
    .control {
      display: grid;
      gap: 0.5rem;
    }
    .label {
      font-weight: 600;
    }
    pl-picture {
      max-inline-size: 16rem;
      aspect-ratio: 3 / 2;
      border-radius: var(--pl-corner);
    }
    .problem {
      color: var(--pl-signal);
    }
  `,
})
export class PictureControl {
  readonly label = input.required<string>();
  readonly picture = input<Picture | null>();
  readonly pictureChange = output<Picture | null>();

  protected readonly sending = signal(false);
  protected readonly refused = signal('');
  private readonly api = inject(CatalogApi);

  protected send(file: File | undefined): void {
    if (!file) return;
    this.sending.set(true);
    this.refused.set('');
    this.api.addPicture(file).subscribe({
      next: ({ hash, width, height }) => {
        this.sending.set(false);
        this.pictureChange.emit({ hash, width, height, alt: '' });
      },
      error: (error: unknown) => {
        this.sending.set(false);
        this.refused.set(sentenceOf(error));
      },
    });
  }

  protected tellAlt(picture: Picture, alt: string): void {
    this.pictureChange.emit({ ...picture, alt });
  }
}
