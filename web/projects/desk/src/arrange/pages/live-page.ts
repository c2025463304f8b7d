import { ChangeDetectionStrategy, Component, ElementRef, effect, inject, input, output } from '@angular/core';
import type { DesignedPage } from '@plindo/core/page';
import { DesignedPageView } from '@plindo/listing-view';
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

  /** Strips, columns and pieces stand in the document in the order in which the model has them. */
  private mark({ strips }: DesignedPage, chosen: string | null): void {
    const sections = this.host.querySelectorAll<HTMLElement>('pl-designed-page > section');
    strips.forEach((strip, at) => {
      const section = sections[at];
      if (!section) return;
      markPart(section, 'strip', strip.key, chosen);
      const columns = section.querySelectorAll<HTMLElement>(':scope > .columns > .column');
      strip.columns.forEach((column, column_at) => {
        const shown = [...(columns[column_at]?.children ?? [])];
        column.pieces.forEach(({ key }, piece_at) => {
          const piece = boxOf(shown[piece_at]);
          if (!(piece instanceof HTMLElement)) return;
          markPart(piece, 'piece', key, chosen);
          piece.draggable = !this.isTried();
        });
      });
    });
    if (chosen !== null) this.host.querySelector('.chosen-part')?.scrollIntoView({ block: 'nearest' });
  }
}

/** What of a piece has a box of its own: a piece that came as text stands in an element without one. */
function boxOf(piece: Element | undefined): Element | undefined {
  return piece?.localName === 'pl-quiet' ? (piece.firstElementChild ?? piece) : piece;
}

/** What came with an embedded part stands for the piece that embeds it, whose key is the first part of its own. */
function markPart(element: HTMLElement, mark: 'strip' | 'piece', key: string, chosen: string | null): void {
  const [own = key] = key.split('.');
  element.dataset[mark] = own;
  element.classList.toggle('chosen-part', own === chosen);
}
