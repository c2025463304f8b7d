import type { Type } from '@angular/core';
import type { PieceModel } from '@plindo/core/page';
import { BreadcrumbPiece } from './breadcrumb';
import { ButtonsPiece } from './buttons';
import { BylinePiece } from './byline';
import { CategoriesPiece } from './categories';
import { ChipsPiece } from './chips';
import { ChosenCategoryPiece } from './chosen-category';
import { ComparisonPiece } from './comparison';
import { CountPiece } from './count';
import { DividerPiece } from './divider';
import { FacetsPiece } from './facets';
import { TellPiece } from '../forms/tell-piece';
import { FormPlace } from '../forms/form-place';
import { GalleryPiece } from './gallery';
import { HeadingPiece } from './heading';
import { JumpPiece } from './jump';
import { KeepPiece } from './keep';
import { ListPiece } from './list';
import { MapPiece } from './map';
import { NothingPiece } from './nothing';
import { PagerPiece } from './pager';
import { PicturePiece } from './picture-piece';
import { RichTextPiece } from './rich-text';
import { SearchPiece } from './search';
import { SharePiece } from './share';
import { SortPiece } from './sort';
import { SpacePiece } from './space';
import { SpecificationPiece } from './specification';
import { TextPiece } from './text';
import { ValuesPiece } from './values';

/** What shows each sort of piece. */
export const PIECE_VIEWS: Readonly<Record<PieceModel['type'], Type<unknown>>> = {
  heading: HeadingPiece,
  text: TextPiece,
  'rich-text': RichTextPiece,
  picture: PicturePiece,
  gallery: GalleryPiece,
  values: ValuesPiece,
  specification: SpecificationPiece,
  list: ListPiece,
  facets: FacetsPiece,
  search: SearchPiece,
  sort: SortPiece,
  count: CountPiece,
  chips: ChipsPiece,
  pager: PagerPiece,
  jump: JumpPiece,
  map: MapPiece,
  'chosen-category': ChosenCategoryPiece,
  categories: CategoriesPiece,
  buttons: ButtonsPiece,
  breadcrumb: BreadcrumbPiece,
  byline: BylinePiece,
  share: SharePiece,
  keep: KeepPiece,
  form: FormPlace,
  tell: TellPiece,
  comparison: ComparisonPiece,
  divider: DividerPiece,
  space: SpacePiece,
  nothing: NothingPiece,
  // Stands there already.
  asleep: NothingPiece,
};
