import { issue, ok, refuse } from '../../values/index.js';
import { checkEntries, entriesIssue } from './bounds.js';
import type { FieldType } from './field-type.js';
import { inputText, isEmptyInput, wrongType } from './field-type.js';
import type { Picture } from '../fields/picture.js';
import { asPicture } from '../fields/picture.js';

export const MOST_PICTURES = 60;

export const picturesType: FieldType<readonly Picture[]> = {
  label: 'pictures',
  icon: 'photo_library',
  control: 'pictures',
  settings: ['fewest', 'most'],
  short: false,
  checkSettings: (field) => checkEntries(field, MOST_PICTURES),
  read(input, field) {
    if (isEmptyInput(input) || (Array.isArray(input) && input.length === 0)) return ok(null);
    if (!Array.isArray(input)) return wrongType(field, 'a list of pictures');
    const pictures: Picture[] = [];
    for (const entry of input as readonly unknown[]) {
      const picture = asPicture(entry);
      const params = { label: field.label, found: inputText(entry) };
      if (!picture) return refuse(issue('value.not-a-picture', params, { field: field.key }));
      pictures.push(picture);
    }
    const wrong = entriesIssue(pictures.length, field, MOST_PICTURES);
    return wrong ? refuse(wrong) : ok(pictures);
  },
  holds: (value): value is readonly Picture[] => Array.isArray(value) && value.every((entry) => asPicture(entry)),
  toText: (value) => value.map(({ hash }) => hash).join(' '),
  format: (value, _field, formats) => formats.list(value.map(({ alt }) => alt).filter((alt) => alt !== '')),
  column: null,
  facets: [],
};
