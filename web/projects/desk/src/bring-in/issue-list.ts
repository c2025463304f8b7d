import type { ElementRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, effect, input, viewChild } from '@angular/core';
import type { Issue } from '@plindo/core/values';

/** What is wrong, in a place that takes the focus when something is. */
@Component({
  selector: 'pl-issue-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (issues().length) {
      <div #summary class="issues" tabindex="-1" role="alert">
        <strong>{{ issues()[0]?.message }}</strong>
        @if (issues().length > 1) {
          <ul>
            @for (found of issues().slice(1); track $index) {
              <li>
                {{ found.message }}
                @if (found.field) {
                  ({{ found.field }})
                }
              </li>
            }
          </ul>
        }
      </div>
    }
  `,
})
export class IssueList {
  readonly issues = input.required<readonly Issue[]>();
  private readonly summary = viewChild<ElementRef<HTMLElement>>('summary');

  constructor() {
    effect(() => {
      if (this.issues().length > 0) setTimeout(() => this.summary()?.nativeElement.focus());
    });
  }
}
