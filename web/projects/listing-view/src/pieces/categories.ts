import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { PieceModelOf } from '@plindo/core/page';
import { Icon } from '../icons/icon';
import { PictureView } from '../picture';

@Component({
  selector: 'pl-categories-piece',
  imports: [Icon, PictureView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let own = piece();
    @if (own.heading) {
      <h2>{{ own.heading }}</h2>
    }
    <ul [class]="own.layout">
      @for (entry of own.entries; track entry.href) {
        <li [style.--depth]="entry.depth || null">
          <a [href]="entry.href">
            @if (own.layout === 'tiles' && entry.picture) {
              <pl-picture [picture]="entry.picture" sizes="14rem" />
            }
            <span>
              @if (entry.icon) {
                <pl-icon [name]="entry.icon" [style.color]="entry.colour || null" />
              }
              {{ entry.label }}
              @if (entry.count !== null) {
                <span class="count">{{ entry.count }}</span>
              }
            </span>
          </a>
        </li>
      }
    </ul>
  `,
})
export class CategoriesPiece {
  readonly piece = input.required<PieceModelOf<'categories'>>();
}
