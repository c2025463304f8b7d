import { listOf, group, oneOf, words } from '../settings/setting.js';
import { fieldAt } from '../../structure/index.js';
import { optionsOf } from '../settings/control.js';
import { isAddress } from './address.js';
import { pieceType } from './piece-type.js';

const BUTTON = group({
  words: words(80),
  /** An address within the site or outside it; or, of a listing's page, the key of a field that is one. */
  address: words(2000),
  field: words(61),
});
/** The types of fields that buttons can lead to. */
export const LEADING_TYPES: readonly string[] = ['web-address', 'email', 'phone', 'file'];

export const buttons = pieceType({
  label: 'Buttons',
  icon: 'open_in_new',
  purpose: 'What leads on: to a page, a web address, a telephone or an e-mail address of the listing',
  form: { buttons: listOf(BUTTON, 10), look: oneOf(['filled', 'plain'], 'filled') },
  controls: {
    buttons: { as: 'buttons', label: 'Buttons' },
    look: { as: 'choice', label: 'Look', options: optionsOf({ filled: 'filled', plain: 'plain' }) },
  },
  begin: () => ({ settings: { buttons: [{ words: 'Read more', address: '/', field: '' }] } }),
  faults({ buttons: all }, { kind }) {
    return all.flatMap(({ words: own, address, field }) => {
      if (own.trim() === '') return ['a button needs words.'];
      if (field === '')
        return isAddress(address) ? [] : [`“${own}” leads nowhere: give an address as /about or https://…`];
      const type = kind && fieldAt(kind, field)?.type;
      return type && LEADING_TYPES.includes(type)
        ? []
        : [`“${own}” leads to the field “${field}”, which is no address.`];
    });
  },
  fields: ({ buttons: all }, kind) =>
    kind ? all.filter(({ field }) => field !== '').map(({ field }) => ({ kindId: kind.id, field })) : [],
  withKeyRenamed: (settings, from, to) => ({
    ...settings,
    buttons: settings.buttons.map((one) => (one.field === from ? { ...one, field: to } : one)),
  }),
});
