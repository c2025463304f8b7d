import type { CdkDragDrop } from '@angular/cdk/drag-drop';
import { DragDropModule } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import type { Picture } from '@plindo/core/structure';
import { Icon, PictureView } from '@plindo/listing-view';
import { PictureDrop } from './picture-drop';

/** Several pictures: dropped or chosen many at once, described, put in order by dragging or by buttons. */
@Component({
  selector: 'pl-pictures-control',
  imports: [DragDropModule, Icon, PictureDrop, PictureView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <pl-picture-drop
      role="group"
      ask="Choose pictures, or drop them here"
      [many]="true"
      [attr.aria-label]="label()"
      (sent)="add($event)"
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
              <button type="button" [attr.aria-label]="'Remove picture ' + (at + 1)" (click)="takeOut(at)">
                <pl-icon name="delete" />
              </button>
            </span>
          </figure>
        }
      </div>
    </pl-picture-drop>
  `,
  styles: `
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
    .cdk-drag-placeholder {
      opacity: 0.4;
    }
  `,
})
export class PicturesControl {
  readonly label = input.required<string>();
  readonly pictures = input.required<readonly Picture[]>();
  readonly picturesChange = output<readonly Picture[]>();

  protected add(picture: Picture): void {
    if (this.pictures().some(({ hash }) => hash === picture.hash)) return;
    this.picturesChange.emit([...this.pictures(), picture]);
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
