import { dateType } from './date.js';
import { decimalType } from './decimal.js';
import { emailType } from './email.js';
import type { FieldType } from './field-type.js';
import { longTextType } from './long-text.js';
import { measureType } from './measure.js';
import { moneyType } from './money.js';
import type { FieldTypeName } from './names.js';
import { oneChoiceType } from './one-choice.js';
import { phoneType } from './phone.js';
import { pictureType } from './picture.js';
import { placeType } from './place.js';
import { severalChoicesType } from './several-choices.js';
import { shortTextType } from './short-text.js';
import { webAddressType } from './web-address.js';
import { wholeNumberType } from './whole-number.js';
import { yesNoType } from './yes-no.js';

/** All field types by name. */
export const FIELD_TYPES = {
  'short-text': shortTextType,
  'long-text': longTextType,
  'whole-number': wholeNumberType,
  decimal: decimalType,
  money: moneyType,
  measure: measureType,
  'yes-no': yesNoType,
  'one-choice': oneChoiceType,
  'several-choices': severalChoicesType,
  date: dateType,
  'web-address': webAddressType,
  email: emailType,
  phone: phoneType,
  picture: pictureType,
  place: placeType,
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
