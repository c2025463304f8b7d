import type { CdkDragDrop } from '@angular/cdk/drag-drop';
import { CdkDrag, CdkDragHandle, CdkDropList } from '@angular/cdk/drag-drop';
import {
  ChangeDetectionStrategy,
  ChangeDetectorRef,
  Component,
  ElementRef,
  computed,
  inject,
  input,
  output,
} from '@angular/core';
import type { PageColumn, Piece, PiecePlace } from '@plindo/core/design';
import { pieceName, pieceTypeOf, stripName } from '@plindo/core/design';
import { Icon } from '@plindo/listing-view';
import { copiedPart, copyPart } from './copied';
import type { PageWork } from './page-work';

const MOST_COLUMNS = 4;

/** All of a page as a tree: strips, columns, pieces. Everything is done by mouse or by keys. */
@Component({
  selector: 'pl-page-outline',
  imports: [CdkDrag, CdkDragHandle, CdkDropList, Icon],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './page-outline.html',
  styleUrl: './page-outline.scss',
})
export class PageOutline {
  readonly work = input.required<PageWork>();
  /** Keys of what stands on the page that is shown; null before any is. */
  readonly shown = input.required<ReadonlySet<string> | null>();
  /** A piece is wanted in a place. */
  readonly wanted = output<PiecePlace>();

  private readonly changes = inject(ChangeDetectorRef);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  protected readonly strips = computed(() =>
    this.work()
      .page()
      .strips.map((strip, at) => ({ strip, name: stripName(strip, at) })),
  );
  protected readonly columnKeys = computed(() =>
    this.work()
      .page()
      .strips.flatMap(({ columns }) => columns.map(({ key }) => key)),
  );
  protected readonly nameOf = pieceName;

  protected iconOf({ type }: Piece): string {
    return pieceTypeOf(type).icon;
  }

  protected isHere(key: string): boolean {
    return this.work().chosen() === key;
  }

  /** Whether a piece shows nothing on the page that is looked at. */
  protected isAbsent(key: string): boolean {
    const shown = this.shown();
    return shown !== null && ![...shown].some((one) => one === key || one.startsWith(`${key}.`));
  }

  protected endOf({ key, pieces }: PageColumn): PiecePlace {
    return { column: key, at: pieces.length };
  }

  protected columnName({ share, rem }: PageColumn, at: number): string {
    return `Column ${at + 1}, ${rem > 0 ? `${rem} letters wide` : share === 1 ? 'one part' : `${share} parts`}`;
  }

  protected dropped({ item, container, currentIndex }: CdkDragDrop<string>): void {
    this.work().move(item.data as string, { column: container.data, at: currentIndex });
  }

  protected droppedStrip({ item, currentIndex }: CdkDragDrop<unknown>): void {
    this.work().moveStrip(item.data as string, currentIndex);
  }

  protected remove(key: string): void {
    this.work().choose(key);
    this.work().remove();
  }

  protected key(event: KeyboardEvent, key: string): void {
    const work = this.work();
    work.choose(key);
    const act = this.actOf(event);
    if (!act) return;
    event.preventDefault();
    act();
    // The row is drawn anew where the part stands now; the next key may come at once.
    this.changes.detectChanges();
    this.host.nativeElement.querySelector<HTMLElement>('[aria-pressed=true]')?.focus();
  }

  private actOf({ key, altKey, ctrlKey, metaKey }: KeyboardEvent): (() => void) | null {
    const work = this.work();
    if (key === 'ArrowUp' || key === 'ArrowDown') {
      const by = key === 'ArrowUp' ? -1 : 1;
      return altKey ? () => work.shift(by) : () => work.goOn(by);
    }
    if (key === 'Delete') return () => work.remove();
    const letter = ctrlKey || metaKey ? key.toLowerCase() : '';
    if (letter === 'd') return () => work.double();
    if (letter === 'c') return () => this.copy();
    if (letter === 'x') {
      return () => {
        this.copy();
        work.remove();
      };
    }
    if (letter !== 'v') return null;
    return () => {
      const copied = copiedPart();
      if (copied) work.paste(copied);
    };
  }

  private copy(): void {
    const copied = this.work().copied();
    if (copied) copyPart(copied);
  }

  protected readonly counts = Array.from({ length: MOST_COLUMNS }, (_, at) => at + 1);

  protected addStrip(list: HTMLSelectElement): void {
    const count = Number(list.value);
    list.value = '';
    this.work().addStrip(this.work().page().strips.length, count);
  }
}
