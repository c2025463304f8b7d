import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { DesignsApi } from '@plindo/api';
import type { DraftedPage } from '@plindo/api';
import type { PageDesign, PieceChoices, PieceTypeName } from '@plindo/core/design';
import { PIECE_TYPES, makePage, newPiece, pieceTypeOf } from '@plindo/core/design';
import type { DesignedPage } from '@plindo/core/page';
import { foldText } from '@plindo/core/values';
import { DesignedPageView, Icon } from '@plindo/listing-view';

/** Where a piece is wanted: what can be chosen there, and the page with what it is shown with. */
export interface PickedFor {
  readonly choices: PieceChoices;
  readonly page: PageDesign;
  readonly shownWith: Omit<DraftedPage, 'definition'>;
}

interface Offer {
  readonly type: PieceTypeName;
  readonly label: string;
  readonly icon: string;
  readonly purpose: string;
  /** What the page lacks for it; '' for nothing. */
  readonly lacks: string;
}

/** All sorts of pieces, each with its picture of the site's own data; those that the page has nothing for say what is lacking. */
@Component({
  selector: 'pl-piece-picker',
  imports: [DesignedPageView, Icon, MatButtonModule, MatDialogModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './piece-picker.html',
  styleUrl: './piece-picker.scss',
})
export class PiecePicker {
  private readonly data = inject<PickedFor>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<PiecePicker, PieceTypeName>>(MatDialogRef);

  protected readonly wanted = signal('');
  /** The pieces as they would begin, by sort. */
  private readonly pictures = signal<ReadonlyMap<string, DesignedPage>>(new Map());
  private readonly offers: readonly Offer[];
  protected readonly found = computed(() => {
    const words = foldText(this.wanted()).split(' ').filter(Boolean);
    return this.offers.filter(({ label, purpose }) => {
      const text = foldText(`${label} ${purpose}`);
      return words.every((word) => text.includes(word));
    });
  });

  constructor() {
    const { choices, page, shownWith } = this.data;
    const made = (Object.keys(PIECE_TYPES) as PieceTypeName[]).map((type) => ({ type, ...newPiece(type, choices) }));
    this.offers = made.map((one) => {
      const { label, icon, purpose } = pieceTypeOf(one.type);
      return { type: one.type, label, icon, purpose, lacks: 'lacks' in one ? one.lacks : '' };
    });
    const pieces = made.flatMap((one) => ('piece' in one ? [{ ...one.piece, key: one.type }] : []));
    inject(DesignsApi)
      .preview({ ...shownWith, definition: sampler(page, pieces) })
      .subscribe({
        next: (model) => {
          const byKey = model.strips.map((strip) => [strip.key, { ...model, strips: [strip], areas: [] }] as const);
          this.pictures.set(new Map(byKey));
        },
        // Without pictures they can be chosen by their words.
        error: () => this.pictures.set(new Map()),
      });
  }

  protected pictureOf(type: PieceTypeName): DesignedPage | undefined {
    return this.pictures().get(`show-${type}`);
  }

  protected pick(type: PieceTypeName): void {
    this.dialog.close(type);
  }
}

/** The page with a strip for each piece behind its own, as what steers a list needs that list. */
function sampler(page: PageDesign, pieces: PageDesign['strips'][0]['columns'][0]['pieces']): PageDesign {
  const { strips } = makePage({
    ...{ name: 'Pieces', serves: page.serves },
    strips: pieces.map(({ key }) => ({ key: `show-${key}`, columns: [{ key: `column-${key}`, pieces: [] }] })),
  });
  const filled = strips.map((strip, at) => ({ ...strip, columns: [{ ...strip.columns[0]!, pieces: [pieces[at]!] }] }));
  return { ...page, strips: [...page.strips, ...filled] };
}
