import type { ElementRef } from '@angular/core';
import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  afterNextRender,
  computed,
  inject,
  input,
  linkedSignal,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { CatalogApi, ListingSearch } from '@plindo/api';
import type { FoundListing } from '@plindo/core/contract';

const PHONE = { label: 'Phone', width: 390 };
const TABLET = { label: 'Tablet', width: 768 };
const WIDE_IN_PX = 1280;
const LEAST_WIDTH = 320;
const GREATEST_WIDTH = 1920;
const STEP_IN_PX = 10;

/** How wide a design is shown, light or dark, and with which listing; what is shown is its content. */
@Component({
  selector: 'pl-live-view',
  imports: [MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="view">
      <div role="group" aria-label="Width">
        @for (one of widths(); track one.label) {
          <button matButton [attr.aria-pressed]="width() === one.width" (click)="width.set(one.width)">
            {{ one.label }}
          </button>
        }
      </div>
      @if (isAnyWidth()) {
        <label class="any">
          <input
            type="range"
            aria-label="Any width"
            [step]="step"
            [min]="least"
            [max]="greatest"
            [value]="width()"
            (input)="width.set(+$any($event.target).value)"
          />
          {{ width() }} px
        </label>
      }
      <div role="group" aria-label="Light or dark">
        <button matButton [attr.aria-pressed]="!isDark()" (click)="isDark.set(false)">Light</button>
        <button matButton [attr.aria-pressed]="isDark()" (click)="isDark.set(true)">Dark</button>
      </div>
      <ng-content select="[more]" />
      @if (kindId(); as kind) {
        <label class="find">
          <span class="hidden-text">Show a listing</span>
          <input
            class="plain-input"
            type="search"
            placeholder="Show a listing …"
            (input)="search.type($any($event.target).value)"
          />
          @if (search.found().length) {
            <ul>
              @for (found of search.found(); track found.id) {
                @if (found.kindId === kind) {
                  <li>
                    <button (click)="pick(found)">{{ found.title }}</button>
                  </li>
                }
              }
            </ul>
          }
        </label>
      }
    </div>
    <div class="room" #room [style.--seen-width]="width() * zoom() + 'px'">
      <div
        class="stage"
        [style.color-scheme]="isDark() ? 'dark' : 'light'"
        [style.inline-size]="width() ? width() + 'px' : '100%'"
        [style.zoom]="zoom()"
      >
        <ng-content />
      </div>
      @if (isAnyWidth()) {
        <!-- By keys the same is done with the slider above. -->
        <div
          class="edge"
          aria-hidden="true"
          title="Drag to change the width"
          (pointerdown)="beginDragging($event)"
          (pointermove)="drag($event)"
        ></div>
      }
    </div>
  `,
  styleUrl: './live-view.scss',
})
export class LiveView {
  /** The kind whose listings can be picked; null for none. */
  readonly kindId = input.required<number | null>();
  /** Whether it can have any width beside the three. */
  readonly isAnyWidth = input(false);
  readonly picked = output<FoundListing>();

  /** A page is as wide as a screen, in small; cards have the room that there is, whose width is 0 here. */
  protected readonly widths = computed(() => [
    PHONE,
    TABLET,
    { label: 'Wide', width: this.isAnyWidth() ? WIDE_IN_PX : 0 },
  ]);
  protected readonly least = LEAST_WIDTH;
  protected readonly step = STEP_IN_PX;
  protected readonly greatest = GREATEST_WIDTH;
  protected readonly search = new ListingSearch(inject(CatalogApi));
  /** In px; 0 for all that there is. */
  protected readonly width = linkedSignal<number>(() => (this.isAnyWidth() ? WIDE_IN_PX : 0));
  private readonly room = viewChild.required<ElementRef<HTMLElement>>('room');
  /** The width of the room for it, in px. */
  private readonly roomWidth = signal(0);
  /** What is wider than its room is shown in small. */
  protected readonly zoom = computed(() => {
    const [width, room] = [this.width(), this.roomWidth()];
    return width > room && room > 0 ? room / width : 1;
  });
  protected readonly isDark = signal(false);
  /** Where the edge was taken hold of, and how wide the view was then. */
  private dragged: { readonly from: number; readonly width: number } | null = null;

  constructor() {
    const seen = new ResizeObserver(([entry]) => this.roomWidth.set(entry?.contentRect.width ?? 0));
    afterNextRender(() => seen.observe(this.room().nativeElement));
    inject(DestroyRef).onDestroy(() => seen.disconnect());
  }

  protected beginDragging(event: PointerEvent): void {
    event.preventDefault();
    (event.target as Element).setPointerCapture(event.pointerId);
    this.dragged = { from: event.clientX, width: this.width() };
  }

  /** The view stands in the middle of its room, so that both of its edges move. */
  protected drag(event: PointerEvent): void {
    if (event.buttons === 0 || !this.dragged) return;
    const by = (2 * (event.clientX - this.dragged.from)) / this.zoom();
    const width = Math.round((this.dragged.width + by) / STEP_IN_PX) * STEP_IN_PX;
    this.width.set(Math.min(GREATEST_WIDTH, Math.max(LEAST_WIDTH, width)));
  }

  protected pick(found: FoundListing): void {
    this.search.clear();
    this.picked.emit(found);
  }
}
