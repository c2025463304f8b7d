import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { PieceModelOf } from '@plindo/core/page';
import { PictureView } from '../picture';
import { Value } from '../value';

@Component({
  selector: 'pl-specification-piece',
  imports: [PictureView, Value],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let own = piece();
    @if (own.layout === 'table') {
      <pl-value [slot]="{ text: '', shape: 'rows', rows: own.rows }" />
    } @else {
      <ol [class]="own.layout">
        @for (entry of own.entries; track $index; let at = $index) {
          <li>
            @if (own.layout === 'ranked') {
              <span class="place" aria-hidden="true">{{ at + 1 }}</span>
            }
            @if (entry.picture; as picture) {
              <pl-picture [picture]="picture" sizes="(max-width: 52rem) 92vw, 24rem" />
            }
            <div class="words">
              @if (entry.title) {
                <h3>{{ entry.title }}</h3>
              }
              @if (entry.facts.length) {
                <dl>
                  @for (fact of entry.facts; track fact.label) {
                    <div>
                      <dt>{{ fact.label }}</dt>
                      <dd>{{ fact.text }}</dd>
                    </div>
                  }
                </dl>
              }
              @if (entry.href; as href) {
                <a class="button" [href]="href" rel="nofollow ugc"
                  >{{ own.button }}<span class="hidden-text">: {{ entry.title }}</span></a
                >
              }
            </div>
          </li>
        }
      </ol>
    }
  `,
})
export class SpecificationPiece {
  readonly piece = input.required<PieceModelOf<'specification'>>();
}
