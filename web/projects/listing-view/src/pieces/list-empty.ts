import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { EmptyModel } from '@plindo/core/page';
import { sayOnPage } from '../page-words';

/** Why nothing stands in a list, and what to do about it. */
@Component({
  selector: 'pl-list-empty',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let own = empty();
    @switch (own.why) {
      @case ('nothing-yet') {
        <p>{{ say('list.nothing-yet') }}</p>
      }
      @case ('no-match') {
        <p>{{ say('list.no-match') }}</p>
        @if (own.drop; as drop) {
          <p>
            <a [href]="drop.href">{{ say('list.without', { choice: drop.label, count: drop.total }) }}</a>
          </p>
        }
        <p>{{ say('list.take-back') }}</p>
        <p>
          <a [href]="own.clearHref">{{ say('list.clear') }}</a>
        </p>
      }
      @case ('past-end') {
        <p>{{ say('list.no-such-page') }}</p>
        @if (own.lastHref; as last) {
          <p>
            <a [href]="last">{{ say('list.last-page') }}</a>
          </p>
        }
      }
    }
  `,
})
export class ListEmpty {
  readonly empty = input.required<EmptyModel>();
  protected readonly say = sayOnPage();
}
