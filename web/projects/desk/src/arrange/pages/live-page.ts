import { ChangeDetectionStrategy, Component, ElementRef, effect, inject, input, output } from '@angular/core';
import type { DesignedPage } from '@plindo/core/page';
import { DesignedPageView, partsInDocument } from '@plindo/listing-view';
import { DragAmong } from '../design/drag-among';
import type { PageWork } from './page-work';

/**
 * The page as it will be seen. A click chooses what it shows, what is dragged goes before or behind what it is dropped on;
 * while it is being tried, it does what it does for visitors, but leads nowhere.
 */
@Component({
  selector: 'pl-live-page',
  imports: [DesignedPageView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <pl-designed-page
      [attr.style]="model().look || null"
      [model]="model()"
      (stateChange)="stateChange.emit($event.url)"
    />
  `,
  styleUrl: './live-page.scss',
  host: { '(click)': 'choose($event)', '[class.tried]': 'isTried()' },
})
export class LivePage {
  readonly work = input.required<PageWork>();
  readonly model = input.required<DesignedPage>();
  /** Whether clicks do what they do for visitors. */
  readonly isTried = input.required<boolean>();
  readonly stateChange = output<string>();

  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  constructor() {
    new DragAmong(this.host, 'piece', (from, onto, isBehind) => this.work().moveBeside(from, onto, isBehind));
    effect((onCleanup) => {
      const [model, chosen, isTried] = [this.model(), this.work().chosen(), this.isTried()];
      // The page is drawn before what stands on it is marked.
      const timer = setTimeout(() => this.mark(model, isTried ? null : chosen));
      onCleanup(() => clearTimeout(timer));
    });
  }

  protected choose(event: Event): void {
    const target = event.target as Element;
    if (this.isTried()) {
      if (target.closest('a')) event.preventDefault();
      return;
    }
    event.preventDefault();
    const part = target.closest<HTMLElement>('[data-piece], [data-strip]');
    this.work().choose(part?.dataset['piece'] ?? part?.dataset['strip'] ?? null);
  }

  private mark(model: DesignedPage, chosen: string | null): void {
    for (const { of, key, element } of partsInDocument(this.host, model)) {
      element.dataset[of] = key;
      element.classList.toggle('chosen-part', key === chosen);
      if (of === 'piece') element.draggable = !this.isTried();
    }
    if (chosen !== null) this.host.querySelector('.chosen-part')?.scrollIntoView({ block: 'nearest' });
  }
}
