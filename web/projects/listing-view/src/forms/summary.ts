import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { SummaryLine } from '@plindo/core/page';
import { PictureView } from '../picture';

/** What was answered in a form, in words. */
@Component({
  selector: 'pl-summary',
  imports: [PictureView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <dl>
      @for (line of lines(); track line.label) {
        <dt>{{ line.label }}</dt>
        <dd>
          {{ line.text }}
          @for (picture of line.pictures; track picture.hash) {
            <pl-picture [picture]="picture" sizes="120px" />
          }
        </dd>
      }
    </dl>
  `,
})
export class SummaryView {
  readonly lines = input.required<readonly SummaryLine[]>();
}
