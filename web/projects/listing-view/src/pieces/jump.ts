import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { PieceModelOf } from '@plindo/core/page';
import { sayOnPage } from '../page-words';

@Component({
  selector: 'pl-jump-piece',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <nav [attr.aria-label]="say('jump.label')">
      <ul>
        @for (jump of piece().jumps; track jump.key) {
          <li>
            <a [href]="jump.href" [class.here]="jump.isHere"
              >{{ jump.label }} <span class="count">{{ jump.count }}</span></a
            >
          </li>
        }
      </ul>
    </nav>
  `,
})
export class JumpPiece {
  readonly piece = input.required<PieceModelOf<'jump'>>();
  protected readonly say = sayOnPage();
}
