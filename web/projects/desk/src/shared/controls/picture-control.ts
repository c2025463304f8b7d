import { ChangeDetectionStrategy, Component, inject, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import type { Picture } from '@plindo/core/structure';
import { PictureView } from '@plindo/listing-view';
import { PictureDrop } from './picture-drop';
import { PicturePicker } from './picture-picker';

/** Chooses a picture, sends it, and asks what it shows. */
@Component({
  selector: 'pl-picture-control',
  imports: [MatButtonModule, MatFormFieldModule, MatInputModule, PictureDrop, PictureView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="control" role="group" [attr.aria-label]="label()">
      <p class="label">{{ label() }}</p>
      @if (picture(); as shown) {
        <button
          type="button"
          class="focus"
          title="Click the point that has to stay in view when the picture is cropped"
          aria-label="Set the point that stays in view; arrow keys move it"
          (click)="pointAt(shown, $event)"
          (keydown)="nudge(shown, $event)"
        >
          <pl-picture [picture]="whole(shown)" />
          <span
            class="mark"
            [style.inset-inline-start.%]="100 * (shown.focus?.x ?? 0.5)"
            [style.inset-block-start.%]="100 * (shown.focus?.y ?? 0.5)"
          ></span>
        </button>
        <mat-form-field>
          <mat-label>What it shows, in words</mat-label>
          <input matInput maxlength="300" [value]="shown.alt" (input)="tellAlt(shown, $any($event.target).value)" />
        </mat-form-field>
      }
      <pl-picture-drop
        [ask]="picture() ? 'Choose another, or drop it here' : 'Choose a picture, or drop it here'"
        (sent)="pictureChange.emit($event)"
      />
      <div class="button-row">
        <button matButton type="button" (click)="pick()">Use a picture you already have</button>
        @if (picture()) {
          <button matButton type="button" (click)="pictureChange.emit(null)">Remove the picture</button>
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
    .focus {
      position: relative;
      max-inline-size: 16rem;
      padding: 0;
      border: 0;
      background: none;
      cursor: crosshair;
    }
    .mark {
      position: absolute;
      inline-size: 1.25rem;
      block-size: 1.25rem;
      margin: -0.625rem;
      border: 3px solid #fff;
      border-radius: 50%;
      box-shadow: 0 0 0 2px #16263a;
    }
    pl-picture {
      border-radius: var(--pl-corner);
    }
  `,
})
export class PictureControl {
  readonly label = input.required<string>();
  readonly picture = input<Picture | null>();
  readonly pictureChange = output<Picture | null>();

  private readonly dialog = inject(MatDialog);

  protected pick(): void {
    this.dialog
      .open<PicturePicker, unknown, Picture>(PicturePicker, { width: '52rem', maxWidth: '95vw' })
      .afterClosed()
      .subscribe((picture) => {
        if (picture) this.pictureChange.emit(picture);
      });
  }

  /** Shown whole here, so that any point of it can be chosen. */
  protected whole({ focus: _, ...picture }: Picture): Picture {
    return picture;
  }

  protected pointAt(picture: Picture, { clientX, clientY, currentTarget, detail }: MouseEvent): void {
    // A click by the keyboard has no place.
    if (detail === 0) return;
    const { left, top, width, height } = (currentTarget as HTMLElement).getBoundingClientRect();
    const part = (at: number, size: number): number => Math.min(1, Math.max(0, at / size));
    this.setFocus(picture, { x: part(clientX - left, width), y: part(clientY - top, height) });
  }

  protected nudge(picture: Picture, event: KeyboardEvent): void {
    const [x, y] = STEPS[event.key] ?? [0, 0];
    if (x === 0 && y === 0) return;
    event.preventDefault();
    const { focus = { x: 0.5, y: 0.5 } } = picture;
    const inside = (at: number): number => Math.min(1, Math.max(0, at));
    this.setFocus(picture, { x: inside(focus.x + x), y: inside(focus.y + y) });
  }

  private setFocus(picture: Picture, { x, y }: { readonly x: number; readonly y: number }): void {
    this.pictureChange.emit({ ...picture, focus: { x: Number(x.toFixed(3)), y: Number(y.toFixed(3)) } });
  }

  protected tellAlt(picture: Picture, alt: string): void {
    this.pictureChange.emit({ ...picture, alt });
  }
}

/** By how much an arrow key moves the focus point, in parts of width and height. */
const STEPS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-0.05, 0],
  ArrowRight: [0.05, 0],
  ArrowUp: [0, -0.05],
  ArrowDown: [0, 0.05],
};
