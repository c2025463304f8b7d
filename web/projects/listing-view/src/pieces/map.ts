import type { ElementRef } from '@angular/core';
import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  afterNextRender,
  computed,
  effect,
  inject,
  input,
  signal,
  viewChild,
} from '@angular/core';
import type { PieceModelOf, PointModel } from '@plindo/core/page';
import { Icon } from '../icons/icon';
import { narrowScreen } from '../browser';
import type { ListingMap } from '../map/listing-map';
import { ListingsInStep } from './listings-in-step';
import { sayOnPage } from '../page-words';

/** So far before it is seen a map is loaded. */
const AHEAD = '200px';

/**
 * The listings of a list on a map, in step with the list. To those who don't see it, it is one image; the links below
 * are its text. It is loaded when it is seen, so that pages don't wait for it.
 */
@Component({
  selector: 'pl-map-piece',
  imports: [Icon],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let own = piece();
    <div class="map" [class]="'height-' + own.height" #frame>
      <div class="drawn" role="img" [attr.aria-label]="own.label" #drawn></div>
      @if (!isDrawn() && !isAsked()) {
        <button type="button" class="show" (click)="show()"><pl-icon name="location_on" />{{ say('map.show') }}</button>
      }
      @if (isDrawn()) {
        <div class="zoom">
          <button type="button" [attr.aria-label]="say('map.closer')" (click)="map?.zoom(1)">
            <pl-icon name="add" />
          </button>
          <button type="button" [attr.aria-label]="say('map.farther')" (click)="map?.zoom(-1)">
            <pl-icon name="remove" />
          </button>
        </div>
        @if (own.tiles?.credit; as credit) {
          <p class="credit">{{ credit }}</p>
        }
        @if (moved()) {
          <button type="button" class="here" (click)="searchHere()">{{ say('map.search-here') }}</button>
        }
        @if (chosen(); as point) {
          <p class="chosen" role="status">
            @if (point.href) {
              <a [href]="point.href">{{ point.title }}</a>
            } @else {
              {{ point.title }}
            }
          </p>
        }
      }
    </div>
    <input type="hidden" [name]="own.name" [attr.form]="own.form" [value]="own.box" #box />
    <details>
      <summary>{{ say('map.as-list', { map: own.label }) }}</summary>
      <ul>
        @for (point of listed(); track point.id) {
          <li>
            @if (point.href) {
              <a [href]="point.href">{{ point.title }}</a>
            } @else {
              {{ point.title }}
            }
          </li>
        }
      </ul>
      @if (own.total > listed().length) {
        <p>{{ say('map.more', { count: own.total - listed().length }) }}</p>
      }
    </details>
  `,
})
export class MapPiece {
  readonly piece = input.required<PieceModelOf<'map'>>();
  protected readonly say = sayOnPage();

  protected readonly isDrawn = signal(false);
  /** On narrow screens it is asked for: it takes long to fetch there, and much of the screen. The sheet shows how. */
  protected readonly isAsked = signal(false);
  protected readonly chosen = signal<PointModel | null>(null);
  /** Whether another part of the map is seen than the one that the page is about. */
  protected readonly moved = signal(false);
  protected readonly listed = computed(() => this.piece().points.slice(0, MOST_LISTED));
  protected map: ListingMap | undefined;

  private readonly frame = viewChild.required<ElementRef<HTMLElement>>('frame');
  private readonly drawn = viewChild.required<ElementRef<HTMLElement>>('drawn');
  private readonly box = viewChild.required<ElementRef<HTMLInputElement>>('box');
  private readonly inStep = new ListingsInStep();
  private readonly destroyed = inject(DestroyRef);

  constructor() {
    const { destroyed } = this;
    afterNextRender(() => {
      const watch = new IntersectionObserver(
        (entries) => {
          if (!entries.some(({ isIntersecting }) => isIntersecting)) return;
          watch.disconnect();
          if (!narrowScreen().matches || this.piece().box !== '') this.show();
        },
        { rootMargin: AHEAD },
      );
      watch.observe(this.frame().nativeElement);
      destroyed.onDestroy(() => watch.disconnect());
    });
    effect(() => {
      const { points, box } = this.piece();
      this.moved.set(false);
      this.chosen.set(null);
      this.map?.show(points, box);
    });
  }

  protected searchHere(): void {
    const input = this.box().nativeElement;
    input.value = this.map?.box() ?? '';
    input.dispatchEvent(new Event('change', { bubbles: true }));
  }

  protected show(): void {
    if (this.isAsked()) return;
    this.isAsked.set(true);
    void this.draw();
  }

  private async draw(): Promise<void> {
    const { destroyed } = this;
    const { drawMap } = await import('../map/listing-map');
    const { points, box, base, tiles } = this.piece();
    const ground = { base, tiles: tiles?.url ?? null };
    const map = await drawMap(this.drawn().nativeElement, ground, {
      chose: (point) => {
        this.chosen.set(point);
        this.inStep.show(point.id);
      },
      looked: (point) => this.inStep.mark(point?.id ?? null),
      moved: () => this.moved.set(true),
    });
    if (destroyed.destroyed) return map.remove();
    this.map = map;
    map.show(points, box);
    this.isDrawn.set(true);
    const stop = this.inStep.follow((id) => map.mark(id));
    destroyed.onDestroy(() => {
      stop();
      map.remove();
    });
  }
}

/** Of a long list the first; who wants others narrows it. */
const MOST_LISTED = 200;
