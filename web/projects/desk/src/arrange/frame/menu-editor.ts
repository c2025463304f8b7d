import type { CdkDragDrop } from '@angular/cdk/drag-drop';
import { CdkDrag, CdkDragHandle, CdkDropList } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { MenuEntry, MenuLink } from '@plindo/core/design';
import { Icon } from '@plindo/listing-view';

/** A row of the menu as it is edited: an entry, or one below the entry before it. */
interface Row extends MenuLink {
  readonly isBelow: boolean;
}

/** The menu as rows; those that stand one step in are below the entry before them. Everything is done by mouse or by keys. */
@Component({
  selector: 'pl-menu-editor',
  imports: [CdkDrag, CdkDragHandle, CdkDropList, Icon, MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './menu-editor.html',
  styleUrl: './menu-editor.scss',
})
export class MenuEditor {
  readonly menu = input.required<readonly MenuEntry[]>();
  /** Whether it is the publisher's own; else it has all lists and pages by itself. */
  readonly isOwn = input.required<boolean>();
  readonly menuChange = output<readonly MenuEntry[]>();
  readonly begun = output();
  readonly givenUp = output();

  protected readonly rows = computed((): readonly Row[] =>
    this.menu().flatMap(({ words, address, below }) => [
      { words, address, isBelow: false },
      ...below.map((link) => ({ ...link, isBelow: true })),
    ]),
  );

  protected put(at: number, change: Partial<Row>): void {
    this.tell(this.rows().map((row, other) => (other === at ? { ...row, ...change } : row)));
  }

  protected add(): void {
    this.tell([...this.rows(), { words: 'New', address: '/', isBelow: false }]);
  }

  protected remove(at: number): void {
    this.tell(this.rows().filter((_, other) => other !== at));
  }

  protected dropped({ previousIndex, currentIndex }: CdkDragDrop<unknown>): void {
    this.move(previousIndex, currentIndex);
  }

  protected move(from: number, to: number): void {
    if (to < 0 || to >= this.rows().length) return;
    const rows = [...this.rows()];
    rows.splice(to, 0, ...rows.splice(from, 1));
    this.tell(rows);
  }

  private tell(rows: readonly Row[]): void {
    this.menuChange.emit(menuOf(rows));
  }
}

/** The menu that rows stand for; nothing is before the first one that it could be below. */
function menuOf(rows: readonly Row[]): MenuEntry[] {
  const menu: MenuEntry[] = [];
  for (const { words, address, isBelow } of rows) {
    const last = menu.at(-1);
    if (isBelow && last) menu[menu.length - 1] = { ...last, below: [...last.below, { words, address }] };
    else menu.push({ words, address, below: [] });
  }
  return menu;
}
