import { picturesOf } from './pictures-of.js';
import type { PieceMaker } from './piece-maker.js';

export const picture: PieceMaker<'picture'> = {
  make({ picture: own, field, ratio, fit, caption }, { shown }) {
    const found = field === '' ? own : picturesOf([field], shown)[0];
    return found ? { type: 'picture', picture: found, ratio, fit, caption } : null;
  },
};
