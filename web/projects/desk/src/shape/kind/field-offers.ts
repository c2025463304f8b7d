import type { Field, FieldTypeName, Kind } from '@plindo/core/structure';
import { fieldType } from '@plindo/core/structure';
import { foldText, wordsOf } from '@plindo/core/values';
import { TYPE_GROUPS, TYPE_USES } from './type-descriptions';

/** A field that another one can be made like. */
export interface LikeOffer {
  readonly field: Field;
  /** Of which kind. */
  readonly many: string;
}

/** What a new field can be made of: a type, or a field that is there. */
export interface FieldOffers {
  readonly groups: readonly { readonly label: string; readonly types: readonly FieldTypeName[] }[];
  readonly likes: readonly LikeOffer[];
}

/** What people call what a type holds, besides its own name. */
const OTHER_WORDS: Readonly<Partial<Record<FieldTypeName, string>>> = {
  'whole-number': 'count integer amount year',
  decimal: 'number fraction percent',
  money: 'price cost fee currency',
  measure: 'length weight size area unit',
  range: 'from to span between',
  rating: 'stars score',
  computed: 'formula calculated sum',
  'yes-no': 'checkbox tick boolean',
  'one-choice': 'list select option drop-down',
  'several-choices': 'tags multiple list select options',
  categories: 'taxonomy tree tags',
  date: 'day calendar',
  'date-time': 'moment calendar',
  'time-of-day': 'hour clock opening',
  'web-address': 'link url website',
  email: 'mail',
  phone: 'telephone number',
  place: 'map location address coordinates',
  picture: 'photo image',
  pictures: 'photos gallery images',
  file: 'pdf document download',
  reference: 'number code id',
  group: 'several fields together',
  rows: 'table list of lines',
};

/** The types and the fields that words find; all types without words, and no fields, as there may be many. */
export function offersFor(text: string, kinds: readonly Kind[]): FieldOffers {
  const words = wordsOf(text);
  if (words.length === 0) return { groups: TYPE_GROUPS, likes: [] };
  const holds = (own: string): boolean => {
    const folded = foldText(own);
    return words.every((word) => folded.includes(word));
  };
  const groups = TYPE_GROUPS.map(({ label, types }) => ({
    label,
    types: types.filter((type) =>
      holds([fieldType(type).label, TYPE_USES[type], OTHER_WORDS[type] ?? '', label].join(' ')),
    ),
  })).filter(({ types }) => types.length > 0);
  const likes = kinds.flatMap(({ many, fields }) =>
    fields
      .filter(({ type, label }) => type !== 'link' && holds(`${label} ${many} ${fieldType(type).label}`))
      .map((field): LikeOffer => ({ field, many })),
  );
  return { groups, likes: likes.slice(0, MOST_LIKES) };
}

const MOST_LIKES = 12;
