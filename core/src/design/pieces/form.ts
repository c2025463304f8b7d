import { numberFrom } from '../settings/setting.js';
import { pieceType } from './piece-type.js';

export const form = pieceType({
  label: 'Form',
  icon: 'assignment',
  purpose: 'With which visitors send in a listing, for you to review',
  /** Number of the form. */
  form: { of: numberFrom(0, Number.MAX_SAFE_INTEGER, 0) },
  controls: {
    of: {
      as: 'choice',
      label: 'Which form',
      options: ({ forms }) => forms.map(({ id, name }) => ({ key: id, label: name })),
    },
  },
  begin({ forms: [first] }) {
    return first ? { settings: { of: first.id } } : { lacks: 'a form, which is made under Arrange, Forms' };
  },
  faults: ({ of }, { formOf }) => (formOf(of) ? [] : ['the form is not there any more.']),
  withNumbers: ({ of }, numbers) => ({ of: numbers.form(of) }),
});
