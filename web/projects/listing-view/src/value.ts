import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { ValueModel } from '@plindo/core/page';
import { Icon } from './icons/icon';
import { PictureView } from './picture';

/** One value of a listing, in the shape of its type. */
@Component({
  selector: 'pl-value',
  imports: [Icon, PictureView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let own = slot();
    @switch (own.shape) {
      @case ('link') {
        <a [href]="own.href" rel="nofollow ugc">{{ own.text }}</a>
      }
      @case ('file') {
        <a [href]="own.href" download><pl-icon name="download" />{{ own.text }}</a>
      }
      @case ('pictures') {
        <span class="pictures" [class.one]="own.pictures?.length === 1">
          @for (picture of own.pictures; track $index) {
            <pl-picture [picture]="picture" sizes="14rem" />
          }
        </span>
      }
      @case ('colour') {
        <span class="colour"><span class="swatch" [style.background]="own.colour"></span>{{ own.text }}</span>
      }
      @case ('rating') {
        <span class="rating">
          <span class="stars" aria-hidden="true">
            @for (star of stars(); track $index) {
              <pl-icon [name]="star" />
            }
          </span>
          {{ own.text }}
        </span>
      }
      @case ('icons') {
        <span class="icons">
          @for (icon of own.icons; track $index) {
            <span
              ><pl-icon [name]="icon.name" /><span class="hidden-text">{{ icon.label }}</span></span
            >
          }
        </span>
      }
      @case ('links') {
        <ul class="links">
          @for (link of own.links; track $index) {
            <li>
              @if (link.href) {
                <a [href]="link.href">{{ link.text }}</a>
              } @else {
                {{ link.text }}
              }
              @if (link.note) {
                <span class="note">{{ link.note }}</span>
              }
            </li>
          }
        </ul>
      }
      @case ('group') {
        <dl>
          @for (part of own.parts; track part.key) {
            <div>
              <dt>{{ part.label }}</dt>
              <dd><pl-value [slot]="part" /></dd>
            </div>
          }
        </dl>
      }
      @case ('rows') {
        @if (own.rows; as table) {
          <div class="scroll">
            <table [class.folds]="table.columns.length > 3">
              <thead>
                <tr>
                  @for (column of table.columns; track column.key) {
                    <th scope="col">{{ column.label }}</th>
                  }
                </tr>
              </thead>
              <tbody>
                @for (row of table.rows; track $index) {
                  <tr>
                    @for (cell of row; track $index) {
                      <td [attr.data-label]="table.columns[$index]?.label" [class.empty]="cell === ''">{{ cell }}</td>
                    }
                  </tr>
                }
              </tbody>
            </table>
          </div>
        }
      }
      @case ('rich-text') {
        <div class="rich-text" [innerHTML]="own.html"></div>
      }
      @case ('long-text') {
        <p class="long">{{ own.text }}</p>
      }
      @default {
        {{ own.text }}
      }
    }
  `,
})
export class Value {
  readonly slot = input.required<ValueModel>();

  protected readonly stars = computed(() => {
    const { given, of } = this.slot().stars ?? { given: 0, of: 0 };
    return Array.from({ length: of }, (_, at) =>
      given >= at + 1 ? 'star_fill' : given >= at + 0.5 ? 'star_half' : 'star',
    );
  });
}
