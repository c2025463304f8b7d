import type { OnChanges, OnDestroy } from '@angular/core';
import { Directive, PLATFORM_ID, inject, input } from '@angular/core';
import { isPlatformServer } from '@angular/common';
import type { PieceModel } from '@plindo/core/page';
import { piecePrint } from '@plindo/core/page';
import { DrawnPlace } from './drawn-place';
import { PIECE_VIEWS } from './pieces/registry';
import { KEPT_CARDS, keptHtml } from './sleeping-card';

/**
 * The place of a piece with which a browser has nothing to do. What came from the server is left as it is, asleep, until
 * the piece says something else; then it is drawn here. On the server it is drawn once and its HTML kept.
 */
@Directive({ selector: 'pl-quiet' })
export class QuietPiece implements OnChanges, OnDestroy {
  readonly piece = input.required<PieceModel>();

  private readonly place = new DrawnPlace<unknown>();
  private readonly kept = inject(KEPT_CARDS);
  private readonly isServer = isPlatformServer(inject(PLATFORM_ID));
  /** Of what came from the server; null once something was drawn here. */
  private print: number | null = null;

  ngOnChanges(): void {
    const piece = this.piece();
    if (this.isServer) this.place.element.innerHTML = this.html(piece);
    else if (piece.type === 'asleep') this.print = piece.print;
    else if (this.print === null || this.print !== piecePrint(piece)) {
      this.print = null;
      this.place.show(PIECE_VIEWS[piece.type], { piece });
    }
  }

  ngOnDestroy(): void {
    this.place.destroy();
  }

  private html(piece: PieceModel): string {
    const key = `piece ${piecePrint(piece)}`;
    return keptHtml(this.kept, key, () => this.place.htmlOf(PIECE_VIEWS[piece.type], { piece }));
  }
}
