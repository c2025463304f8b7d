import type { ElementRef } from '@angular/core';
import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  afterNextRender,
  inject,
  Injector,
  input,
  signal,
  viewChild,
} from '@angular/core';
import type { PieceModelOf } from '@plindo/core/page';
import { SleepingFacets } from '../facets/sleeping-facets';
import { Icon } from '../icons/icon';
import { narrowScreen, whenIdle } from '../browser';
import { onlyReachable } from './only-reachable';
import { PAGE_STEERING } from './steering';
import { sayOnPage } from '../page-words';

/** The facets of a list; where there is no room for them beside it, a button opens them over the page. */
@Component({
  selector: 'pl-facets-piece',
  imports: [Icon, SleepingFacets],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let own = piece();
    <button #opener type="button" class="open-sheet" (click)="open()">
      <pl-icon name="tune" />{{ say('facets.label') }}
      @if (own.chosen) {
        <span class="number">{{ own.chosen }}</span>
      }
    </button>
    <div
      #sheet
      class="facets"
      tabindex="-1"
      [attr.popover]="isOpen() ? 'manual' : null"
      [attr.role]="isOpen() ? 'dialog' : null"
      [attr.aria-modal]="isOpen() ? 'true' : null"
      [attr.aria-label]="say('facets.label')"
    >
      <div class="sheet-head">
        <h2>{{ say('facets.label') }}</h2>
        <button type="button" class="plain" (click)="close()"><pl-icon name="close" />{{ say('facets.close') }}</button>
      </div>
      <pl-sleeping-facets
        [facets]="own.facets"
        [form]="own.form"
        [awake]="isAwake()"
        [interactive]="steering.interactive()"
        [places]="steering.places()"
        (placeTyped)="steering.typePlace($event)"
      />
      <div class="sheet-foot">
        <a class="plain" [href]="own.clearHref">{{ say('chips.clear') }}</a>
        <button type="submit" class="show" [attr.form]="own.form" (click)="close()">
          {{ say('facets.show', { count: own.total }) }}
        </button>
      </div>
    </div>
  `,
  host: { '(keydown.escape)': 'close()' },
})
export class FacetsPiece {
  readonly piece = input.required<PieceModelOf<'facets'>>();
  protected readonly say = sayOnPage();
  protected readonly steering = inject(PAGE_STEERING);
  protected readonly isOpen = signal(false);
  /** Whether the controls are drawn here, not only as they came from the server. */
  protected readonly isAwake = signal(false);

  private readonly injector = inject(Injector);
  private readonly opener = viewChild.required<ElementRef<HTMLButtonElement>>('opener');
  private readonly sheet = viewChild.required<ElementRef<HTMLElement>>('sheet');
  private letGo = (): void => undefined;

  constructor() {
    const destroyed = inject(DestroyRef);
    afterNextRender(() => {
      // On narrow screens they are seen when somebody opens them, else at once, though nothing waits for them.
      const narrow = narrowScreen();
      const wake = (): void => whenIdle(() => this.isAwake.set(true));
      if (!narrow.matches) return wake();
      narrow.addEventListener('change', wake, { once: true });
      destroyed.onDestroy(() => narrow.removeEventListener('change', wake));
    });
  }

  protected open(): void {
    this.isAwake.set(true);
    this.isOpen.set(true);
    const show = (): void => {
      const sheet = this.sheet().nativeElement;
      sheet.showPopover();
      this.letGo = onlyReachable(sheet);
      sheet.focus();
    };
    afterNextRender(show, { injector: this.injector });
  }

  protected close(): void {
    if (!this.isOpen()) return;
    this.isOpen.set(false);
    this.letGo();
    afterNextRender(() => this.opener().nativeElement.focus(), { injector: this.injector });
  }
}
