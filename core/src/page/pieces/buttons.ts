import { fieldType } from '../../structure/index.js';
import { hrefOf } from '../cards/value-models.js';
import type { PieceMaker } from './piece-maker.js';

export const buttons: PieceMaker<'buttons'> = {
  make({ buttons: all, look }, { shown }) {
    const made = all.flatMap(({ words, address, field: key }) => {
      if (key === '') return [{ words, href: address }];
      const field = shown?.kind.fields.find((one) => one.key === key);
      const value = shown?.listing.values[key];
      const href = field && fieldType(field.type).holds(value) ? hrefOf(field, value) : undefined;
      return href === undefined ? [] : [{ words, href }];
    });
    return made.length > 0 ? { type: 'buttons', look, buttons: made } : null;
  },
};
