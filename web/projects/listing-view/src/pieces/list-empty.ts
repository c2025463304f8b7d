import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { EmptyModel } from '@plindo/core/page';

/** Why nothing stands in a list, and what to do about it. */
@Component({
  selector: 'pl-list-empty',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let own = empty();
    @switch (own.why) {
      @case ('nothing-yet') {
        <p>There is nothing here yet.</p>
      }
      @case ('no-match') {
        <p>Nothing matches all of that.</p>
        @if (own.drop; as drop) {
          <p>
            <a [href]="drop.href">Without {{ drop.label }}</a> there {{ drop.total === 1 ? 'is' : 'are' }}
            {{ drop.total }}.
          </p>
        }
        <p>Take back one of your choices, or <a [href]="own.clearHref">clear them all</a>.</p>
      }
      @case ('past-end') {
        <p>There are not that many pages.</p>
        @if (own.lastHref; as last) {
          <p><a [href]="last">Go to the last one</a></p>
        }
      }
    }
  `,
})
export class ListEmpty {
  readonly empty = input.required<EmptyModel>();
}
