import { issue, ok, refuse } from '../../values/index.js';
import type { Picture } from '../fields/picture.js';
import { asPicture } from '../fields/picture.js';
import type { FieldType } from './field-type.js';
import { isEmptyInput, wrongType } from './field-type.js';

export const pictureType: FieldType<Picture> = {
  label: 'picture',
  icon: 'image',
  control: 'picture',
  settings: [],
  short: false,
  read(input, field) {
    if (isEmptyInput(input)) return ok(null);
    const picture = asPicture(input);
    if (picture) return ok(picture);
    if (typeof input !== 'string') return wrongType(field, 'a picture');
    return refuse(issue('value.not-a-picture', { label: field.label, found: input }, { field: field.key }));
  },
  holds: (value): value is Picture => asPicture(value) !== null,
  toText: ({ hash }) => hash,
  format: ({ alt }) => alt,
  column: null,
  facets: [],
};
