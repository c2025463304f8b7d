import type { Piece, PieceTypeName } from '../../design/index.js';
import { breadcrumb } from './breadcrumb.js';
import { buttons } from './buttons.js';
import { byline } from './byline.js';
import { categories } from './categories.js';
import { chips } from './chips.js';
import { chosenCategory } from './chosen-category.js';
import { comparison } from './comparison.js';
import { count } from './count.js';
import { divider } from './divider.js';
import { facets } from './facets.js';
import { form } from './form.js';
import { gallery } from './gallery.js';
import { heading } from './heading.js';
import { jump } from './jump.js';
import { keep } from './keep.js';
import { list } from './list.js';
import { map } from './map.js';
import { pager } from './pager.js';
import { part } from './part.js';
import { picture } from './picture.js';
import type { PieceMaker } from './piece-maker.js';
import { richText } from './rich-text.js';
import { search } from './search.js';
import { share } from './share.js';
import { sort } from './sort.js';
import { space } from './space.js';
import { specification } from './specification.js';
import { tell } from './tell.js';
import { text } from './text.js';
import { values } from './values.js';

/** What makes the model of each sort of piece. */
const PIECE_MAKERS: { readonly [Name in PieceTypeName]: PieceMaker<Name> } = {
  heading,
  text,
  'rich-text': richText,
  picture,
  gallery,
  values,
  specification,
  list,
  facets,
  search,
  sort,
  count,
  chips,
  pager,
  jump,
  map,
  'chosen-category': chosenCategory,
  categories,
  buttons,
  breadcrumb,
  byline,
  share,
  keep,
  form,
  tell,
  comparison,
  divider,
  space,
  part,
};

/** The maker of a piece, whichever sort it is; to be given the settings of that piece only. */
export function makerOf({ type }: Piece): PieceMaker<PieceTypeName> {
  return PIECE_MAKERS[type] as PieceMaker<PieceTypeName>;
}
