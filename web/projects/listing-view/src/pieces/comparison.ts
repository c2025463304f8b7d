import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { PieceModelOf } from '@plindo/core/page';
import { PictureView } from '../picture';
import { sayOnPage } from '../page-words';
import { Value } from '../value';

/** Listings side by side: one table of where they differ, and a folded one of what is the same for all. */
@Component({
  selector: 'pl-comparison-piece',
  imports: [NgTemplateOutlet, PictureView, Value],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let own = piece();
    <div class="head">
      <h2>{{ say('comparison.label') }}</h2>
      <a class="all" [href]="own.endHref">{{ say('comparison.end') }}</a>
    </div>
    @if (own.isOfSeveralKinds) {
      <p class="note">{{ say('comparison.several-kinds') }}</p>
    }
    <div class="table" tabindex="0" role="region" [attr.aria-label]="say('comparison.label')">
      <table>
        <caption>
          {{
            say(own.different.length ? 'comparison.different' : 'comparison.no-different')
          }}
        </caption>
        <thead>
          <tr>
            <th scope="col">
              <span class="hidden-text">{{ say('comparison.what') }}</span>
            </th>
            @for (head of own.heads; track head.id) {
              <th scope="col">
                @if (head.picture) {
                  <pl-picture class="ratio-3-2" [picture]="head.picture" sizes="14rem" />
                }
                @if (head.href; as href) {
                  <a [href]="href">{{ head.title }}</a>
                } @else {
                  {{ head.title }}
                }
              </th>
            }
          </tr>
        </thead>
        <ng-container [ngTemplateOutlet]="body" [ngTemplateOutletContext]="{ $implicit: own.different }" />
      </table>
    </div>
    @if (own.same.length) {
      <details>
        <summary>{{ say('comparison.same', { count: own.same.length }) }}</summary>
        <div class="table">
          <table>
            <thead class="hidden-text">
              <tr>
                <th scope="col">{{ say('comparison.what') }}</th>
                @for (head of own.heads; track head.id) {
                  <th scope="col">{{ head.title }}</th>
                }
              </tr>
            </thead>
            <ng-container [ngTemplateOutlet]="body" [ngTemplateOutletContext]="{ $implicit: own.same }" />
          </table>
        </div>
      </details>
    }

    <ng-template #body let-rows>
      <tbody>
        @for (row of $any(rows); track row.form.key) {
          <tr>
            <th scope="row">{{ row.form.label || row.form.name }}</th>
            @for (value of row.values; track $index) {
              <td>
                @if (value) {
                  @if (value.shape !== 'text') {
                    <pl-value [slot]="value" />
                  } @else if (value.href) {
                    <a [href]="value.href">{{ value.text }}</a>
                  } @else {
                    {{ value.text }}
                  }
                } @else {
                  <span class="quiet">{{ say('comparison.nothing') }}</span>
                }
              </td>
            }
          </tr>
        }
      </tbody>
    </ng-template>
  `,
})
export class ComparisonPiece {
  readonly piece = input.required<PieceModelOf<'comparison'>>();
  protected readonly say = sayOnPage();
}
