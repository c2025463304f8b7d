import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { PieceModelOf } from '@plindo/core/page';
import { PictureView } from '../picture';

@Component({
  selector: 'pl-picture-piece',
  imports: [PictureView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <figure>
      <pl-picture
        [class]="ratio()"
        [class.whole]="piece().fit === 'whole'"
        [picture]="piece().picture"
        [eager]="true"
        sizes="(max-width: 52rem) 92vw, 40rem"
      />
      @if (piece().caption) {
        <figcaption>{{ piece().caption }}</figcaption>
      }
    </figure>
  `,
})
export class PicturePiece {
  readonly piece = input.required<PieceModelOf<'picture'>>();
  protected readonly ratio = computed(() => `ratio-${this.piece().ratio.replace(':', '-')}`);
}
