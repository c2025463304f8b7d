/** The names of all field types, in the order in which they are offered. */
export const FIELD_TYPE_NAMES = [
  'short-text',
  'long-text',
  'whole-number',
  'decimal',
  'money',
  'measure',
  'yes-no',
  'one-choice',
  'several-choices',
  'date',
  'web-address',
  'email',
  'phone',
  'picture',
  'place',
] as const;

export type FieldTypeName = (typeof FIELD_TYPE_NAMES)[number];
