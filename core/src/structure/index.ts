export * from './built-in-fields.js';
export * from './category-set.js';
export * from './check-kind.js';
export * from './computed-fields.js';
export * from './condition.js';
export {
  EXPRESSION_FUNCTIONS,
  measureForExpression,
  numberInUnit,
  parseExpression,
  withNameReplaced,
} from './expression.js';
export * from './date-grouping.js';
export { directionWords } from './direction-words.js';
export * from './facet.js';
export * from './facet-field.js';
export * from './field-at.js';
export * from './field-changes.js';
export * from './field.js';
export { choicesFromLabels, choiceLabel, distinctLabels, findChoice } from './field-types/choices.js';
export { dateFromDayNumber, dayNumberOfDate } from './field-types/date.js';
export { momentOfText, textOfMoment } from './field-types/date-time.js';
export { isEmail } from './field-types/email.js';
export * from './field-types/field-type.js';
export { asFile, type KeptFile } from './field-types/file.js';
export { type LinkEdit, type LinkInput, type LinkedListing, linkEditOf } from './field-types/link.js';
export { DEFAULT_UNIT } from './field-types/measure.js';
export { DEFAULT_CURRENCY } from './field-types/money.js';
export type { Place } from './field-types/place.js';
export * from './field-types/names.js';
export * from './field-types/proposal.js';
export * from './field-types/read-context.js';
export type { Range } from './field-types/range.js';
export { DEFAULT_STARS, MOST_STARS, starsOf } from './field-types/rating.js';
export { referencePattern } from './field-types/reference.js';
export { cleanHtml, plainOfHtml, readRichText } from './field-types/rich-text.js';
export * from './field-types/registry.js';
export { type Entry, isEntry, subfieldsOf } from './field-types/subfields.js';
export { counterOf, withCounter } from './field-types/text-pattern.js';
export { minutesOfTime } from './field-types/time-of-day.js';
export { isWebAddress } from './field-types/web-address.js';
export * from './kind.js';
export * from './link.js';
export * from './operators.js';
export { asPicture, type Focus, type Picture, type PictureRecord } from './picture.js';
export * from './proposed-design.js';
export * from './reached-keys.js';
export * from './selection.js';
export * from './site-settings.js';
export * from './shared-facets.js';
export * from './sort-choice.js';
export * from './status.js';
export * from './stored-kind.js';
export * from './structure.js';
export * from './unique-value.js';
