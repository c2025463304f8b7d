import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { FooterColumn, FrameDesign, MenuLink } from '@plindo/core/design';
import type { Kind } from '@plindo/core/structure';
import { PictureControl } from '../../shared/controls/picture-control';
import { RichTextControl } from '../../shared/controls/rich-text-control';

const MOST_COLUMNS = 4;

/** A property of header and footer with what it is now. */
type Changed = {
  [Key in keyof FrameDesign]: { readonly key: Key; readonly value: FrameDesign[Key] };
}[keyof FrameDesign];

/** What is said of header and footer beside the menu. */
@Component({
  selector: 'pl-site-frame-settings',
  imports: [MatButtonModule, PictureControl, RichTextControl],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './frame-settings.html',
  styleUrl: '../design/settings.scss',
})
export class FrameSettings {
  readonly frame = input.required<FrameDesign>();
  readonly kinds = input.required<readonly Kind[]>();
  readonly changed = output<Changed>();

  protected readonly searchable = computed(() => this.kinds().filter(({ hasIndexPage }) => hasIndexPage));
  protected readonly mayAdd = computed(() => this.frame().columns.length < MOST_COLUMNS);

  protected setColumns(value: FrameDesign['columns']): void {
    this.changed.emit({ key: 'columns', value });
  }

  protected addColumn(): void {
    this.setColumns([...this.frame().columns, { heading: 'Heading', html: '', links: [] }]);
  }

  protected putColumn(at: number, change: Partial<FooterColumn>): void {
    this.setColumns(this.frame().columns.map((column, other) => (other === at ? { ...column, ...change } : column)));
  }

  protected removeColumn(at: number): void {
    this.setColumns(this.frame().columns.filter((_, other) => other !== at));
  }

  protected putLink(at: number, link_at: number, change: Partial<MenuLink>): void {
    const links = this.frame().columns[at]!.links;
    this.putColumn(at, { links: links.map((link, other) => (other === link_at ? { ...link, ...change } : link)) });
  }

  protected addLink(at: number): void {
    this.putColumn(at, { links: [...this.frame().columns[at]!.links, { words: 'New', address: '/' }] });
  }

  protected removeLink(at: number, link_at: number): void {
    this.putColumn(at, { links: this.frame().columns[at]!.links.filter((_, other) => other !== link_at) });
  }
}
