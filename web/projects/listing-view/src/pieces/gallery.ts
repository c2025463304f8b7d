import type { ElementRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, afterNextRender, computed, input, signal, viewChild } from '@angular/core';
import type { PieceModelOf } from '@plindo/core/page';
import { Icon } from '../icons/icon';
import { PictureView } from '../picture';
import { sayOnPage } from '../page-words';

/**
 * Pictures in a row, each of which opens in large. In large, arrows and swiping go on, Escape closes. Without JavaScript
 * a picture leads to its file.
 */
@Component({
  selector: 'pl-gallery-piece',
  imports: [Icon, PictureView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let pictures = piece().pictures;
    <ul [class.one]="pictures.length === 1">
      @for (picture of pictures; track picture.hash; let at = $index) {
        <li>
          <a [href]="'/pictures/' + picture.hash + '-1600.jpeg'" data-needs-program (click)="open($event, at)">
            <pl-picture [picture]="picture" [eager]="at === 0" sizes="(max-width: 52rem) 92vw, 40rem" />
            <span class="hidden-text">{{
              say('gallery.in-large', { picture: picture.alt || say('gallery.picture', { place: at + 1 }) })
            }}</span>
          </a>
        </li>
      }
    </ul>
    @if (isInteractive()) {
      <dialog
        #large
        tabindex="-1"
        [attr.aria-label]="say('gallery.label')"
        (keydown)="key($event)"
        (pointerdown)="from = $event.clientX"
        (pointerup)="swiped($event.clientX)"
      >
        @if (shown(); as picture) {
          <pl-picture [picture]="picture" sizes="100vw" [eager]="true" />
          <p role="status">
            {{ say('gallery.place', { place: at() + 1, count: pictures.length }) }}
            @if (picture.alt) {
              <span>{{ picture.alt }}</span>
            }
          </p>
        }
        <button type="button" class="close" (click)="large.close()" autofocus>
          <pl-icon name="close" />{{ say('gallery.close') }}
        </button>
        @if (pictures.length > 1) {
          <button type="button" class="back" [attr.aria-label]="say('gallery.before')" (click)="go(-1)">
            <pl-icon name="chevron_left" />
          </button>
          <button type="button" class="on" [attr.aria-label]="say('gallery.next')" (click)="go(1)">
            <pl-icon name="chevron_right" />
          </button>
        }
      </dialog>
    }
  `,
})
export class GalleryPiece {
  readonly piece = input.required<PieceModelOf<'gallery'>>();
  protected readonly say = sayOnPage();

  protected readonly isInteractive = signal(false);
  protected readonly at = signal(0);
  protected readonly shown = computed(() => this.piece().pictures[this.at()]);
  protected from = 0;
  private readonly large = viewChild<ElementRef<HTMLDialogElement>>('large');

  constructor() {
    afterNextRender(() => this.isInteractive.set(true));
  }

  protected open(event: Event, at: number): void {
    const dialog = this.large()?.nativeElement;
    if (!dialog) return;
    event.preventDefault();
    this.at.set(at);
    dialog.showModal();
  }

  protected go(by: number): void {
    const { length } = this.piece().pictures;
    this.at.update((at) => (at + by + length) % length);
  }

  protected key(event: KeyboardEvent): void {
    if (event.key === 'ArrowRight') this.go(1);
    else if (event.key === 'ArrowLeft') this.go(-1);
  }

  protected swiped(to: number): void {
    if (Math.abs(to - this.from) > SWIPE_IN_PX) this.go(to < this.from ? 1 : -1);
  }
}

const SWIPE_IN_PX = 40;
