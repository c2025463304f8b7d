import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import type { PieceModelOf } from '@plindo/core/page';
import { SearchBox } from '../controls/search-box';
import { PAGE_STEERING } from './steering';

@Component({
  selector: 'pl-search-piece',
  imports: [SearchBox],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let own = piece();
    <pl-search-box
      role="search"
      [form]="own.form"
      [name]="own.name"
      [text]="own.text"
      [label]="own.label"
      [placeholder]="own.placeholder"
      [interactive]="steering.interactive()"
      [suggestions]="steering.suggestions()"
      (typed)="steering.type({ area: own.area, text: $event })"
      (chosen)="steering.follow({ url: $event, replace: false })"
    />
  `,
})
export class SearchPiece {
  readonly piece = input.required<PieceModelOf<'search'>>();
  protected readonly steering = inject(PAGE_STEERING);
}
