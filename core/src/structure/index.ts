export * from './fields/built-in-fields.js';
export * from './categories/category-set.js';
export * from './kinds/address-pattern.js';
export * from './kinds/check-kind.js';
export * from './computed/computed-fields.js';
export * from './conditions/condition.js';
export {
  EXPRESSION_FUNCTIONS,
  measureForExpression,
  numberInUnit,
  parseExpression,
  withNameReplaced,
} from './computed/expression.js';
export * from './expiry/check-expiry.js';
export * from './expiry/expiry-changes.js';
export * from './expiry/expiry-choice.js';
export * from './expiry/expiry-rule.js';
export * from './facets/date-grouping.js';
export { directionWords } from './orders/direction-words.js';
export * from './facets/facet.js';
export * from './facets/facet-field.js';
export * from './fields/field-at.js';
export * from './changes/field-changes.js';
export * from './fields/field.js';
export { choicesFromLabels, choiceLabel, distinctLabels, findChoice } from './field-types/choices.js';
export { dateFromDayNumber, dayNumberOfDate, numericDay } from './field-types/date.js';
export { possibleOrders } from './field-types/written-date.js';
export { lazyMonthNames } from './field-types/month-names.js';
export { parentsOf, withAncestors } from './field-types/categories.js';
export { momentOfText, textOfMoment } from './field-types/date-time.js';
export { readColour } from './field-types/colour.js';
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
export { cleanHtml, htmlOfPlain, plainOfHtml, readRichText } from './field-types/rich-text.js';
export * from './field-types/registry.js';
export { MOST_ROWS } from './field-types/rows.js';
export { type Entry, entriesIn, hasSubfields, isEntry, subfieldsOf } from './field-types/subfields.js';
export { counterOf, withCounter } from './field-types/text-pattern.js';
export { minutesOfTime } from './field-types/time-of-day.js';
export { isWebAddress } from './field-types/web-address.js';
export * from './kinds/kind.js';
export * from './links/link.js';
export * from './conditions/operators.js';
export { asPicture, type Focus, type Picture, type PictureRecord } from './fields/picture.js';
export * from './kinds/proposed-design.js';
export * from './fields/reached-keys.js';
export * from './notices/notice-settings.js';
export * from './roles/field-roles.js';
export * from './structured/structured-kind.js';
export * from './structured/structured-types.js';
export * from './selections/selection.js';
export * from './site-settings.js';
export * from './facets/shared-facets.js';
export * from './orders/sort-choice.js';
export * from './kinds/status.js';
export * from './kinds/stored-kind.js';
export * from './fields/unique-value.js';
