import type { SettingsOf } from '../settings/setting.js';
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
import type { PieceType } from './piece-type.js';
import { richText } from './rich-text.js';
import { search } from './search.js';
import { share } from './share.js';
import { sort } from './sort.js';
import { space } from './space.js';
import { specification } from './specification.js';
import { tell } from './tell.js';
import { text } from './text.js';
import { values } from './values.js';

/** Every sort of piece, in the order in which they are offered. */
export const PIECE_TYPES = {
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
} as const;

export type PieceTypeName = keyof typeof PIECE_TYPES;

/** The settings of a sort of piece. */
export type PieceSettings<Name extends PieceTypeName = PieceTypeName> = SettingsOf<(typeof PIECE_TYPES)[Name]['form']>;

/** What is known of a sort of piece, whichever it is. */
export function pieceTypeOf(name: PieceTypeName): PieceType {
  // Each type knows its own settings only; they are kept beside its name, so they fit.
  return PIECE_TYPES[name] as unknown as PieceType;
}

export function isPieceTypeName(name: unknown): name is PieceTypeName {
  return typeof name === 'string' && Object.hasOwn(PIECE_TYPES, name);
}
