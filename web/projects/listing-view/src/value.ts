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
            <table>
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
                      <td>{{ cell }}</td>
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
  styles: `
    .pictures {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(9rem, 1fr));
      gap: 0.5rem;
    }
    .pictures pl-picture {
      aspect-ratio: 4 / 3;
      border-radius: var(--pl-corner);
    }
    .one {
      grid-template-columns: minmax(0, 12rem);
    }
    .one pl-picture {
      aspect-ratio: auto;
    }
    .colour,
    .rating {
      display: inline-flex;
      align-items: center;
      gap: 0.5rem;
    }
    .rating {
      flex-wrap: wrap;
      column-gap: 0.5rem;
      row-gap: 0;
      white-space: nowrap;
    }
    .swatch {
      inline-size: 1.25rem;
      block-size: 1.25rem;
      border: 1px solid var(--pl-line);
      border-radius: var(--pl-corner);
    }
    .stars {
      display: inline-flex;
      color: var(--pl-ochre);
    }
    .icons {
      display: inline-flex;
      flex-wrap: wrap;
      gap: 0.25rem;
    }
    .links {
      margin: 0;
      padding: 0;
      list-style: none;
    }
    .note {
      color: var(--pl-quiet);
    }
    dl {
      display: grid;
      gap: 0.25rem;
      margin: 0;
    }
    dl div {
      display: flex;
      flex-wrap: wrap;
      gap: 0 0.5rem;
    }
    dt {
      color: var(--pl-quiet);
    }
    dd {
      margin: 0;
    }
    .scroll {
      overflow-x: auto;
    }
    table {
      inline-size: 100%;
      border-collapse: collapse;
      font-variant-numeric: tabular-nums;
    }
    th,
    td {
      padding: 0.5rem 0.75rem;
      border-block-end: 1px solid var(--pl-line);
      text-align: start;
      vertical-align: top;
    }
    th {
      color: var(--pl-quiet);
      font-size: 0.875rem;
      font-weight: 600;
    }
    .long,
    .rich-text {
      max-inline-size: 65ch;
    }
    .long {
      margin: 0;
      white-space: pre-line;
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
