import type { Result } from '../../values/index.js';
import { issue, refuse } from '../../values/index.js';
import type { FacetControl } from '../facets/facet.js';
import type { Field } from '../fields/field.js';
import { categoriesType } from './categories.js';
import { colourType } from './colour.js';
import { makeComputedType } from './computed.js';
import { dateType } from './date.js';
import { dateTimeType } from './date-time.js';
import { decimalType } from './decimal.js';
import { emailType } from './email.js';
import type { ColumnSpec, FieldType } from './field-type.js';
import { fileType } from './file.js';
import { makeGroupType } from './group.js';
import { linkType } from './link.js';
import { longTextType } from './long-text.js';
import { measureType } from './measure.js';
import { moneyType } from './money.js';
import type { FieldTypeName } from './names.js';
import { oneChoiceType } from './one-choice.js';
import { phoneType } from './phone.js';
import { pictureType } from './picture.js';
import { picturesType } from './pictures.js';
import { placeType } from './place.js';
import { makeRangeType } from './range.js';
import { ratingType } from './rating.js';
import type { ReadContext } from './read-context.js';
import { referenceType } from './reference.js';
import { richTextType } from './rich-text.js';
import { makeRowsType } from './rows.js';
import { severalChoicesType } from './several-choices.js';
import { shortTextType } from './short-text.js';
import { timeOfDayType } from './time-of-day.js';
import { webAddressType } from './web-address.js';
import { wholeNumberType } from './whole-number.js';
import { yesNoType } from './yes-no.js';

/** All field types by name. Types made of other types are given {@link fieldType} to get at them. */
export const FIELD_TYPES = {
  'short-text': shortTextType,
  'long-text': longTextType,
  'rich-text': richTextType,
  'whole-number': wholeNumberType,
  decimal: decimalType,
  money: moneyType,
  measure: measureType,
  range: makeRangeType(fieldType),
  'yes-no': yesNoType,
  'one-choice': oneChoiceType,
  'several-choices': severalChoicesType,
  categories: categoriesType,
  date: dateType,
  'date-time': dateTimeType,
  'time-of-day': timeOfDayType,
  'web-address': webAddressType,
  email: emailType,
  phone: phoneType,
  picture: pictureType,
  pictures: picturesType,
  file: fileType,
  place: placeType,
  colour: colourType,
  rating: ratingType,
  reference: referenceType,
  link: linkType,
  group: makeGroupType(fieldType),
  rows: makeRowsType(fieldType),
  computed: makeComputedType(fieldType),
} as const satisfies Record<FieldTypeName, object>;

export function isFieldTypeName(name: string): name is FieldTypeName {
  return Object.hasOwn(FIELD_TYPES, name);
}

/**
 * The type of a field. Its value type is opened to `unknown` here, once: a value of a listing was read by this same
 * type, so it is what the type's functions take.
 */
export function fieldType(name: FieldTypeName): FieldType<unknown> {
  return FIELD_TYPES[name] as FieldType<unknown>;
}

/**
 * Reads a value by the type of its field; an empty one is refused where the field asks for one. Refused by
 * `value.required`.
 */
export function readRequired(input: unknown, field: Field, context: ReadContext): Result<unknown> {
  const read = fieldType(field.type).read(input, field, context);
  if (!read.ok || read.value !== null || !field.required) return read;
  return refuse(issue('value.required', { label: field.label }, { field: field.key }));
}

/** The field whose values a field has: itself, or, for a computed one, the field of its result. */
export function plainField(field: Field): Field {
  return fieldType(field.type).standsFor?.(field) ?? field;
}

/** How the catalog keeps the values of a field; null when it doesn't. */
export function columnOf(field: Field): ColumnSpec<unknown> | null {
  const type = fieldType(plainField(field).type);
  return type.columnFor ? type.columnFor(field) : type.column;
}

/** The facet controls that fit a field, the likeliest first. */
export function controlsFor(field: Field): readonly FacetControl[] {
  return fieldType(plainField(field).type).facets;
}
